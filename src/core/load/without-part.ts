import { withTimeline } from './change-state';
import type { FileWork } from './clip-cost';
import { type Coefficients, compile, type DrawCost } from './compile';
import type { LoadPart, PlayingMoment, SetupState } from './types';

const undecoded = <Work extends FileWork>(work: Work): Work => ({
  ...work,
  softwareOnlyRefMs: 0,
  hardwareAbleRefMs: 0,
  hardwareMs: 0,
});

const withoutEffects = (draw: DrawCost): DrawCost => ({
  ...draw,
  effectsRefMs: 0,
  effectsAtClipRefMs: 0,
  effectMegapixels: 0,
  effectAtClipMegapixels: 0,
});

const unshown = (draw: DrawCost): DrawCost => ({ ...draw, showRefMs: 0 });

const oneLayer = { videoLayerCount: 1, coveredLayerCount: 0, titleCount: 0 } as const;

/**
 * A set-up's coefficients as if one part of its load took no time: decoding; effects; all layers but one, with what lies
 * on them; scaling and showing. What that would bring says how much of a lag is the film's own in this respect.
 */
export function compileWithoutPart(state: SetupState, part: LoadPart, moment: PlayingMoment): Coefficients {
  if (part === 'layers') return { ...compile(withTimeline(state, oneLayer), moment), unlistedLayersProbability: 0 };
  const all = compile(state, moment);
  switch (part) {
    case 'decode':
      return {
        ...all,
        playing: undecoded(all.playing),
        hardwareCopyRefMs: 0,
        scrub: undecoded(all.scrub),
        slowScrub: undecoded(all.slowScrub),
        cut: undecoded(all.cut),
        look: undecoded(all.look),
        thumbnail: undecoded(all.thumbnail),
      };
    case 'effects':
      return { ...all, draw: withoutEffects(all.draw), moving: withoutEffects(all.moving) };
    case 'size':
      return { ...all, scaleRefMs: 0, draw: unshown(all.draw), moving: unshown(all.moving) };
    default:
      return part satisfies never;
  }
}

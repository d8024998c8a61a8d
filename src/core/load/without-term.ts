import { withOneLayer } from './change-state';
import { type FetchCost, type FileWork, noWork } from './clip-cost';
import { type Coefficients, compile } from './compile';
import type { LoadTerm, PlayingMoment, SetupState } from './types';

type Changeable<T> = { -readonly [K in keyof T]: T[K] };

/** What is fetched where decoding takes no time: it is read all the same. */
const undecoded = ({ megabits, readMs }: FileWork, latencyMs = 0): FetchCost =>
  Object.assign(noWork(), { megabits, readMs, latencyMs });

const unwaited = (fetch: FetchCost): FetchCost => undecoded(fetch, fetch.latencyMs);

/**
 * A set-up's coefficients as if one term of its load took no time: decoding; effects; all layers but one, with the clips
 * that lie on them; scaling and showing. What this would bring says how much of a lag is the film's own in this respect.
 */
export function compileWithoutTerm(state: SetupState, term: LoadTerm, moment: PlayingMoment): Coefficients {
  // `compile` makes all of it anew but for what is fetched. It is changed in place: a changed copy would have a shape of
  // its own, and `evaluate` takes half as long again once it has met several.
  const c: Changeable<Coefficients> = compile(term === 'layers' ? withOneLayer(state) : state, moment);
  const draws: readonly Changeable<Coefficients['draw']>[] = [c.draw, c.moving];
  switch (term) {
    case 'decode':
      c.playing = undecoded(c.playing);
      c.hardwareCopyRefMs = 0;
      for (const name of ['scrub', 'slowScrub', 'cut', 'look', 'thumbnail'] as const) c[name] = unwaited(c[name]);
      return c;
    case 'effects':
      for (const draw of draws) {
        draw.effectsRefMs = 0;
        draw.effectsAtClipRefMs = 0;
        draw.effectMegapixels = 0;
        draw.effectAtClipMegapixels = 0;
      }
      return c;
    case 'layers':
      for (const draw of draws) draw.idleBlendRefMs = 0;
      return c;
    case 'size':
      for (const draw of draws) {
        draw.scaleRefMs = 0;
        draw.showRefMs = 0;
      }
      return c;
    default:
      return term satisfies never;
  }
}

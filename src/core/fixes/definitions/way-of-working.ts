import {
  changeClips,
  withFastMedia,
  withMachine,
  withOneLayer,
  withPreview,
  withSetup,
  withTimeline,
  withTroubles,
} from '../../load/change-state';
import { mayHoldEffects } from '../../load/state-facts';
import type { PictureStream } from '../../load/types';
import { define } from '../define';
import { isLongFilm } from '../fix-traits';
import { conversionMinutes } from '../proxy-work';

/** A section baked into one file of a codec made for editing. */
const bakedOf = (stream: PictureStream, widthPx: number, heightPx: number): PictureStream => ({
  ...stream,
  codec: 'prores',
  bitDepth: 10,
  chroma: '4:2:2',
  widthPx,
  heightPx,
  meanKeyFrameDistanceFrames: 1,
  sizeEvenness: null,
  bitrateMbitPerSec: 1.2 * ((widthPx * heightPx) / 1e6) * stream.frameRateFps,
  hardwareDecode: 'no',
});

/** The order of the work, and how much of it is open at once. */
export const workingFixes = [
  define('import-less', {
    levelsFor: ({ setup }) => setup.timeline.unusedClipCount > 0,
    applyTo: (state) => withTimeline(state, { unusedClipCount: 0 }),
    minutes: 8,
    sacrifice: { functions: 0.1 },
    requires: ['save'],
  }),
  define('trim-first', { levelsFor: () => true, applyTo: (state) => state, minutes: 2 }),
  define('effects-last', {
    levelsFor: ({ setup }) => setup.timeline.effects.length > 0 && !setup.preview.areEffectsBypassed,
    applyTo: (state) => withPreview(state, { areEffectsBypassed: true }),
    minutes: 5,
    sacrifice: { picture: 0.35, functions: 0.3, putBack: 0.6 },
    excludes: ['bypass-effects'],
  }),
  define('share-one-effect', {
    levelsFor: ({ setup }) => setup.timeline.effects.some((effect) => effect.layerCount > 1),
    applyTo: (state) =>
      withTimeline(state, { effects: state.setup.timeline.effects.map((effect) => ({ ...effect, layerCount: 1 })) }),
    minutes: 10,
    sacrifice: { functions: 0.1 },
    requires: ['save'],
  }),
  define('split-timeline', {
    levelsFor: ({ setup }) => setup.clips.length + setup.timeline.unusedClipCount > 40 || isLongFilm(setup.timeline),
    applyTo: (state) => {
      const { lengthMin, unusedClipCount } = state.setup.timeline;
      return withTimeline(
        withSetup(state, { clips: state.setup.clips.slice(0, Math.max(1, Math.ceil(state.setup.clips.length / 2))) }),
        { unusedClipCount: Math.floor(unusedClipCount / 2), lengthMin: lengthMin === null ? null : lengthMin / 2 },
      );
    },
    minutes: 15,
    sacrifice: { functions: 0.25, putBack: 0.4 },
    requires: ['save'],
  }),
  define('bake-section', {
    levelsFor: (state) => mayHoldEffects(state) || state.setup.timeline.videoLayerCount > 1,
    applyTo: (state) => {
      const { widthPx, heightPx } = state.setup.timeline;
      const baked = changeClips(state, `baked ${widthPx} ${heightPx}`, (clip) => ({
        ...clip,
        original: bakedOf(clip.original, widthPx, heightPx),
        proxy: null,
      }));
      return withTimeline(withOneLayer(baked), { effects: [], hasOnlyListedEffects: true });
    },
    minutes: (state) => 10 + conversionMinutes(state, state.setup.clips, 3),
    sacrifice: (state) => ({
      functions: 0.6,
      minutes: Math.min(1, 0.2 + conversionMinutes(state, state.setup.clips, 3) / 60),
      disk: 0.15,
      putBack: 0.7,
    }),
    requires: ['save'],
    excludes: ['make-proxies', 'convert-footage'],
  }),
];

/** What makes only the export quicker; the preview gains nothing by it. */
export const exportFixes = [
  define('render-in-parts', {
    levelsFor: () => true,
    applyTo: (state) => state,
    minutes: 10,
    sacrifice: { functions: 0.1 },
  }),
  define('faster-export-settings', {
    levelsFor: () => true,
    applyTo: (state) => state,
    minutes: 4,
    sacrifice: { picture: 0.05 },
  }),
];

/** Buying comes last, and never into a plan: what it would bring is said beside it. */
export const upgradeFixes = [
  define('upgrade-drive', {
    levelsFor: () => true,
    applyTo: (state) => withTroubles(withFastMedia(state), { cache: 0, systemDrive: 0.3 }),
    minutes: 240,
  }),
  define('upgrade-memory', {
    levelsFor: () => true,
    applyTo: (state) => withMachine(state, { memoryMib: Math.min(4_194_304, state.setup.machine.memoryMib * 2) }),
    minutes: 240,
  }),
  define('upgrade-graphics', {
    levelsFor: ({ setup }) => setup.machine.graphicsRatio < 16,
    applyTo: (state) =>
      withPreview(
        withMachine(state, {
          graphicsRatio: Math.max(16, state.setup.machine.graphicsRatio),
          decodeMegapixelPerSec: Math.max(900, state.setup.machine.decodeMegapixelPerSec),
          graphicsMemoryMib: Math.max(8192, state.setup.machine.graphicsMemoryMib),
          graphicsYear: Math.max(2022, state.setup.machine.graphicsYear),
        }),
        { hardwareDecode: 'yes', graphicsDrawing: 'yes' },
      ),
    minutes: 240,
  }),
];

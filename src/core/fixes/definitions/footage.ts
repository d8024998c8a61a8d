import { changeClips, withHidden, withProjectHeight, withProjectRate } from '../../load/change-state';
import { proxyStreamOf } from '../../load/proxy-stream';
import type { PictureStream, SetupState } from '../../load/types';
import { usualRecipe } from '../../proxies/recipe';
import { define, numberLevel } from '../define';
import { attachWays, type FixLevel } from '../fix-facts';
import { missingLinesRatio } from '../preview-level';
import { clipsForProxies, conversionMinutes, estimateProxyWork } from '../proxy-work';
import type { Sacrifice } from '../types';

const ratioOf = (value: number, most: number): number => Math.min(1, value / most);

const withProxies = (state: SetupState, level: FixLevel): SetupState => {
  const heightPx = numberLevel('make-proxies', level);
  const chosen = clipsForProxies(state, heightPx);
  const isChosen = new Set(chosen);
  const changed = changeClips(state, chosen, (clip) =>
    isChosen.has(clip) ? { ...clip, proxy: proxyStreamOf(clip.original, heightPx) } : clip,
  );
  return withHidden(changed, { areProxiesShown: true, areProxiesAttached: true });
};

function proxySacrifice(state: SetupState, level: FixLevel): Partial<Sacrifice> {
  const heightPx = numberLevel('make-proxies', level);
  const { minutes, gigabytes } = estimateProxyWork(state, heightPx);
  return {
    picture: 0.1 + 0.6 * missingLinesRatio(state, heightPx),
    minutes: ratioOf(minutes, 60),
    disk: ratioOf(gigabytes, 100),
    putBack: 0.5,
  };
}

const hasProxies = ({ setup }: SetupState): boolean => setup.clips.some((clip) => clip.proxy !== null);
const isLong = (stream: PictureStream): boolean => stream.meanKeyFrameDistanceFrames > 1.5;

/** Half of a number of lines, in whole even lines. */
const halfOf = (heightPx: number): number => 2 * Math.round(heightPx / 4);
/** Below these nobody sees what they cut. Assumptions. */
const leastProjectPx = 360;
const leastProjectFps = 12;

/** Megabits a megapixel and frame of footage converted to a codec made for editing. Assumption: a middling grade. */
const editingMegabitPerMegapixel = 1.8;

const convertedOf = (stream: PictureStream): PictureStream => ({
  ...stream,
  codec: 'prores',
  chroma: '4:2:2',
  meanKeyFrameDistanceFrames: 1,
  sizeEvenness: null,
  bitrateMbitPerSec: editingMegabitPerMegapixel * ((stream.widthPx * stream.heightPx) / 1e6) * stream.frameRateFps,
  hardwareDecode: 'no',
});

const gigabytesConverted = ({ setup }: SetupState): number =>
  setup.clips.reduce(
    (sum, { original, durationMs }) =>
      sum + (isLong(original) ? (convertedOf(original).bitrateMbitPerSec * durationMs) / 8e6 : 0),
    0,
  );

const mainOriginal = ({ setup }: SetupState): PictureStream | undefined =>
  setup.clips.reduce<(typeof setup.clips)[number] | undefined>(
    (main, clip) => (clip.durationMs > (main?.durationMs ?? 0) && clip.original.codec !== 'still' ? clip : main),
    undefined,
  )?.original;

/** What the preview decodes, and what it is made to match. */
export const footageFixes = [
  define('show-proxies', {
    levelsFor: hasProxies,
    applyTo: (state) => withHidden(state, { areProxiesShown: true }),
    minutes: 2,
    sacrifice: { picture: 0.1, putBack: 0.4 },
  }),
  define('attach-proxies', {
    levelsFor: (state) => (hasProxies(state) ? attachWays : []),
    applyTo: (state) => withHidden(state, { areProxiesAttached: true, areProxiesShown: true }),
    minutes: (_, level) => (level === 'built-in' ? 5 : level === 'by-name' ? 8 : 12),
    sacrifice: (_, level) => ({
      picture: 0.1,
      putBack: level === 'by-folder-swap' ? 0.8 : 0.5,
      risk: level === 'by-folder-swap' ? 0.1 : 0,
    }),
    requires: ['save'],
  }),
  define('make-proxies', {
    levelsFor: (state) => [720, 540, 360].filter((heightPx) => clipsForProxies(state, heightPx).length > 0),
    applyTo: withProxies,
    // Choosing, attaching, checking that they are shown, and linking the originals again: ten minutes beside the making.
    minutes: (state, level) => 10 + estimateProxyWork(state, numberLevel('make-proxies', level)).minutes,
    sacrifice: proxySacrifice,
    work: (state, level) => estimateProxyWork(state, numberLevel('make-proxies', level)),
    requires: ['save'],
  }),
  define('make-proxies-on-import', {
    levelsFor: (state) => clipsForProxies(state, 540).length > 0,
    // It acts on what will be imported, not on what is on the timeline.
    applyTo: (state) => state,
    minutes: 4,
    sacrifice: { disk: 0.1 },
    // What it would have made of the clips that are here: the next ones are like them.
    work: (state) => estimateProxyWork(state, usualRecipe.lines),
  }),
  define('convert-footage', {
    levelsFor: ({ setup }) => setup.clips.some((clip) => isLong(clip.original)),
    applyTo: (state) =>
      changeClips(state, 'converted', (clip) =>
        isLong(clip.original) ? { ...clip, original: convertedOf(clip.original), proxy: null } : clip,
      ),
    minutes: (state) =>
      10 +
      conversionMinutes(
        state,
        state.setup.clips.filter((clip) => isLong(clip.original)),
        2,
      ),
    sacrifice: (state) => ({
      minutes: ratioOf(conversionMinutes(state, state.setup.clips, 2), 60),
      disk: ratioOf(gigabytesConverted(state), 100),
      risk: 0.1,
    }),
    requires: ['save'],
    excludes: ['make-proxies'],
  }),
  define('match-project-to-clips', {
    levelsFor: (state) => {
      const main = mainOriginal(state);
      const { timeline } = state.setup;
      return main !== undefined && (main.heightPx < timeline.heightPx || main.frameRateFps < timeline.frameRateFps);
    },
    applyTo: (state) => {
      const main = mainOriginal(state);
      return main ? withProjectRate(withProjectHeight(state, main.heightPx), main.frameRateFps) : state;
    },
    minutes: 5,
    sacrifice: { risk: 0.15 },
    requires: ['save'],
  }),
  define('lower-project-size', {
    levelsFor: ({ setup }) => {
      const { heightPx } = setup.timeline;
      const delivered = setup.delivered.heightPx;
      // Below the delivery it is a loan for the time of cutting, put back before export.
      const offered = delivered !== null ? [delivered, halfOf(delivered)] : [1080, 720];
      return offered.filter((candidate) => candidate >= leastProjectPx && candidate < heightPx);
    },
    applyTo: (state, level) => withProjectHeight(state, numberLevel('lower-project-size', level)),
    minutes: 6,
    // For good where the film is delivered so.
    sacrifice: ({ setup }, level) =>
      setup.delivered.heightPx !== null && typeof level === 'number' && level >= setup.delivered.heightPx
        ? { risk: 0.1 }
        : { picture: 0.3, putBack: 0.9, risk: 0.1 },
    requires: ['save'],
    excludes: ['match-project-to-clips'],
  }),
  define('lower-project-rate', {
    levelsFor: ({ setup }) => {
      const delivered = setup.delivered.frameRateFps;
      const offered = delivered !== null ? [delivered, delivered / 2] : [30, 25];
      return offered.filter(
        (candidate) => candidate >= leastProjectFps && candidate < setup.timeline.frameRateFps - 0.1,
      );
    },
    applyTo: (state, level) => withProjectRate(state, numberLevel('lower-project-rate', level)),
    minutes: 6,
    sacrifice: ({ setup }, level) =>
      setup.delivered.frameRateFps !== null && typeof level === 'number' && level >= setup.delivered.frameRateFps
        ? { risk: 0.15 }
        : { picture: 0.3, putBack: 0.9, risk: 0.2 },
    requires: ['save'],
    excludes: ['match-project-to-clips'],
  }),
];

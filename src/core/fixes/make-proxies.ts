import { softwareDecodeMs } from '../load/decode-costs';
import { estimate } from '../load/estimate';
import { threadGainRatio } from '../load/evaluate';
import { middleParameters } from '../load/parameters';
import type { Parameters, PictureStream, SetupClip, SetupState } from '../load/types';
import { usableScrubMs } from '../load/usable';
import { missingLinesRatio } from './preview-level';
import type { FixDefinition, FixLevel } from './types';
import { noSacrifice } from './types';

/** Proxies are H.264 with every frame a key frame: megabits a megapixel and frame at good preview quality. Assumption. */
const proxyMegabitPerMegapixel = 0.8;

/** Writing a proxy beside decoding the original, measured in the browser (ARCHITECTURE.md): 4.2 s against 3.7 s. */
const makingOverDecoding = 1.15;

/** The proxy of a stream: the same shape and rate at a smaller height. */
function proxyOf(original: PictureStream, heightPx: number): PictureStream {
  const widthPx = Math.max(2, 2 * Math.round((original.widthPx * heightPx) / original.heightPx / 2));
  const megapixels = (widthPx * heightPx) / 1e6;
  return {
    codec: 'h264',
    bitDepth: 8,
    chroma: '4:2:0',
    widthPx,
    heightPx,
    frameRateFps: original.frameRateFps,
    bitrateMbitPerSec: proxyMegabitPerMegapixel * megapixels * original.frameRateFps,
    meanKeyFrameDistanceFrames: 1,
    hardwareDecode: 'unknown',
    drive: original.drive,
  };
}

/** Whether reading or decoding this clip alone breaks the budget, or a scrub into it takes longer than is usable. */
function isOverBudget(state: SetupState, clip: SetupClip, middle: Parameters): boolean {
  const alone: SetupState = { ...state, setup: { ...state.setup, clips: [clip] } };
  const { laneMs, scrubMs } = estimate(alone, 'usual', middle);
  const budgetMs = 1000 / state.setup.targetFps;
  return laneMs.decoder > budgetMs || laneMs.drive > budgetMs || scrubMs - laneMs.drawing > usableScrubMs;
}

/** States never change, and levels, effect, effort and sacrifice all ask for the same clips: found once a state. */
const overBudgetClipsOfState = new WeakMap<SetupState, readonly SetupClip[]>();

function overBudgetClips(state: SetupState): readonly SetupClip[] {
  const known = overBudgetClipsOfState.get(state);
  if (known) return known;
  const middle = middleParameters(state.setup.machine);
  const clips = state.setup.clips.filter((clip) => clip.proxy === null && isOverBudget(state, clip, middle));
  overBudgetClipsOfState.set(state, clips);
  return clips;
}

/** The clips that proxies at this height would be made for: over the budget, larger than the proxy, and without one. */
export const clipsForProxies = (state: SetupState, heightPx: number): readonly SetupClip[] =>
  overBudgetClips(state).filter((clip) => clip.original.heightPx > heightPx);

const heightOf = (level: FixLevel): number => {
  if (typeof level !== 'number' || !(level > 0)) throw new Error(`make-proxies: level ${level} is no height`);
  return level;
};

/** What making proxies of these clips takes: minutes on this machine and gigabytes (10^9 bytes) on disk. */
export function estimateProxyWork(
  state: SetupState,
  heightPx: number,
): { readonly clipCount: number; readonly minutes: number; readonly gigabytes: number } {
  const { machine } = state.setup;
  const threadGain = 1 + threadGainRatio * (machine.decodeThreadCount - 1);
  const clips = clipsForProxies(state, heightPx);
  let ms = 0;
  let megabits = 0;
  for (const { original, durationMs } of clips) {
    const frameCount = (durationMs / 1000) * original.frameRateFps;
    const decodeMs = softwareDecodeMs({
      ...original,
      megapixels: (original.widthPx * original.heightPx) / 1e6,
      megabits: original.bitrateMbitPerSec / original.frameRateFps,
    });
    ms += (frameCount * decodeMs * makingOverDecoding) / (machine.coreSpeedRatio * machine.powerRatio * threadGain);
    megabits += (durationMs / 1000) * proxyOf(original, heightPx).bitrateMbitPerSec;
  }
  return { clipCount: clips.length, minutes: ms / 60_000, gigabytes: megabits / 8000 };
}

const ratioOf = (value: number, most: number): number => Math.min(1, value / most);

/** Make small copies of the heavy clips, attach them and show them in the preview. */
export const makeProxies = {
  id: 'make-proxies',
  levelsFor: (state) => [720, 540, 360].filter((heightPx) => clipsForProxies(state, heightPx).length > 0),
  defaultLevel: 540,
  parseLevel: (text) => {
    const heightPx = Number(text);
    return Number.isInteger(heightPx) && heightPx >= 16 && heightPx <= 4320 ? heightPx : null;
  },
  applyTo: (state, level) => {
    const heightPx = heightOf(level);
    const chosen = new Set(clipsForProxies(state, heightPx).map((clip) => clip.id));
    const clips = state.setup.clips.map((clip) =>
      chosen.has(clip.id) ? { ...clip, proxy: proxyOf(clip.original, heightPx) } : clip,
    );
    return { setup: { ...state.setup, clips }, hidden: { ...state.hidden, areProxiesShown: true } };
  },
  // Choosing, attaching, checking that they are shown, and linking the originals again: ten minutes beside the making.
  effortMinutes: (state, level) => 10 + estimateProxyWork(state, heightOf(level)).minutes,
  sacrifice: (state, level) => {
    const { minutes, gigabytes } = estimateProxyWork(state, heightOf(level));
    return {
      ...noSacrifice,
      picture: 0.1 + 0.6 * missingLinesRatio(state, heightOf(level)),
      minutes: ratioOf(minutes, 60),
      disk: ratioOf(gigabytes, 100),
      putBack: 0.5,
    };
  },
  putBack: 'export',
  requires: ['save'],
  excludes: [],
} as const satisfies FixDefinition;

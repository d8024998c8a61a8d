import { threadGainRatio } from '../load/conditions';
import { softwareDecodeMs } from '../load/decode-costs';
import { scaleMs } from '../load/effect-costs';
import { drawnLayerCount } from '../load/preview-picture';
import { proxyStreamOf } from '../load/proxy-stream';
import type { PictureStream, SetupClip, SetupState } from '../load/types';
import { linesOf } from '../proxies/recipe';
import { usableScrubMs } from '../usable/limits';
import type { FixWork } from './types';

/** Writing a proxy beside decoding the original, measured in the browser (docs/model.md): 4.2 s against 3.7 s. */
export const makingOverDecoding = 1.15;

/** Reference milliseconds of decoding one frame of a stream in software. */
const decodeRefMs = (stream: PictureStream): number =>
  softwareDecodeMs({
    ...stream,
    megapixels: (stream.widthPx * stream.heightPx) / 1e6,
    megabits: stream.bitrateMbitPerSec / stream.frameRateFps,
  });

/** Cores' worth of decoding on this machine at its stated speed. */
const decodeSpeedOf = ({ machine }: SetupState['setup']): number =>
  machine.coreSpeedRatio * machine.powerRatio * (1 + threadGainRatio * (machine.decodeThreadCount - 1));

/** Megapixels a second that the graphics decode, as they were seen to, or as their kind does. */
const hardwareRateOf = ({ machine }: SetupState['setup']): number =>
  machine.seenDecodeMegapixelPerSec ?? machine.decodeMegapixelPerSec;

/** What a clip takes on this machine by what is set, stated and measured only, never by what is supposed of hidden troubles. */
export interface ClipLoad {
  /** Decoding, or reading where that takes longer, for each picture shown, by as many clips like it as are drawn at once. */
  readonly pictureMs: number;
  /** What a picture may take at the target rate. */
  readonly budgetMs: number;
  /** From asking for a place to its picture, by as many clips. */
  readonly jumpMs: number;
}

/** What a clip takes by its original. */
export function loadOfClip({ setup }: SetupState, { original }: SetupClip): ClipLoad {
  const hardwareRate = hardwareRateOf(setup);
  const isHardware = setup.preview.hardwareDecode === 'yes' && original.hardwareDecode === 'yes' && hardwareRate > 0;
  const frameMs = isHardware
    ? (original.widthPx * original.heightPx) / 1e3 / hardwareRate
    : decodeRefMs(original) / decodeSpeedOf(setup);
  const readMs = (original.bitrateMbitPerSec / original.frameRateFps / 8 / original.drive.readMegabytePerSec) * 1000;
  const perShown = Math.max(1, original.frameRateFps / setup.timeline.frameRateFps);
  const jumpMs = original.drive.latencyMs + ((original.meanKeyFrameDistanceFrames + 1) / 2) * (frameMs + readMs);
  const layerCount = drawnLayerCount(setup.timeline);
  return {
    pictureMs: Math.max(frameMs, readMs) * perShown * layerCount,
    budgetMs: 1000 / setup.targetFps,
    jumpMs: jumpMs * layerCount,
  };
}

/** What a still takes: nothing but scaling it to the timeline on a core, for each picture that shows it. */
export function loadOfStill({ setup }: SetupState, { original }: SetupClip): ClipLoad {
  const { widthPx, heightPx } = setup.timeline;
  const scaledMs = scaleMs((original.widthPx * original.heightPx) / 1e6, (widthPx * heightPx) / 1e6);
  const { coreSpeedRatio, powerRatio } = setup.machine;
  return { pictureMs: scaledMs / (coreSpeedRatio * powerRatio), budgetMs: 1000 / setup.targetFps, jumpMs: 0 };
}

/**
 * Whether a clip breaks the budget, or a scrub into it takes longer than is usable: the clips to make proxies of must be the
 * same ones whatever the cause turns out to be.
 */
function isOverBudget(state: SetupState, clip: SetupClip): boolean {
  const { pictureMs, budgetMs, jumpMs } = loadOfClip(state, clip);
  return pictureMs > budgetMs || jumpMs > usableScrubMs;
}

/** Lists of clips never change: those over the budget are found once for a list and a machine. */
const overBudgetOf = new WeakMap<readonly SetupClip[], Map<string, readonly SetupClip[]>>();

function overBudgetClips(state: SetupState): readonly SetupClip[] {
  const { clips, preview, targetFps, timeline } = state.setup;
  const key = [
    decodeSpeedOf(state.setup),
    hardwareRateOf(state.setup),
    preview.hardwareDecode,
    targetFps,
    timeline.frameRateFps,
    drawnLayerCount(timeline),
  ].join();
  const ofClips = overBudgetOf.get(clips) ?? new Map<string, readonly SetupClip[]>();
  overBudgetOf.set(clips, ofClips);
  const found = ofClips.get(key) ?? clips.filter((clip) => clip.proxy === null && isOverBudget(state, clip));
  ofClips.set(key, found);
  return found;
}

const clipsAtHeight = new WeakMap<readonly SetupClip[], Map<number, readonly SetupClip[]>>();

/**
 * The clips that proxies at this height would be made for: over the budget, larger than the proxy, and without one. The
 * very same list where nothing differs.
 */
export function clipsForProxies(state: SetupState, heightPx: number): readonly SetupClip[] {
  const heavy = overBudgetClips(state);
  const ofHeavy = clipsAtHeight.get(heavy) ?? new Map<number, readonly SetupClip[]>();
  clipsAtHeight.set(heavy, ofHeavy);
  const found =
    ofHeavy.get(heightPx) ?? heavy.filter(({ original }) => linesOf(original) > heightPx && original.codec !== 'still');
  ofHeavy.set(heightPx, found);
  return found;
}

const decodingRefMs = new WeakMap<readonly SetupClip[], number>();

/** Reference milliseconds of decoding all frames of clips once; worked out once for a list. */
function decodingRefMsOf(clips: readonly SetupClip[]): number {
  const known = decodingRefMs.get(clips);
  if (known !== undefined) return known;
  const sum = clips.reduce(
    (total, { original, durationMs }) => total + (durationMs / 1000) * original.frameRateFps * decodeRefMs(original),
    0,
  );
  decodingRefMs.set(clips, sum);
  return sum;
}

/** Minutes that this machine needs to go through all frames of clips once, times `overDecoding`. */
export const conversionMinutes = (state: SetupState, clips: readonly SetupClip[], overDecoding: number): number =>
  (decodingRefMsOf(clips) * overDecoding) / decodeSpeedOf(state.setup) / 60_000;

/** What making proxies of these clips takes: minutes on this machine and gigabytes (10^9 bytes) on disk. */
export function estimateProxyWork(state: SetupState, heightPx: number): FixWork {
  const clips = clipsForProxies(state, heightPx);
  const megabits = clips.reduce(
    (sum, { original, durationMs }) => sum + (durationMs / 1000) * proxyStreamOf(original, heightPx).bitrateMbitPerSec,
    0,
  );
  return {
    clipCount: clips.length,
    fromLines: clips.reduce(
      (least, { original }) => Math.min(least, linesOf(original)),
      clips[0] ? linesOf(clips[0].original) : 0,
    ),
    minutes: conversionMinutes(state, clips, makingOverDecoding),
    gigabytes: megabits / 8000,
  };
}

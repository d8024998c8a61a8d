import { canLikelyDecodeInHardware } from '../machine/hardware-decode';
import { softwareDecodeMs } from './decode-costs';
import { hardwareCopyMsPerMegapixel } from './effect-costs';
import type { PictureStream, Setup, SetupClip, SetupMachine, SetupState } from './types';

/** Getting pictures out of a file: reading at the drive's stated speed, decoding on the reference core or the graphics. */
export interface FileWork {
  readonly megabits: number;
  readonly readMs: number;
  /** Software decoding that no hardware here can take over. */
  readonly softwareOnlyRefMs: number;
  /** Software decoding that hardware could take over, and what it would then need. */
  readonly hardwareAbleRefMs: number;
  readonly hardwareMs: number;
}

/** The same, with the wait before a read begins. */
export interface FetchCost extends FileWork {
  readonly latencyMs: number;
}

/** What one clip needs, on the reference core where it is core time. */
export interface ClipCost {
  /** For one shown frame while playing. */
  readonly playing: FileWork;
  /** For one picture of the file by itself. */
  readonly picture: FileWork;
  /** On the way to a picture that is jumped to, from its key frame on, on average. */
  readonly way: FileWork;
  readonly hardwareCopyMs: number;
  /** The wait before a read from its drive begins. */
  readonly latencyMs: number;
  readonly megapixels: number;
}

/** Adds a work so many times to a sum. */
export function addTo(sum: { -readonly [K in keyof FileWork]: number }, work: FileWork, count: number): void {
  sum.megabits += work.megabits * count;
  sum.readMs += work.readMs * count;
  sum.softwareOnlyRefMs += work.softwareOnlyRefMs * count;
  sum.hardwareAbleRefMs += work.hardwareAbleRefMs * count;
  sum.hardwareMs += work.hardwareMs * count;
}

/** A sum to begin with. */
export const noWork = (): { -readonly [K in keyof FetchCost]: number } => ({
  megabits: 0,
  readMs: 0,
  softwareOnlyRefMs: 0,
  hardwareAbleRefMs: 0,
  hardwareMs: 0,
  latencyMs: 0,
});

/** Several works added up, each so many times. */
export function addWork(costs: readonly (readonly [work: FileWork, count: number])[]): FileWork {
  const sum = noWork();
  for (const [work, count] of costs) addTo(sum, work, count);
  return sum;
}

/** Several pictures fetched for one, each so many times: their work adds up, their drives are waited for at once. */
export function addFetches(costs: readonly (readonly [fetch: FetchCost, count: number])[]): FetchCost {
  const sum = noWork();
  for (const [fetch, count] of costs) {
    if (count <= 0) continue;
    addTo(sum, fetch, count);
    sum.latencyMs = Math.max(sum.latencyMs, fetch.latencyMs);
  }
  return sum;
}

/** A jump to the middle between two key frames, or to another part of the way there. */
export function jumpTo({ picture, way, latencyMs }: ClipCost, wayRatio = 1): FetchCost {
  const sum = noWork();
  addTo(sum, picture, 1);
  addTo(sum, way, wayRatio);
  sum.latencyMs = latencyMs;
  return sum;
}

/** Whether the graphics of this machine take over decoding such a stream. */
const isHardwareAbleOn = (stream: PictureStream, machine: SetupMachine): boolean => {
  const isAble =
    stream.hardwareDecode === 'yes' ||
    (stream.hardwareDecode === 'unknown' && canLikelyDecodeInHardware(stream, machine.graphicsYear));
  return machine.decodeMegapixelPerSec > 0 && isAble;
};

const megapixelsOf = (stream: PictureStream): number => (stream.widthPx * stream.heightPx) / 1e6;

/** Whether the preview shows proxies where there are any: they are attached, shown, and its quality is low enough for them. */
export const showsProxies = ({ setup, hidden }: SetupState): boolean =>
  hidden.areProxiesShown && hidden.areProxiesAttached && setup.preview.qualityRatio <= hidden.proxiesUpToRatio;

/** What the preview decodes for this clip. */
export const shownStreamOf = (clip: SetupClip, areProxiesShown: boolean): PictureStream =>
  clip.proxy && areProxiesShown ? clip.proxy : clip.original;

/**
 * The cost of a stream.
 * A clip faster than the timeline is decoded at its own rate: two frames for each one shown at double the rate.
 */
export function costOfStream(stream: PictureStream, machine: SetupMachine, timelineFps: number): ClipCost {
  const megapixels = megapixelsOf(stream);
  const megabits = stream.bitrateMbitPerSec / stream.frameRateFps;
  const framesPerShown = Math.max(1, stream.frameRateFps / timelineFps);
  const softwareMs = softwareDecodeMs({ ...stream, megapixels, megabits });
  const isHardwareAble = isHardwareAbleOn(stream, machine);
  const picture: FileWork = {
    megabits,
    readMs: (megabits * 1000) / (stream.drive.readMegabytePerSec * 8),
    softwareOnlyRefMs: isHardwareAble ? 0 : softwareMs,
    hardwareAbleRefMs: isHardwareAble ? softwareMs : 0,
    hardwareMs: isHardwareAble ? (1000 * megapixels) / machine.decodeMegapixelPerSec : 0,
  };
  return {
    playing: addWork([[picture, framesPerShown]]),
    picture,
    // Half of the pictures between two key frames.
    way: addWork([[picture, Math.max(0, stream.meanKeyFrameDistanceFrames - 1) / 2]]),
    hardwareCopyMs: isHardwareAble ? hardwareCopyMsPerMegapixel * megapixels : 0,
    latencyMs: stream.drive.latencyMs,
    megapixels,
  };
}

/** A drive of middling speed, for ranking only. */
const rankingMegabitPerMs = 1;

/**
 * Milliseconds by which work on files is ranked: decoding on the reference core, and reading from a middling drive. It
 * asks what decodes, never how fast this machine is: otherwise a faster drive or core could make another stretch count
 * as the heaviest, and seem to lower the rate.
 */
export function rankingMsOf(
  work: FileWork,
  { preview }: Setup,
): { readonly decodeMs: number; readonly readMs: number } {
  const isHardware = preview.hardwareDecode === 'yes' && work.hardwareMs > 0;
  return {
    decodeMs: isHardware ? work.hardwareMs : work.softwareOnlyRefMs + work.hardwareAbleRefMs,
    readMs: work.megabits / rankingMegabitPerMs,
  };
}

/** A clip's cost, and how much of the footage it is. */
export interface WeightedCost {
  readonly cost: ClipCost;
  readonly weight: number;
}

/** The mean of several costs, weighted; all zero where nothing has weight. One pass: it runs for every set-up weighed. */
export function meanCost(costs: readonly WeightedCost[]): ClipCost {
  const [playing, picture, way] = [noWork(), noWork(), noWork()];
  const mean = { playing, picture, way, hardwareCopyMs: 0, latencyMs: 0, megapixels: 0 };
  let total = 0;
  for (const { weight } of costs) total += weight;
  if (total <= 0) return mean;
  for (const { cost, weight } of costs) {
    const share = weight / total;
    addTo(playing, cost.playing, share);
    addTo(picture, cost.picture, share);
    addTo(way, cost.way, share);
    mean.hardwareCopyMs += cost.hardwareCopyMs * share;
    mean.latencyMs += cost.latencyMs * share;
    mean.megapixels += cost.megapixels * share;
  }
  return mean;
}

/** With the time by which it is ranked. */
export interface RankedCost extends WeightedCost {
  readonly rankingMs: number;
}

/** The dearest costs that make up `ratio` of all the weight; the last one counts only as far as it is needed. */
export function heaviestShare(costs: readonly RankedCost[], ratio: number): readonly WeightedCost[] {
  const total = costs.reduce((sum, ranked) => sum + ranked.weight, 0);
  const taken: WeightedCost[] = [];
  let left = total * ratio;
  for (const ranked of [...costs].sort((a, b) => b.rankingMs - a.rankingMs)) {
    if (left <= 0) break;
    taken.push({ cost: ranked.cost, weight: Math.min(ranked.weight, left) });
    left -= ranked.weight;
  }
  return taken;
}

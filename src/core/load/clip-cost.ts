import { canLikelyDecodeInHardware } from '../machine/hardware-decode';
import { softwareDecodeMs } from './decode-costs';
import { hardwareCopyMsPerMegapixel, scaleMsPerSourceMegapixel } from './effect-costs';
import type { Hidden, PictureStream, Setup, SetupClip, SetupMachine } from './types';

/** What one shown frame of one clip needs, on the reference core where it is core time. */
export interface ClipCost {
  /** Software decoding that no hardware here can take over. */
  readonly softwareOnlyMs: number;
  /** Software decoding that hardware could take over, and what it would then need. */
  readonly hardwareAbleMs: number;
  readonly hardwareMs: number;
  readonly hardwareCopyMs: number;
  readonly readMegabit: number;
  /** Reading it from its drive, at the drive's stated speed. */
  readonly readMs: number;
  /** The wait before a read there begins. */
  readonly latencyMs: number;
  readonly scaleMs: number;
  readonly megapixels: number;
  /** Frames that a scrub to a random place decodes before it can show one. */
  readonly scrubFrames: number;
}

/** Whether the graphics of this machine take over decoding such a stream. */
const isHardwareAbleOn = (stream: PictureStream, machine: SetupMachine): boolean => {
  const isAble =
    stream.hardwareDecode === 'yes' ||
    (stream.hardwareDecode === 'unknown' && canLikelyDecodeInHardware(stream, machine.graphicsYear));
  return machine.decodeMegapixelPerSec > 0 && isAble;
};

const megapixelsOf = (stream: PictureStream): number => (stream.widthPx * stream.heightPx) / 1e6;

/** What the preview decodes for this clip. */
export const shownStreamOf = (clip: SetupClip, hidden: Hidden): PictureStream =>
  clip.proxy && hidden.areProxiesShown && hidden.areProxiesAttached ? clip.proxy : clip.original;

/**
 * The cost of one shown frame of a stream.
 * A clip faster than the timeline is decoded at its own rate: two frames for each one shown at double the rate.
 */
export function costOfStream(stream: PictureStream, machine: SetupMachine, timelineFps: number): ClipCost {
  const megapixels = megapixelsOf(stream);
  const megabits = stream.bitrateMbitPerSec / stream.frameRateFps;
  const framesPerShown = Math.max(1, stream.frameRateFps / timelineFps);
  const softwareMs = softwareDecodeMs({ ...stream, megapixels, megabits }) * framesPerShown;
  const isHardwareAble = isHardwareAbleOn(stream, machine);
  return {
    softwareOnlyMs: isHardwareAble ? 0 : softwareMs,
    hardwareAbleMs: isHardwareAble ? softwareMs : 0,
    hardwareMs: isHardwareAble ? (1000 * megapixels * framesPerShown) / machine.decodeMegapixelPerSec : 0,
    hardwareCopyMs: isHardwareAble ? hardwareCopyMsPerMegapixel * megapixels : 0,
    readMegabit: megabits * framesPerShown,
    readMs: (megabits * framesPerShown * 1000) / (stream.drive.readMegabytePerSec * 8),
    latencyMs: stream.drive.latencyMs,
    scaleMs: scaleMsPerSourceMegapixel * megapixels,
    megapixels,
    // From the last key frame, on average half way to the next, the wanted frame included.
    scrubFrames: (stream.meanKeyFrameDistanceFrames + 1) / 2 / framesPerShown,
  };
}

/** A drive of middling speed, for ranking only. */
const rankingMegabitPerSec = 1000;

/**
 * Milliseconds by which clips are ranked: the slower of decoding on the reference core and reading from a middling
 * drive. It asks what decodes the clip, never how fast this machine is: otherwise a faster drive or core could make
 * another stretch count as the heaviest, and seem to lower the rate.
 */
export function rankingMsOf(cost: ClipCost, setup: Setup): number {
  const isHardware = setup.preview.hardwareDecode === 'yes' && cost.hardwareMs > 0;
  const decodeMs = isHardware ? cost.hardwareMs + cost.hardwareCopyMs : cost.softwareOnlyMs + cost.hardwareAbleMs;
  return Math.max(decodeMs, (cost.readMegabit / rankingMegabitPerSec) * 1000);
}

/** The mean of several costs, weighted; all zero where nothing has weight. One pass: it runs for every set-up weighed. */
export function meanCost(parts: readonly { readonly cost: ClipCost; readonly weight: number }[]): ClipCost {
  const mean = {
    softwareOnlyMs: 0,
    hardwareAbleMs: 0,
    hardwareMs: 0,
    hardwareCopyMs: 0,
    readMegabit: 0,
    readMs: 0,
    latencyMs: 0,
    scaleMs: 0,
    megapixels: 0,
    scrubFrames: 0,
  } satisfies ClipCost;
  let total = 0;
  for (const part of parts) total += part.weight;
  if (total <= 0) return mean;
  for (const { cost, weight } of parts) {
    const share = weight / total;
    mean.softwareOnlyMs += cost.softwareOnlyMs * share;
    mean.hardwareAbleMs += cost.hardwareAbleMs * share;
    mean.hardwareMs += cost.hardwareMs * share;
    mean.hardwareCopyMs += cost.hardwareCopyMs * share;
    mean.readMegabit += cost.readMegabit * share;
    mean.readMs += cost.readMs * share;
    mean.latencyMs += cost.latencyMs * share;
    mean.scaleMs += cost.scaleMs * share;
    mean.megapixels += cost.megapixels * share;
    mean.scrubFrames += cost.scrubFrames * share;
  }
  return mean;
}

/** The dearest parts that make up `ratio` of all the weight; the last one counts only as far as it is needed. */
export function heaviestShare(
  parts: readonly { readonly cost: ClipCost; readonly weight: number; readonly rankingMs: number }[],
  ratio: number,
): readonly { readonly cost: ClipCost; readonly weight: number }[] {
  const total = parts.reduce((sum, part) => sum + part.weight, 0);
  const taken: { readonly cost: ClipCost; readonly weight: number }[] = [];
  let left = total * ratio;
  for (const part of [...parts].sort((a, b) => b.rankingMs - a.rankingMs)) {
    if (left <= 0) break;
    taken.push({ cost: part.cost, weight: Math.min(part.weight, left) });
    left -= part.weight;
  }
  return taken;
}

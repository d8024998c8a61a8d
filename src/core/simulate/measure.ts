import { percentileOfSorted } from '../numbers/percentile';
import { createRandom, type Random } from '../numbers/random';
import { coreSpeedNow, play } from './play';
import type { Rig, RigOutcome, RigStream } from './types';
import {
  drawSpeed,
  drawWorkMs,
  isDrawnOnGraphics,
  isHardwareDecoded,
  memorySlowness,
  piecesOn,
  previewMegapixels,
  softwareWorkMs,
  usedStream,
} from './work';

/** How long a preview is watched for one figure. */
const watchedMs = 20_000;
const jumpCount = 20;
/** From the hand on the playhead to the first work on a picture. */
const handMs = 18;

/** Cores left to the editor on average. */
const freeCores = (rig: Rig): number => {
  const programs = rig.programs.reduce((sum, program) => sum + program.busyCores, 0);
  return Math.max(0.3, rig.coreCount - programs - rig.faults.unlistedCores - rig.faults.buildCores);
};

/** How many times faster than one core a burst of decoding goes. */
const burstGain = (rig: Rig): number => Math.min(freeCores(rig), 1 + 0.75 * (Math.min(rig.threadCount, 16) - 1));

/** What it takes until a picture some frames after a key frame stands, in milliseconds. */
interface Reach {
  readonly readMs: number;
  readonly coreMs: number;
  readonly hardwareMs: number;
}

/** What it takes to the picture `framesBefore` frames after a key frame, decoding from there. */
function reach(rig: Rig, stream: RigStream, framesBefore: number, pictures: number): Reach {
  const coreSpeed = coreSpeedNow(rig, false);
  const isHardware = isHardwareDecoded(rig, stream);
  const frames = framesBefore + 1;
  const megabits = stream.megabitsPerFrame * frames * pictures;
  const { drive } = stream;
  const readMs =
    drive.seekMs + (megabits / 8 / (drive.megabytePerSec * rig.faults.driveShare * rig.quirks.drive)) * 1000;
  return {
    readMs,
    coreMs: isHardware
      ? 0
      : (softwareWorkMs(stream) * rig.quirks.decode * frames * pictures) / coreSpeed / burstGain(rig),
    hardwareMs: isHardware
      ? ((1000 * stream.megapixels * frames * pictures) / rig.graphics.decodeMegapixelPerSec) *
        rig.faults.hardwareSlowdown
      : 0,
  };
}

const noReach: Reach = { readMs: 0, coreMs: 0, hardwareMs: 0 };
const msOf = ({ readMs, coreMs, hardwareMs }: Reach): number => readMs + coreMs + hardwareMs;
const reachMs = (...of: Parameters<typeof reach>): number => msOf(reach(...of));

const slowness = (rig: Rig): number => memorySlowness(rig) * (1 + rig.faults.systemDriveStall);

/** The clip at a random place of the film: long ones are met more often. */
function pickClip({ clips }: Rig, random: Random): Rig['clips'][number] {
  let left = random.next() * clips.reduce((sum, { seconds }) => sum + seconds, 0);
  const met = clips.find(({ seconds }) => {
    left -= seconds;
    return left < 0;
  });
  return met ?? random.pick(clips);
}

/** One jump: how long the hand waits, and how much of that the drive and the cores are at work. */
interface Jump {
  readonly waitMs: number;
  readonly driveMs: number;
  readonly coreMs: number;
}

/** Twenty jumps to random places of the film, the shortest first. */
function listJumps(rig: Rig, random: Random): readonly Jump[] {
  // Jumps go anywhere, and most of the film is not pre-rendered.
  const preview = { ...rig.preview, ratio: Math.min(rig.preview.ratio, rig.preview.movingRatio), isRendered: false };
  const moving: Rig = { ...rig, preview };
  return Array.from({ length: jumpCount }, () => {
    const clip = pickClip(rig, random);
    const stream = usedStream(rig, clip);
    const pictures = rig.timeline.layerCount + rig.timeline.coveredLayerCount;
    const before = Math.floor(random.next() * stream.keyEveryFrames);
    const panel = rig.faults.isPanelOnOriginals
      ? reach(rig, clip.original, Math.floor(random.next() * clip.original.keyEveryFrames), 1)
      : noReach;
    const drawMs =
      (drawWorkMs(moving, stream) * rig.quirks.draw) /
      drawSpeed(moving, coreSpeedNow(rig, false) * Math.min(1, freeCores(rig)));
    const reached = reach(rig, stream, before, pictures);
    const otherMs = drawMs + rig.faults.cacheWaitMs * 2 + rig.faults.oddMs;
    // No two jumps are alike, in all that they take.
    const luck = random.between(0.92, 1.08);
    return {
      waitMs: luck * (handMs + msOf(reached) + msOf(panel) + otherMs) * slowness(rig),
      driveMs: luck * (reached.readMs + panel.readMs),
      coreMs: luck * (reached.coreMs + panel.coreMs + (isDrawnOnGraphics(rig) ? 0 : drawMs)),
    };
  }).sort((a, b) => a.waitMs - b.waitMs);
}

const waitsOf = (jumps: readonly Jump[]): readonly number[] => jumps.map(({ waitMs }) => waitMs);

/** Share of all waiting that something of each jump makes up. */
const shareOfWaits = (jumps: readonly Jump[], pick: (jump: Jump) => number): number =>
  jumps.reduce((sum, jump) => sum + pick(jump), 0) / jumps.reduce((sum, { waitMs }) => sum + waitMs, 0);

/** Seconds of opening: a table of contents, a picture and a wave form for every clip. */
function openingSec(rig: Rig): number {
  const count = rig.clips.length + rig.unusedClipCount;
  const original = rig.clips[0]?.original;
  if (!original) throw new Error('openingSec: a rig without clips');
  const pictureMs = rig.areThumbnailsMade
    ? reachMs(rig, original, original.keyEveryFrames / 4, 1) +
      90 / coreSpeedNow(rig, false) / Math.min(1, freeCores(rig))
    : 0;
  const indexMs = 14 + 3 * original.drive.seekMs + 2.5 * rig.faults.cacheWaitMs + 3 * rig.cacheDrive.seekMs;
  const startMs = 5000 / Math.min(1, coreSpeedNow(rig, false)) + 300 * rig.systemDrive.seekMs;
  const piecesMs = (8 * piecesOn(rig)) / coreSpeedNow(rig, false);
  return ((startMs + count * (pictureMs + indexMs) + piecesMs) * slowness(rig) * rig.quirks.opening) / 1000;
}

/** Milliseconds for which the picture stands at a cut, on average: what reading and decoding ahead do not hide. */
function cutFreezeMs(rig: Rig): number {
  const clip = rig.clips.reduce((heaviest, other) =>
    softwareWorkMs(usedStream(rig, other)) * usedStream(rig, other).keyEveryFrames >
    softwareWorkMs(usedStream(rig, heaviest)) * usedStream(rig, heaviest).keyEveryFrames
      ? other
      : heaviest,
  );
  const stream = usedStream(rig, clip);
  const openMs = rig.areFilesKeptOpen ? 0 : 12 + stream.drive.seekMs * 2;
  const reached = reachMs(rig, stream, stream.keyEveryFrames / 2, rig.timeline.layerCount) + openMs;
  const aheadFrames = rig.design === 'in-turn' || rig.design === 'computing-first' ? 0 : 6;
  return Math.max(0, reached - (aheadFrames * 1000) / rig.timeline.fps) * slowness(rig);
}

/** The rig as a plain player meets it, with the editor closed: it lets the graphics decode, and has threads of its own. */
const plainPlayer = (rig: Rig): Rig => ({
  ...rig,
  isDecodingOnGraphics: true,
  threadCount: rig.coreCount,
  faults: { ...rig.faults, buildCores: 0 },
});

/** Everything that somebody with a stop watch would find on this rig. The same seed gives the same figures. */
export function measureRig(rig: Rig, seed: number): RigOutcome {
  const now = play(rig, createRandom(seed), watchedMs);
  const later = rig.faults.heatShare < 1 ? play(rig, createRandom(seed + 1), watchedMs, true) : now;
  const jumps = listJumps(rig, createRandom(seed + 2));
  const waits = waitsOf(jumps);
  const looking = listJumps(
    {
      ...rig,
      timeline: { ...rig.timeline, layerCount: 1, coveredLayerCount: 0, titleCount: 0, effects: [] },
      faults: { ...rig.faults, isPanelOnOriginals: false },
    },
    createRandom(seed + 3),
  );
  if (rig.clips.length === 0) throw new Error('measureRig: a rig without clips');
  const plain = plainPlayer(rig);
  const plainMs = (stream: RigStream): number => reachMs(plain, stream, 0, 1) - stream.drive.seekMs;
  const bytesPerFrame = previewMegapixels(rig) * 4e6 * rig.preview.depthRatio;
  return {
    shownFps: rateOf(now.shownAtMs),
    laterFps: rateOf(later.shownAtMs),
    longestFreezeMs: longestOf(now.shownAtMs),
    shownAtMs: now.shownAtMs,
    laterShownAtMs: later.shownAtMs,
    scrubMs: percentileOfSorted(waits, 0.5),
    scrubSlowTenthMs: percentileOfSorted(waits, 0.9),
    lookMs: percentileOfSorted(waitsOf(looking), 0.5),
    jumpDriveRatio: shareOfWaits(jumps, ({ driveMs }) => driveMs),
    jumpCoreRatio: shareOfWaits(jumps, ({ coreMs }) => coreMs),
    openingSec: openingSec(rig),
    cutFreezeMs: cutFreezeMs(rig),
    fitSec:
      rig.design === 'computing-first'
        ? Math.min(3600, (rig.previewMemoryMib * 2 ** 20) / (bytesPerFrame * rig.timeline.fps))
        : 3600,
    coreUseRatio: now.coreUseRatio,
    editorCores: now.editorCores,
    driveUseRatio: now.driveUseRatio,
    graphicsUseRatio: now.graphicsUseRatio,
    plainPlayerRatio: Math.min(
      4,
      ...rig.clips.map(({ original }) => 1000 / original.fps / Math.max(0.01, plainMs(original))),
    ),
  };
}

/** Frames a second between the first and the last new picture that was shown. */
export function rateOf(shownAtMs: readonly number[]): number {
  const [first, last] = [shownAtMs[0], shownAtMs.at(-1)];
  if (first === undefined || last === undefined || last <= first) return 1000 / watchedMs;
  return ((shownAtMs.length - 1) * 1000) / (last - first);
}

const longestOf = (shownAtMs: readonly number[]): number =>
  shownAtMs.reduce((longest, atMs, i) => Math.max(longest, i === 0 ? 0 : atMs - (shownAtMs[i - 1] as number)), 0);

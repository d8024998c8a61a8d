import type { CardClip } from '../../card/types';
import { createRandom, type Random } from '../../numbers/random';
import type { DecodeRun, DecodeTest, DecodeWay, FileRead } from '../../test-play/types';
import type { Rig, RigStream } from '../types';
import { softwareWorkMs } from '../work';
import type { Person } from './person';

/** How much one test-play differs from the next on the same machine. */
const spread = 0.05;
/** A browser's decoder uses no more threads than this. */
const mostThreads = 8;
/** What comes as quickly is not told from memory, in which a file lies that was played lately. */
const mostTold = 350;
const inMemoryRatio = 0.15;

/** Cores that other programs leave while the editor stands idle. */
const coresLeft = (rig: Rig): number =>
  Math.max(
    0.3,
    rig.coreCount - rig.programs.reduce((sum, { busyCores }) => sum + busyCores, 0) - rig.faults.unlistedCores,
  );

/** Smaller files say nothing of a drive. */
const leastFileBytes = 24e6;

/** How quickly a clip's file is read; null where it is too small. */
function readFile(rig: Rig, { drive }: RigStream, sizeBytes: number, random: Random): FileRead | null {
  if (sizeBytes < leastFileBytes) return null;
  const given = drive.megabytePerSec * rig.faults.driveShare * rig.quirks.drive * random.factor(spread);
  const isAtLeast = random.isTrue(inMemoryRatio) || given >= mostTold;
  return { megabytePerSec: isAtLeast ? mostTold : given, isAtLeast, smallPieceMs: null };
}

/** What somebody finds who lets a clip of theirs be read and decoded outside of the editor; null where it is no video. */
export function playClip(
  person: Person,
  rig: Rig,
  clip: CardClip,
  { index, nowMs }: { readonly index: number; readonly nowMs: number },
): DecodeTest | null {
  const { facts } = clip;
  const stream = rig.clips[index]?.original;
  if (facts.kind !== 'video' || !stream) return null;
  const random = createRandom(person.seed + 104_729 * (index + 1));
  const oneFps = (1000 * rig.coreSpeed * rig.faults.powerShare) / (softwareWorkMs(stream) * rig.quirks.decode);
  const gain = 1 + 0.75 * (Math.min(rig.coreCount, mostThreads) - 1);
  const isHardware = stream.canHardware && rig.graphics.decodeMegapixelPerSec > 0;
  const hardwareFps = rig.graphics.decodeMegapixelPerSec / rig.faults.hardwareSlowdown / stream.megapixels;
  const runOf = (way: DecodeWay, isOneByOne: boolean, fps: number): DecodeRun => {
    const decodedFps = fps * random.factor(spread);
    const frameCount = 90;
    return {
      way,
      isOneByOne,
      drawnHeightPx: null,
      frameCount,
      elapsedMs: (frameCount * 1000) / decodedFps,
      decodedFps,
      droppedCount: 0,
    };
  };
  const looseFps = oneFps * Math.min(gain, coresLeft(rig));
  const isDecoded = clip.browserAnswer !== null && clip.browserAnswer.hardware !== 'codec-unknown';
  const runs = isDecoded
    ? [
        runOf('software', false, looseFps),
        runOf('software', true, oneFps * Math.min(1, coresLeft(rig))),
        ...(isHardware ? [runOf('hardware', false, hardwareFps)] : []),
      ]
    : [];
  return {
    id: `test-play-${index + 1}`,
    clipId: clip.id,
    fileName: facts.fileName,
    takenAtMs: nowMs,
    stream: {
      codec: facts.codec,
      bitDepth: facts.bitDepth,
      chroma: facts.chroma,
      widthPx: facts.widthPx,
      heightPx: facts.heightPx,
      frameRateFps: stream.fps,
      megabitsPerFrame: stream.megabitsPerFrame,
      sizeEvenness: facts.sizeEvenness,
    },
    runs,
    scrub: null,
    fileRead: readFile(rig, stream, facts.sizeBytes, createRandom(person.seed + 15_485_863 * (index + 1))),
    estimatedFps: 0,
    estimatedScrubMs: 0,
  };
}

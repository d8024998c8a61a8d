import type { CardClip } from '../../card/types';
import { createRandom } from '../../numbers/random';
import type { DecodeRun, DecodeTest, DecodeWay } from '../../test-play/types';
import type { Rig } from '../types';
import { softwareWorkMs } from '../work';
import type { Person } from './person';

/** How much one test-play differs from the next on the same machine. */
const spread = 0.05;
/** A browser's decoder uses no more threads than this. */
const mostThreads = 8;

/** Cores that other programs leave while the editor stands idle. */
const coresLeft = (rig: Rig): number =>
  Math.max(
    0.3,
    rig.coreCount - rig.programs.reduce((sum, { busyCores }) => sum + busyCores, 0) - rig.faults.unlistedCores,
  );

/** What somebody finds who lets a clip of theirs be decoded outside of the editor; null where it is no video. */
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
  const hardwareFps = rig.graphics.decodeMegapixelPerSec / rig.faults.hardwareTrouble / stream.megapixels;
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
    },
    runs: [
      runOf('software', false, looseFps),
      runOf('software', true, oneFps * Math.min(1, coresLeft(rig))),
      ...(isHardware ? [runOf('hardware', false, hardwareFps)] : []),
    ],
    scrub: null,
    estimatedFps: 0,
    estimatedScrubMs: 0,
  };
}

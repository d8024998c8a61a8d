import type { VideoFacts } from '../footage/types';
import { canLikelyDecodeInHardware } from '../machine/hardware-decode';
import { isHardwareProven } from '../test-play/measure-decoding';
import type { CardClip, JobCard } from './types';

/** Whether the graphics decode a clip, and how that is known. */
export interface HardwareVerdict {
  readonly state: 'measured' | 'likely' | 'unlikely';
  readonly source: 'test-play' | 'browser' | 'graphics-year' | 'no-graphics';
}

/** Whether a test-play of the same kind of stream showed the graphics at work. */
const isProvenFor = (card: JobCard, facts: VideoFacts): boolean =>
  card.decodeTests.some(
    (test) =>
      test.stream.codec === facts.codec &&
      test.stream.bitDepth === facts.bitDepth &&
      test.stream.chroma === facts.chroma &&
      isHardwareProven(test),
  );

/**
 * Whether this machine's graphics decode the clip. Measured by a test-play; else by what the browser says, where it
 * has hardware decoding for anything at all; else by the year of the graphics.
 */
export function hardwareVerdictOf(card: JobCard, clip: CardClip): HardwareVerdict {
  const { facts, browserAnswer } = clip;
  const { graphics, graphicsYear } = card.machine;
  if (facts.kind !== 'video') return { state: 'unlikely', source: 'graphics-year' };
  if (isProvenFor(card, facts)) return { state: 'measured', source: 'test-play' };
  if (graphics.value === 'none') return { state: 'unlikely', source: 'no-graphics' };
  if (browserAnswer?.hardware === 'accepted') return { state: 'likely', source: 'browser' };
  if (browserAnswer?.hardware === 'refused') return { state: 'unlikely', source: 'browser' };
  const isLikely = canLikelyDecodeInHardware(facts, graphicsYear.value);
  return { state: isLikely ? 'likely' : 'unlikely', source: 'graphics-year' };
}

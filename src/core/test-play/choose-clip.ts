import type { VideoFacts } from '../footage/types';
import { rationalToNumber } from '../numbers/rational';
import { isTelling, referenceMsOf } from './measure-decoding';
import type { TestedStream } from './types';

/** What of a clip's facts a test-play is about. */
export const toTestedStream = (facts: VideoFacts): TestedStream => {
  const frameRateFps = rationalToNumber(facts.frameRate);
  return {
    codec: facts.codec,
    bitDepth: facts.bitDepth,
    chroma: facts.chroma,
    widthPx: facts.widthPx,
    heightPx: facts.heightPx,
    frameRateFps,
    megabitsPerFrame: facts.bitrateMbitPerSec / frameRateFps,
    sizeEvenness: facts.sizeEvenness,
  };
};

/** The clip whose test-play tells most of the machine: the heaviest of those that tell anything; null where none does. */
export function chooseTestClip<T extends { readonly facts: VideoFacts }>(playable: readonly T[]): T | null {
  const telling = playable
    .map((clip) => ({ clip, stream: toTestedStream(clip.facts) }))
    .filter(({ stream }) => isTelling(stream));
  const heaviest = telling.reduce<(typeof telling)[number] | null>(
    (top, other) => (top && referenceMsOf(top.stream) >= referenceMsOf(other.stream) ? top : other),
    null,
  );
  return heaviest?.clip ?? null;
}

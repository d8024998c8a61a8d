import { deriveBaseState, type JobCard } from '../../card';
import { estimate, middleParameters } from '../../load';

/** What the estimate says a test-play of a clip will find: decoding alone by the processor, and jumps into it. */
export interface TestPlayPrediction {
  readonly decodedFps: number;
  readonly scrubMs: number;
}

/**
 * The middle of the estimate for one clip decoded by the processor alone, from memory, at its own rate: no other
 * layer, no effects, no other programs, nothing drawn. Null where the card has no such video.
 */
export function predictTestPlay(card: JobCard, clipId: string): TestPlayPrediction | null {
  const { setup, hidden } = deriveBaseState(card);
  const clip = setup.clips.find(({ id }) => id === clipId);
  if (!clip || clip.original.codec === 'still') return null;
  const alone = {
    hidden,
    setup: {
      ...setup,
      clips: [{ ...clip, proxy: null }],
      programs: [],
      timeline: {
        ...setup.timeline,
        frameRateFps: clip.original.frameRateFps,
        videoLayerCount: 1,
        titleCount: 0,
        effects: [],
      },
      preview: { ...setup.preview, hardwareDecode: 'no' as const },
    },
  };
  const { laneMs, scrubMs } = estimate(alone, 'usual', middleParameters(setup.machine));
  return { decodedFps: 1000 / Math.max(laneMs.decoder, 1e-3), scrubMs: scrubMs - laneMs.drawing };
}

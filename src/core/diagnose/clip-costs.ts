import type { JobCard } from '../card';
import { costOfStream, estimate, middleParameters, rankingMsOf, shownStreamOf } from '../load';
import { currentState } from './findings';

/** What one clip costs on this machine when it plays alone, by the middle of the estimate. */
export interface ClipCostRow {
  readonly clipId: string;
  /** Wall time of decoding a frame, shared among threads. */
  readonly decodeMs: number;
  readonly scrubMs: number;
  readonly isOverBudget: boolean;
  /** Whether this machine's graphics probably decode it. */
  readonly isHardwareLikely: boolean;
  /** For sorting only: the same order by which the estimate finds the heaviest stretch. */
  readonly rankingMs: number;
}

/** The cost of every clip on the card, in the card's order. O(clips). */
export function listClipCosts(card: JobCard): readonly ClipCostRow[] {
  const state = currentState(card);
  const { setup, hidden } = state;
  const middle = middleParameters(setup.machine.coreCount);
  const budgetMs = 1000 / setup.targetFps;
  const onCard = new Set(card.clips.map((clip) => clip.id));
  return setup.clips
    .filter((clip) => onCard.has(clip.id))
    .map((clip) => {
      const alone = { hidden, setup: { ...setup, clips: [clip], timeline: { ...setup.timeline, videoLayerCount: 1 } } };
      const { laneMs, scrubMs } = estimate(alone, 'usual', middle);
      const cost = costOfStream(shownStreamOf(clip, hidden), setup.machine, setup.timeline.frameRateFps);
      return {
        clipId: clip.id,
        decodeMs: laneMs.decoder,
        scrubMs,
        isOverBudget: Math.max(laneMs.decoder, laneMs.drive) > budgetMs,
        isHardwareLikely: cost.hardwareMs > 0,
        rankingMs: rankingMsOf(cost, setup),
      };
    });
}

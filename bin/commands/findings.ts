import type { JobCard } from '@/core/card';
import { computeFindings } from '@/core/diagnose';
import type { CommandOutput } from './output';

/**
 * `findings CARD.json`: the frame budget and what to expect. `causes`, `nextTests` and `plans` stay empty until
 * the belief exists: nothing is made up.
 */
export function findingsCommand(card: JobCard): CommandOutput {
  const { targetFps, budgetMs, stages, bindingLane, shownFps, scrubMs } = computeFindings(card);
  return {
    exitCode: 0,
    json: { targetFps, budgetMs, stages, bindingLane, shownFps, scrubMs, causes: [], nextTests: [], plans: [] },
  };
}

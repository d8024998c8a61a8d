import type { JobCard } from '@/core/card';
import { diagnose } from '@/core/diagnose';
import type { CommandOutput } from './output';

/** `findings CARD.json`: the frame budget, the causes, what tells most next, and ways to a usable preview. */
export function findingsCommand(card: JobCard): CommandOutput {
  const { targetFps, budgetMs, stages, bindingLane, shownFps, scrubMs, causes, nextTests, plans } = diagnose(card);
  return {
    exitCode: 0,
    json: {
      targetFps,
      budgetMs,
      stages,
      bindingLane,
      shownFps,
      scrubMs,
      causes,
      nextTests: nextTests.map(({ kind: _, ...test }) => test),
      plans: plans.map(({ id, fixes, shownFps: expected, probability }) => ({
        id,
        fixes,
        shownFps: expected,
        probability,
      })),
    },
  };
}

'use client';

import { useRouter } from 'next/navigation';
import { canFinishByHand, type StepId, stepIds } from '@/core/card';
import { useRunCommand } from '../card/use-open-card';

/** The step after this one, or null after the last. */
export const stepAfter = (stepId: StepId): StepId | null => stepIds[stepIds.indexOf(stepId) + 1] ?? null;

/** Marks a step as done with what is known and goes on to the next. */
export function useFinishStep(cardId: string): (stepId: StepId) => void {
  const run = useRunCommand(cardId);
  const router = useRouter();
  return (stepId) => {
    if (canFinishByHand(stepId)) run({ type: 'finishStep', input: { stepId } });
    const following = stepAfter(stepId);
    if (following) router.push(`/card/${encodeURIComponent(cardId)}/${following}`);
  };
}

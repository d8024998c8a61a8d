'use client';

import { useMemo } from 'react';
import { type JobCard, openTrial, withoutWorkingSet } from '@/core/card';
import { type CardOverview, chooseStep, type NextMove } from '@/core/diagnose';
import { useDiagnosis } from './diagnosis-context';

/** Steps at which the belief has a say; before them something has to be told or read first. */
const beliefSteps: readonly CardOverview['next']['kind'][] = ['choose-fix', 'put-back', 'export'];

/** The step that the belief would take on this card now; null while a trial is open, and where it has no say. */
export function useNextMove(card: JobCard, overview: CardOverview): NextMove | null {
  const { diagnosis } = useDiagnosis();
  return useMemo(() => {
    if (!diagnosis || openTrial(card) || !beliefSteps.includes(overview.next.kind)) return null;
    return chooseStep(withoutWorkingSet(card), diagnosis);
  }, [card, overview, diagnosis]);
}

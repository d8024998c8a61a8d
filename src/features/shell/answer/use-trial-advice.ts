'use client';

import { useMemo } from 'react';
import type { JobCard, Trial } from '@/core/card';
import { adviseTrial, type TrialAdvice } from '@/core/diagnose';
import { useDiagnosis } from './diagnosis-context';

/** What a trial's readings speak for by all that is worked out by now. */
export interface AdviceByNow {
  readonly advice: TrialAdvice | null;
  /** What clearly changed waits for what is believed of it, so that the advice does not change under a person's eyes. */
  readonly isWeighing: boolean;
  /** Measuring once more comes before the decision. */
  readonly isDoubtful: boolean;
}

const none: AdviceByNow = { advice: null, isWeighing: false, isDoubtful: false };

/** The advice on a trial, for everything on the page that speaks of it; none without a trial. */
export function useTrialAdvice(card: JobCard, trial: Trial | null): AdviceByNow {
  const { diagnosis, status } = useDiagnosis();
  const posterior = (status === 'done' && diagnosis?.posterior) || null;
  return useMemo(() => {
    const advice = trial && adviseTrial(card, trial, posterior);
    if (!advice) return none;
    const isWeighing = status === 'running' && trial.direction === 'make' && advice.verdict !== 'no-clear-change';
    return { advice, isWeighing, isDoubtful: advice.isDoubtful && !isWeighing };
  }, [card, trial, posterior, status]);
}

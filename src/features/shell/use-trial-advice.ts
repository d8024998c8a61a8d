'use client';

import { useMemo } from 'react';
import type { JobCard, Trial } from '@/core/card';
import { adviseTrial, type TrialAdvice } from '@/core/diagnose';
import { useDiagnosis } from './diagnosis-context';

/** What a trial's readings speak for by all that is worked out by now. */
export interface AdviceByNow {
  readonly advice: TrialAdvice | null;
  /** What is better in one respect and worse in another waits for the belief. */
  readonly isWeighing: boolean;
  /** Measuring once more comes before the decision. */
  readonly isDoubtful: boolean;
}

const none: AdviceByNow = { advice: null, isWeighing: false, isDoubtful: false };

/** The advice on a trial, for everything on the page that speaks of it; none without a trial. */
export function useTrialAdvice(card: JobCard, trial: Trial | null): AdviceByNow {
  const { diagnosis, status } = useDiagnosis();
  const sketch = (status === 'done' && diagnosis?.sketch) || null;
  return useMemo(() => {
    const advice = trial && adviseTrial(card, trial, sketch);
    if (!advice) return none;
    const isWeighing = advice.verdict === 'mixed' && status === 'running';
    return { advice, isWeighing, isDoubtful: advice.isDoubtful && !isWeighing };
  }, [card, trial, sketch, status]);
}

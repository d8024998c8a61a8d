'use client';

import { useMemo } from 'react';
import { type Belief, conditionOnRate } from '@/core/belief';
import { fixesInForce, type JobCard, readingInForce } from '@/core/card';
import { averageStages, type Findings } from '@/core/diagnose';
import type { LaneId, StageCost } from '@/core/load';
import { useDiagnosis } from '../answer/diagnosis-context';

/**
 * What readings and answers leave possible of the card as it is set up, in keeping with what was read of it; null
 * where there is no reading yet, or nothing is concluded.
 */
export function useConditionedPosterior(card: JobCard): Belief | null {
  const { diagnosis } = useDiagnosis();
  const posterior = card.readings.length > 0 ? (diagnosis?.posterior ?? null) : null;
  return useMemo(() => {
    const shownFps = readingInForce(card)?.shownFps ?? null;
    return posterior && shownFps ? conditionOnRate(posterior, fixesInForce(card), shownFps) : posterior;
  }, [posterior, card]);
}

interface FrameTime {
  readonly stages: readonly StageCost[];
  readonly bindingLane: LaneId;
}

/** Where each frame's time goes as the card is set up: by the readings, or by the estimate where there are none. */
export function useFrameTime(card: JobCard, estimate: Findings): FrameTime {
  const posterior = useConditionedPosterior(card);
  return useMemo(
    () => (posterior ? averageStages(posterior, fixesInForce(card)) : estimate),
    [posterior, card, estimate],
  );
}

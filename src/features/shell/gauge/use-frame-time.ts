'use client';

import { useMemo } from 'react';
import { type Belief, priorBelief } from '@/core/belief';
import { fixesInForce, type JobCard } from '@/core/card';
import { averageStages, beliefOfFrame, type Findings } from '@/core/diagnose';
import type { LaneId, StageCost } from '@/core/load';
import { useDiagnosis } from '../answer/diagnosis-context';

/** What the frame budget of a card is shown by. */
interface FrameBelief {
  /** By readings and answers; before the first reading, or while nothing is concluded, the prior. */
  readonly belief: Belief;
  /** What of it the frame’s time is an average of. */
  readonly ofFrame: Belief;
  readonly isByReadings: boolean;
}

/** What readings leave possible; null before the first one, or while nothing is concluded. */
function useReadPosterior(card: JobCard): Belief | null {
  const { diagnosis } = useDiagnosis();
  return card.readings.length > 0 ? (diagnosis?.posterior ?? null) : null;
}

/** What is believed of the card as it is set up, where what moves it is asked as well. */
export function useFrameBelief(card: JobCard): FrameBelief {
  const posterior = useReadPosterior(card);
  return useMemo(() => {
    const belief = posterior ?? priorBelief(card);
    const ofFrame = beliefOfFrame(posterior ? card : { ...card, readings: [] }, belief);
    return { belief, ofFrame, isByReadings: posterior !== null };
  }, [posterior, card]);
}

interface FrameTime {
  readonly stages: readonly StageCost[];
  readonly bindingLane: LaneId;
}

/** Where each frame’s time goes as the card is set up: by the readings, or by the estimate where there are none. */
export function useFrameTime(card: JobCard, estimate: Findings): FrameTime {
  const posterior = useReadPosterior(card);
  return useMemo(
    () => (posterior ? averageStages(beliefOfFrame(card, posterior), fixesInForce(card)) : estimate),
    [posterior, card, estimate],
  );
}

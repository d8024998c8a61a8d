'use client';

import { useMemo } from 'react';
import { type Belief, priorBelief } from '@/core/belief';
import { fixesInForce, type JobCard } from '@/core/card';
import { averageStages, beliefOfFrame } from '@/core/diagnose';
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

/** What is believed of the card as it is set up, for everything that shows where a frame’s time goes. */
export function useFrameBelief(card: JobCard): FrameBelief {
  const { diagnosis } = useDiagnosis();
  const posterior = card.readings.length > 0 ? (diagnosis?.posterior ?? null) : null;
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
export function useFrameTime(card: JobCard): FrameTime {
  const { ofFrame } = useFrameBelief(card);
  return useMemo(() => averageStages(ofFrame, fixesInForce(card)), [ofFrame, card]);
}

'use client';

import { useMemo } from 'react';
import { fixesInForce, type JobCard } from '@/core/card';
import { averageStages, type Findings } from '@/core/diagnose';
import type { LaneId, StageCost } from '@/core/load';
import { useDiagnosis } from './diagnosis-context';

interface FrameTime {
  readonly stages: readonly StageCost[];
  readonly bindingLane: LaneId;
}

/**
 * Where each frame's time goes as the card is set up: what readings and answers leave possible, on average, or what the
 * estimate says where there is no reading. A budget that is over the line beside a reading that is not would puzzle.
 */
export function useFrameTime(card: JobCard, hasReading: boolean, estimate: Findings): FrameTime {
  const { diagnosis } = useDiagnosis();
  const sketch = hasReading ? diagnosis?.sketch : undefined;
  return useMemo(() => (sketch ? averageStages(sketch, fixesInForce(card)) : estimate), [sketch, card, estimate]);
}

'use client';

import { useMemo } from 'react';
import { type Belief, priorBelief } from '@/core/belief';
import { useOpenCard } from '../card/use-open-card';
import { useDiagnosis } from './diagnosis-context';

/** What is believed of the open card: by all that is known once that is worked out, before that by the estimate alone. */
export function useBelief(): Belief {
  const { card } = useOpenCard();
  const { diagnosis } = useDiagnosis();
  return useMemo(() => diagnosis?.posterior ?? priorBelief(card), [diagnosis, card]);
}

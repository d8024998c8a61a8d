'use client';

import { useMemo } from 'react';
import type { JobCard } from '@/core/card';
import { type CardOverview, moveOf, type NamedCause, type NextMove, nameCause } from '@/core/diagnose';
import { useCards } from '../card/store-context';
import { useDiagnosis } from './diagnosis-context';

/** What is said of a card by now: its cause and what the belief would do next. */
export interface ConclusionByNow {
  readonly cause: NamedCause;
  /** Null where the belief has no say, or has not spoken yet. */
  readonly move: NextMove | null;
  /** Whether it is of the card as it was before its last change. */
  readonly isOld: boolean;
}

/**
 * The one answer that every page shows: the diagnosis; until it is there the last one that was stored, marked as old where
 * the card has changed since; and before there is any, what the estimate may say.
 */
export function useConclusion(card: JobCard, overview: CardOverview): ConclusionByNow {
  const { diagnosis, status } = useDiagnosis();
  const known = useCards().cards.get(card.id)?.answer ?? null;
  const { bindingCause } = overview.findings;
  return useMemo(() => {
    if (diagnosis)
      return {
        cause: nameCause(card, diagnosis, bindingCause),
        move: moveOf(card, diagnosis),
        isOld: status === 'running',
      };
    if (known && status === 'running')
      return { cause: known.summary.cause, move: known.summary.move, isOld: !known.isFresh };
    return { cause: nameCause(card, null, bindingCause), move: null, isOld: false };
  }, [card, diagnosis, status, known, bindingCause]);
}

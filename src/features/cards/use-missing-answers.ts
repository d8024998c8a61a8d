'use client';

import { useEffect, useRef } from 'react';
import type { JobCard } from '@/core/card';
import { withoutWorkingSet } from '@/core/card/fixes-in-force';
import { useCardStore, useCards } from '../shell/card/store-context';

/** More cards than these are not worked out unasked: the newest are what a person looks at. */
const mostWorkedOut = 12;
/** The wall stands first. */
const afterMs = 700;

/**
 * Works out, one after another and behind the page, the newest cards of which there is no answer or an old one, so that the
 * wall says the same as each card's own pages.
 */
export function useMissingAnswers(): void {
  const store = useCardStore();
  const { status, cards } = useCards();
  const tried = useRef(new WeakSet<JobCard>());
  const wanted = [...cards.values()]
    .sort((a, b) => b.card.updatedAtMs - a.card.updatedAtMs)
    .slice(0, mostWorkedOut)
    .find(({ card, answer }) => !answer?.isFresh && !tried.current.has(card))?.card;
  useEffect(() => {
    if (!store || status !== 'ready' || !wanted) return;
    let isCurrent = true;
    let close = (): void => undefined;
    const timer = setTimeout(async () => {
      const { DiagnosisClient } = await import('@/workers/diagnosis.client');
      if (!isCurrent) return;
      const client = new DiagnosisClient();
      close = () => client.close();
      const answer = await client.ask(withoutWorkingSet(wanted));
      close();
      if (!isCurrent) return;
      // Whatever came of it: it is not asked again before the card changes.
      tried.current.add(wanted);
      if (answer.ok) store.keepAnswer(wanted, answer.value.summary);
    }, afterMs);
    return () => {
      isCurrent = false;
      clearTimeout(timer);
      close();
    };
  }, [store, status, wanted]);
}

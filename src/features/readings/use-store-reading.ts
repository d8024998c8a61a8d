'use client';

import { useCallback } from 'react';
import { createReading, type Reading } from '@/core/card';
import { complaintOf } from '@/core/usable';
import { useOpenCard } from '../shell/card/use-open-card';
import type { Details } from './reading-details';

/** Puts a reading on the card with what is said of it; true where that could be done. */
export function useStoreReading(): (known: Partial<Omit<Reading, 'id' | 'fixes'>>, details: Details) => boolean {
  const { card, run } = useOpenCard();
  return useCallback(
    (known, { fixes, ...details }) => {
      const moment = complaintOf(card).includes('later') ? ('later' as const) : ('start' as const);
      const reading = createReading({ id: crypto.randomUUID(), takenAtMs: Date.now(), moment, ...details, ...known });
      return run({ type: 'addReading', input: { reading, ...(fixes ? { fixes } : {}) } }).ok;
    },
    [card, run],
  );
}

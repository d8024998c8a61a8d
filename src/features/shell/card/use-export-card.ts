'use client';

import { useCallback } from 'react';
import type { JobCard } from '@/core/card';
import { exportCard } from './export-card';
import { useCardStore } from './store-context';

/** Hands a card to the browser as a download; from then on it is safe as it is. */
export function useExportCard(): (card: JobCard) => void {
  const store = useCardStore();
  return useCallback(
    (card) => {
      exportCard(card);
      store?.markExported(card.id);
    },
    [store],
  );
}

'use client';

import { lazy, Suspense } from 'react';
import { useCards } from './store-context';

const StorageTrouble = lazy(() => import('./StorageTrouble'));

/**
 * Says while anything is only held in this tab, until it is exported; and when two tabs' changes did not fit. What it
 * says is fetched only where there is something to say: the first page stays light.
 */
export function StorageBar() {
  const { storageFailure, conflict } = useCards();
  return (
    (storageFailure || conflict) && (
      <Suspense>
        <StorageTrouble />
      </Suspense>
    )
  );
}

'use client';

import { useSyncExternalStore } from 'react';

const query = '(max-width: 720px)';

const subscribe = (listener: () => void): (() => void) => {
  const list = matchMedia(query);
  list.addEventListener('change', listener);
  return () => list.removeEventListener('change', listener);
};

/** Whether there is room for one column only: a phone, or a large zoom. */
export const useNarrow = (): boolean =>
  useSyncExternalStore(
    subscribe,
    () => matchMedia(query).matches,
    () => false,
  );

'use client';

import { useEffect, useRef } from 'react';

/** What is typed is stored this long after the last letter: neither at each one, nor only when the field is left. */
const storeAfterMs = 250;

/**
 * Stores what is typed a moment after the last key; at once where the field is left, the page is hidden or closed, or the
 * field goes away.
 */
export function useStoreBehind<T>(store: (typed: T) => void) {
  const waiting = useRef<{ readonly typed: T } | null>(null);
  const timer = useRef<ReturnType<typeof setTimeout> | undefined>(undefined);
  const storing = useRef(store);
  storing.current = store;
  const flush = useRef(() => {
    clearTimeout(timer.current);
    const due = waiting.current;
    waiting.current = null;
    if (due) storing.current(due.typed);
  }).current;
  useEffect(() => {
    window.addEventListener('pagehide', flush);
    document.addEventListener('visibilitychange', flush);
    return () => {
      window.removeEventListener('pagehide', flush);
      document.removeEventListener('visibilitychange', flush);
      flush();
    };
  }, [flush]);
  const put = (typed: T, isUntilLeft = false): void => {
    waiting.current = { typed };
    clearTimeout(timer.current);
    if (!isUntilLeft) timer.current = setTimeout(flush, storeAfterMs);
  };
  return { put, flush };
}

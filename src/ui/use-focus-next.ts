'use client';

import { type RefObject, useCallback, useRef } from 'react';

/**
 * Where the focus goes after a button that takes itself away: to what comes next, never to the page. `ref` is put on a
 * heading or a sheet (with `tabIndex={-1}`); `focusNext` moves there once the page is drawn anew.
 */
export function useFocusNext<T extends HTMLElement>(): {
  readonly ref: RefObject<T | null>;
  readonly focusNext: () => void;
} {
  const ref = useRef<T | null>(null);
  const focusNext = useCallback(() => {
    requestAnimationFrame(() => ref.current?.focus({ preventScroll: false }));
  }, []);
  return { ref, focusNext };
}

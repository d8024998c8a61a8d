'use client';

import { type RefObject, useEffect, useRef } from 'react';

/** Pages shown so far: on the first one the browser's own order begins at the top. */
let pageCount = 0;

/** Counts a page that takes no focus itself. */
export const noteShownPage = (): void => {
  pageCount++;
};

/** A page that was gone to by a button which is not there any more takes the focus at its heading. */
export function useHeadingFocus(): RefObject<HTMLHeadingElement | null> {
  const heading = useRef<HTMLHeadingElement>(null);
  useEffect(() => {
    const isFirst = pageCount++ === 0;
    const frame = requestAnimationFrame(() => {
      if (!isFirst && document.activeElement === document.body) heading.current?.focus();
    });
    return () => cancelAnimationFrame(frame);
  }, []);
  return heading;
}

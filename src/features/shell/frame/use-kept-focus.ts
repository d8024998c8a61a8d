'use client';

import { type RefObject, useEffect, useRef } from 'react';

/** What the focus may come to where the place it was at is gone: the next sheet around it, or the page's own heading. */
const placesSelector = 'section, article, h1';

/**
 * Keeps the focus from falling back to the page when what has it goes away (a button that removes itself, a sheet that is
 * done): it goes to the nearest thing around it that is still there, else to the heading of the page.
 */
export function useKeptFocus<T extends HTMLElement>(): RefObject<T | null> {
  const root = useRef<T | null>(null);
  useEffect(() => {
    const main = root.current;
    if (!main) return;
    let around: readonly Element[] = [];
    const remember = (event: FocusEvent) => {
      const target = event.target instanceof Element ? event.target : null;
      const path: Element[] = [];
      for (let at = target?.parentElement ?? null; at && at !== main; at = at.parentElement) path.push(at);
      around = target && main.contains(target) ? [target, ...path] : [];
    };
    const mend = () => {
      const [focused, ...path] = around;
      if (!focused || focused.isConnected || document.activeElement !== document.body) return;
      const place =
        path.find((element) => element.isConnected && element.matches(placesSelector)) ?? main.querySelector('h1');
      around = [];
      if (!(place instanceof HTMLElement)) return;
      if (!place.hasAttribute('tabindex')) place.tabIndex = -1;
      place.focus();
    };
    const observer = new MutationObserver(() => requestAnimationFrame(mend));
    observer.observe(main, { childList: true, subtree: true });
    document.addEventListener('focusin', remember);
    return () => {
      observer.disconnect();
      document.removeEventListener('focusin', remember);
    };
  }, []);
  return root;
}

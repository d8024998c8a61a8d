'use client';

import { useEffect } from 'react';

/** On paper nothing can be unfolded: everything is open while it is printed, and as it was afterwards. */
export function useUnfoldedPrint(): void {
  useEffect(() => {
    let opened: readonly HTMLDetailsElement[] = [];
    const open = () => {
      opened = [...document.querySelectorAll('main details')].filter(
        (details): details is HTMLDetailsElement => details instanceof HTMLDetailsElement && !details.open,
      );
      for (const details of opened) details.open = true;
    };
    const close = () => {
      for (const details of opened) details.open = false;
      opened = [];
    };
    window.addEventListener('beforeprint', open);
    window.addEventListener('afterprint', close);
    return () => {
      window.removeEventListener('beforeprint', open);
      window.removeEventListener('afterprint', close);
    };
  }, []);
}

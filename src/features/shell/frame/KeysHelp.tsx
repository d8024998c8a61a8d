'use client';

import { lazy, Suspense, useEffect, useState } from 'react';
import { Button } from '@/ui/Button';
import { isTyping } from './is-typing';

const KeysDialog = lazy(() => import('./KeysDialog'));

/** The list of keys, on "?" or its button; fetched when it is first asked for. */
export function KeysHelp() {
  const [isOpen, setIsOpen] = useState(false);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key === '?' && !isTyping(event)) setIsOpen(true);
    };
    document.addEventListener('keydown', onKey);
    return () => document.removeEventListener('keydown', onKey);
  }, []);
  return (
    <>
      <Button aria-label="Keys" onPress={() => setIsOpen(true)}>
        ?
      </Button>
      {isOpen && (
        <Suspense>
          <KeysDialog onClose={() => setIsOpen(false)} />
        </Suspense>
      )}
    </>
  );
}

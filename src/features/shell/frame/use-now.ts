'use client';

import { useEffect, useState } from 'react';

/** The time, refreshed each half minute; null on the server, so that both renders agree. */
export function useNowMs(): number | null {
  const [nowMs, setNowMs] = useState<number | null>(null);
  useEffect(() => {
    setNowMs(Date.now());
    const timer = setInterval(() => setNowMs(Date.now()), 30_000);
    return () => clearInterval(timer);
  }, []);
  return nowMs;
}

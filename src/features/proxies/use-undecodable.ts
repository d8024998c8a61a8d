'use client';

import { useEffect, useMemo, useState } from 'react';
import { canDecode } from '@/adapters/browser/can-decode';
import type { ProxyCandidate } from '@/core/fixes';

const none: ReadonlySet<string> = new Set();

/** The clips that this browser does not decode; none until it has said so. */
export function useUndecodable(candidates: readonly ProxyCandidate[]): ReadonlySet<string> {
  const [refused, setRefused] = useState<ReadonlySet<string>>(none);
  const codecs = [...new Set(candidates.map(({ facts }) => facts.codecString ?? ''))].sort().join(' ');
  useEffect(() => {
    let isGone = false;
    const ask = async () => {
      const asked = await Promise.all(
        codecs.split(' ').map(async (codec) => ((await canDecode(codec)) ? [] : [codec])),
      );
      if (!isGone) setRefused(new Set(asked.flat()));
    };
    ask();
    return () => {
      isGone = true;
    };
  }, [codecs]);
  return new Set(candidates.filter(({ facts }) => refused.has(facts.codecString ?? '')).map(({ clip }) => clip.id));
}

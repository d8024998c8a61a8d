'use client';

import { useEffect, useMemo, useState } from 'react';
import { canDecode } from '@/adapters/browser/can-decode';
import type { ProxyCandidate } from '@/core/fixes';
import type { ProxyOriginal } from '@/core/proxies';

const none: ReadonlySet<string> = new Set();

const codecStringOf = (facts: ProxyOriginal): string | null => (facts.kind === 'still' ? null : facts.codecString);
/** What phones store stills in is decoded by few browsers. */
const isUndecodedStill = (facts: ProxyOriginal): boolean => facts.kind === 'still' && facts.container === 'heif';

/** The clips of which this browser says that it does not decode them; of what nobody knows the codec it cannot say that. */
export function useUndecodable(candidates: readonly ProxyCandidate[]): ReadonlySet<string> {
  const [refused, setRefused] = useState<ReadonlySet<string>>(none);
  const codecs = [...new Set(candidates.flatMap(({ facts }) => codecStringOf(facts) ?? []))].sort().join(' ');
  useEffect(() => {
    let isGone = false;
    const ask = async () => {
      const known = codecs === '' ? [] : codecs.split(' ');
      const asked = await Promise.all(known.map(async (codec) => ((await canDecode(codec)) ? [] : [codec])));
      if (!isGone) setRefused(new Set(asked.flat()));
    };
    ask();
    return () => {
      isGone = true;
    };
  }, [codecs]);
  return useMemo(
    () =>
      new Set(
        candidates
          .filter(({ facts }) => isUndecodedStill(facts) || refused.has(codecStringOf(facts) ?? ''))
          .map(({ clip }) => clip.id),
      ),
    [candidates, refused],
  );
}

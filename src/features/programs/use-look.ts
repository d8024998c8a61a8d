'use client';

import { useCallback, useState } from 'react';
import type { SampledPrograms } from '@/core/programs';
import type { LookFailure } from '@/messages/programs';
import { type LookedAt, useMachineSource } from '../shell/card/use-machine-source';

export interface Look {
  readonly at: LookedAt;
  readonly isLooking: boolean;
  readonly failure: LookFailure | null;
  /** What runs now, or null where it could not be looked at: the failure then stands above. */
  readonly look: () => Promise<SampledPrograms | null>;
}

/** Looks at what runs: on the practice machine of a demo card, else on this computer where the helper is there. */
export function useLook(): Look {
  const { at, find } = useMachineSource();
  const [isLooking, setLooking] = useState(false);
  const [failure, setFailure] = useState<LookFailure | null>(null);
  const [lookCount, setLookCount] = useState(0);
  const look = useCallback(async () => {
    setLooking(true);
    setFailure(null);
    setLookCount((count) => count + 1);
    const source = await find(lookCount);
    const read = source.ok ? await source.value.readPrograms() : source;
    setLooking(false);
    if (read.ok) return read.value;
    setFailure(read.failure);
    return null;
  }, [find, lookCount]);
  return { at, isLooking, failure, look };
}

'use client';

import { useCallback, useState } from 'react';
import { fetchPractice } from '@/adapters/browser/fetch-practice';
import { type MachineSource, practiceMachine, thisComputer } from '@/adapters/browser/machine-source';
import type { JobCard } from '@/core/card';
import type { SampledPrograms } from '@/core/programs';
import { fail, type Result, succeed } from '@/core/result';
import { hasPracticeMachine } from '@/demo/practice-cards';
import type { LookFailure } from '@/messages/programs';
import { useHasHelper } from '../shell/helper-context';
import { useOpenCard } from '../shell/use-open-card';

/** Which computer can be looked at from here. */
export type LookedAt = 'practice' | 'this-computer' | null;

async function findSource(card: JobCard, at: LookedAt, lookCount: number): Promise<Result<MachineSource, LookFailure>> {
  if (at !== 'practice') return succeed(thisComputer);
  const practice = await fetchPractice(card.id);
  return practice.ok ? succeed(practiceMachine(card, practice.value, lookCount)) : fail(practice.failure);
}

export interface Look {
  readonly at: LookedAt;
  readonly isLooking: boolean;
  readonly failure: LookFailure | null;
  /** What runs now, or null where it could not be looked at: the failure then stands above. */
  readonly look: () => Promise<SampledPrograms | null>;
}

/** Looks at what runs: on the practice machine of a demo card, else on this computer where the helper is there. */
export function useLook(): Look {
  const { card } = useOpenCard();
  const hasHelper = useHasHelper();
  const [isLooking, setLooking] = useState(false);
  const [failure, setFailure] = useState<LookFailure | null>(null);
  const [lookCount, setLookCount] = useState(0);
  const at: LookedAt = hasPracticeMachine(card.id) ? 'practice' : hasHelper ? 'this-computer' : null;
  const look = useCallback(async () => {
    setLooking(true);
    setFailure(null);
    setLookCount((count) => count + 1);
    const source = await findSource(card, at, lookCount);
    const read = source.ok ? await source.value.readPrograms() : source;
    setLooking(false);
    if (read.ok) return read.value;
    setFailure(read.failure);
    return null;
  }, [card, at, lookCount]);
  return { at, isLooking, failure, look };
}

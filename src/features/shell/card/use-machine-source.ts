'use client';

import { useCallback } from 'react';
import { fetchPractice } from '@/adapters/browser/fetch-practice';
import { type MachineSource, practiceMachine, thisComputer } from '@/adapters/browser/machine-source';
import { fail, type Result, succeed } from '@/core/result';
import { hasPracticeMachine } from '@/demo/practice-cards';
import type { MachineSourceFailure } from '@/messages/programs';
import { useHasHelper } from './helper-context';
import { useOpenCard } from './use-open-card';

/** Which computer can be looked at from here. */
export type MachineSourceKind = 'practice' | 'this-computer' | null;

/**
 * The computer that this card can look at: the practice machine of a demo card, else this one where the helper is there.
 * `find` is told how often it was looked at before: no two looks at a practice machine are quite alike.
 */
export function useMachineSource(): {
  readonly at: MachineSourceKind;
  readonly find: (lookCount: number) => Promise<Result<MachineSource, MachineSourceFailure>>;
} {
  const { card } = useOpenCard();
  const hasHelper = useHasHelper();
  const at: MachineSourceKind = hasPracticeMachine(card.id) ? 'practice' : hasHelper ? 'this-computer' : null;
  const find = useCallback(
    async (lookCount: number): Promise<Result<MachineSource, MachineSourceFailure>> => {
      if (at !== 'practice') return succeed(thisComputer);
      const practice = await fetchPractice(card.id);
      return practice.ok ? succeed(practiceMachine(card, practice.value, lookCount)) : fail(practice.failure);
    },
    [at, card],
  );
  return { at, find };
}

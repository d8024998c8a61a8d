'use client';

import { useCallback, useMemo } from 'react';
import { type JobCard, rolesSaid } from '@/core/card';
import type { ProgramRole } from '@/core/programs';
import { useCards } from '../shell/card/store-context';

/** What a person said of programs on all their cards, newest last, so that nobody says it twice. */
export function useProgramRoles(): () => readonly (readonly [string, ProgramRole])[] {
  const { cards } = useCards();
  const newestLast = useMemo(
    () =>
      [...cards.values()]
        .map(({ card }): JobCard => card)
        .filter(({ id }) => !id.startsWith('demo-'))
        .toSorted((a, b) => a.updatedAtMs - b.updatedAtMs),
    [cards],
  );
  return useCallback(() => newestLast.flatMap(({ programs }) => [...rolesSaid(programs)]), [newestLast]);
}

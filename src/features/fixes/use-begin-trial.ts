'use client';

import { useCallback } from 'react';
import type { FixUse, Trial } from '@/core/card';
import { useOpenCard } from '../shell/card/use-open-card';

/** Begins a trial of a fix, or of giving one back; true where it could begin. */
export function useBeginTrial(): (fix: FixUse, direction?: Trial['direction']) => boolean {
  const { run } = useOpenCard();
  return useCallback(
    ({ id, level }, direction = 'make') =>
      run({
        type: 'beginTrial',
        input: { id: crypto.randomUUID(), fix: { id, level }, direction, nowMs: Date.now() },
      }).ok,
    [run],
  );
}

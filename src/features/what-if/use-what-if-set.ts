'use client';

import { useMemo, useState } from 'react';
import type { Belief } from '@/core/belief';
import { areSameFixes, type FixUse, fixesInForce, isSameFix, type JobCard } from '@/core/card';
import { beliefOfFrame, forecastSet, type SetForecast } from '@/core/diagnose';

export interface WhatIfSet {
  readonly inForce: readonly FixUse[];
  readonly chosen: readonly FixUse[];
  readonly before: SetForecast;
  readonly after: SetForecast;
  readonly isChanged: boolean;
  /** Those of the chosen that are not in force. */
  readonly added: readonly FixUse[];
  readonly choose: (fixes: readonly FixUse[]) => void;
  /** Puts a fix into the set at a level, or takes it out with null. */
  readonly set: (id: string, fix: FixUse | null) => void;
  readonly reset: () => void;
}

/** Any set of fixes at once, and what it would bring; nothing on the card changes. */
export function useWhatIfSet(card: JobCard, posterior: Belief): WhatIfSet {
  const inForce = useMemo(() => fixesInForce(card), [card]);
  const [picked, setPicked] = useState<readonly FixUse[] | null>(null);
  const chosen = picked ?? inForce;
  const ofFrame = useMemo(() => beliefOfFrame(card, posterior), [card, posterior]);
  const before = useMemo(() => forecastSet(posterior, inForce, inForce, ofFrame), [posterior, ofFrame, inForce]);
  const after = useMemo(() => forecastSet(posterior, chosen, inForce, ofFrame), [posterior, ofFrame, chosen, inForce]);
  return {
    inForce,
    chosen,
    before,
    after,
    isChanged: !areSameFixes(chosen, inForce),
    added: chosen.filter((fix) => !inForce.some((other) => isSameFix(other, fix))),
    choose: setPicked,
    set: (id, fix) => {
      const others = chosen.filter((other) => other.id !== id);
      setPicked(fix ? [...others, fix] : others);
    },
    reset: () => setPicked(null),
  };
}

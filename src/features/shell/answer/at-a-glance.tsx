'use client';

import { createContext, type ReactNode, useContext, useMemo } from 'react';
import type { JobCard } from '@/core/card';
import { type CardOverview, summariseCard } from '@/core/diagnose';
import { type ConclusionByNow, useConclusion } from './use-conclusion';

/** What is shown of the open card at a glance: worked out once, for rail, gauge and page alike. */
interface AtAGlance {
  readonly overview: CardOverview;
  readonly conclusion: ConclusionByNow;
}

const GlanceContext = createContext<AtAGlance | null>(null);

/** Works out what is shown of a card at a glance, for everything inside. */
export function GlanceProvider({ card, children }: { readonly card: JobCard; readonly children: ReactNode }) {
  const overview = useMemo(() => summariseCard(card), [card]);
  const conclusion = useConclusion(card, overview);
  const glance = useMemo(() => ({ overview, conclusion }), [overview, conclusion]);
  return <GlanceContext value={glance}>{children}</GlanceContext>;
}

/** The open card at a glance. */
export function useGlance(): AtAGlance {
  const glance = useContext(GlanceContext);
  if (!glance) throw new Error('useGlance: outside of an open card');
  return glance;
}

'use client';

import { createContext, type ReactNode, useContext, useEffect, useState } from 'react';
import type { JobCard } from '@/core/card';
import type { Diagnosis } from '@/core/diagnose';
import { DiagnosisClient } from '@/workers/diagnosis.client';

/** What is concluded of the open card: the last answer stands, marked as old, until the next one is there. */
export interface DiagnosisState {
  readonly status: 'running' | 'done' | 'failed';
  readonly diagnosis: Diagnosis | null;
}

const waiting: DiagnosisState = { status: 'running', diagnosis: null };
const DiagnosisContext = createContext<DiagnosisState>(waiting);

/** What is concluded of the open card. */
export const useDiagnosis = (): DiagnosisState => useContext(DiagnosisContext);

/** While a person types or clips are read, a card changes several times a second; only where it comes to rest is worked out. */
const restMs = 600;

/** Works out the open card in a worker whenever it changes; answers to an older card are dropped. */
export function DiagnosisProvider({ card, children }: { readonly card: JobCard; readonly children: ReactNode }) {
  const [client, setClient] = useState<DiagnosisClient | null>(null);
  const [state, setState] = useState<DiagnosisState>(waiting);
  useEffect(() => {
    const created = new DiagnosisClient();
    setClient(created);
    return () => created.close();
  }, []);
  useEffect(() => {
    if (!client) return;
    setState((current) => ({ ...current, status: 'running' }));
    let isCurrent = true;
    const timer = setTimeout(async () => {
      const answer = await client.ask(card);
      if (!isCurrent) return;
      if (answer.ok) setState({ status: 'done', diagnosis: answer.value.diagnosis });
      else if (answer.failure.code === 'diagnosis-broke') setState({ status: 'failed', diagnosis: null });
    }, restMs);
    return () => {
      isCurrent = false;
      clearTimeout(timer);
    };
  }, [client, card]);
  return <DiagnosisContext value={state}>{children}</DiagnosisContext>;
}

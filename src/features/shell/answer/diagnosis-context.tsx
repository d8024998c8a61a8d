'use client';

import { createContext, type ReactNode, useContext, useEffect, useMemo, useRef, useState } from 'react';
import type { Explanation } from '@/core/belief';
import { type JobCard, withoutWorkingSet } from '@/core/card';
import type { Diagnosis } from '@/core/diagnose';
import { DiagnosisClient } from '@/workers/diagnosis.client';
import { useCardStore } from '../card/store-context';

/** What was concluded before something new was known. */
export interface Conclusion {
  readonly card: JobCard;
  readonly diagnosis: Diagnosis;
}

/** What is concluded of the open card: the last answer stands, marked as old, until the next one is there. */
export interface DiagnosisState {
  readonly status: 'running' | 'done' | 'failed';
  readonly diagnosis: Diagnosis | null;
  /** Why; it comes a moment after the diagnosis, and is null until then. */
  readonly explanation: Explanation | null;
  /** What was concluded before the newest reading or answer; null where nothing came since the page was opened. */
  readonly before: Conclusion | null;
}

const waiting: DiagnosisState = { status: 'running', diagnosis: null, explanation: null, before: null };
const DiagnosisContext = createContext<DiagnosisState>(waiting);

/** What is concluded of the open card. */
export const useDiagnosis = (): DiagnosisState => useContext(DiagnosisContext);

/** While a person types or clips are read, a card changes several times a second; only where it comes to rest is worked out. */
const restMs = 600;

/** The same as long as nothing new is known. */
const evidenceKeyOf = ({ readings, answers }: JobCard): string =>
  JSON.stringify([...readings, ...answers].map(({ id }) => id));

/** A question that was put before the page was drawn anew. */
interface HeadStart {
  readonly card: JobCard;
  readonly answer: ReturnType<DiagnosisClient['ask']>;
}

/**
 * Puts the question as soon as a single change is in the store: drawing the page anew for it takes a tenth of a second
 * on a long project, which the worker need not wait for.
 */
function useHeadStart(client: DiagnosisClient | null, cardId: string) {
  const store = useCardStore();
  const begun = useRef<HeadStart | null>(null);
  useEffect(() => {
    if (!store || !client) return;
    const cardNow = (): JobCard | undefined => store.getSnapshot().cards.get(cardId)?.card;
    let known = cardNow();
    let changedAtMs = Number.NEGATIVE_INFINITY;
    return store.subscribe(() => {
      const card = cardNow();
      if (!card || card === known) return;
      known = card;
      const nowMs = performance.now();
      if (nowMs - changedAtMs > restMs) begun.current = { card, answer: client.ask(withoutWorkingSet(card)) };
      changedAtMs = nowMs;
    });
  }, [store, client, cardId]);
  return begun;
}

/** Works out the open card in a worker whenever it changes; answers to an older card are dropped. */
export function DiagnosisProvider({ card: open, children }: { readonly card: JobCard; readonly children: ReactNode }) {
  // A working set that is switched to changes what is seen, and nothing of what is wrong.
  const card = useMemo(() => withoutWorkingSet(open), [open]);
  const [client, setClient] = useState<DiagnosisClient | null>(null);
  const [state, setState] = useState<DiagnosisState>(waiting);
  const changedAtMs = useRef(Number.NEGATIVE_INFINITY);
  const last = useRef<Conclusion | null>(null);
  const store = useCardStore();
  const begun = useHeadStart(client, open.id);
  useEffect(() => {
    const created = new DiagnosisClient();
    setClient(created);
    return () => created.close();
  }, []);
  useEffect(() => {
    if (!client) return;
    setState((current) => ({ ...current, status: 'running' }));
    let isCurrent = true;
    const headStart = begun.current?.card === open ? begun.current : null;
    const work = async () => {
      const answer = await (headStart?.answer ?? client.ask(card));
      if (!isCurrent) return;
      if (!answer.ok) {
        if (answer.failure.code === 'diagnosis-broke') setState({ ...waiting, status: 'failed' });
        return;
      }
      const { diagnosis, summary } = answer.value;
      store?.keepAnswer(open, summary);
      const previous = last.current;
      last.current = { card, diagnosis };
      const isNews = previous !== null && evidenceKeyOf(previous.card) !== evidenceKeyOf(card);
      setState((current) => ({
        status: 'done',
        diagnosis,
        explanation: null,
        before: isNews ? previous : current.before,
      }));
      const why = await client.explain();
      if (isCurrent && why.ok) setState((current) => ({ ...current, explanation: why.value.explanation }));
    };
    // A single change is worked out at once; of several that follow each other closely, the last.
    const nowMs = performance.now();
    const isAlone = nowMs - changedAtMs.current > restMs;
    changedAtMs.current = nowMs;
    const timer = setTimeout(work, isAlone || headStart ? 0 : restMs);
    return () => {
      isCurrent = false;
      clearTimeout(timer);
    };
  }, [client, card, open, begun, store]);
  return <DiagnosisContext value={state}>{children}</DiagnosisContext>;
}

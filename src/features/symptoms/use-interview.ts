'use client';

import { useState } from 'react';
import type { JobCard } from '@/core/card';
import { type Diagnosis, type InterviewQuestion, nextQuestion } from '@/core/diagnose';

export type OpenQuestion = 'moments' | 'kinds';

const asOpen = (question: InterviewQuestion | null): OpenQuestion | null =>
  question?.kind === 'moments' || question?.kind === 'kinds' ? question.kind : null;

/**
 * The question that is asked now. Those with several answers stay until the person goes on; asking one again is a
 * change of mind, and whatever was answered stays answered.
 */
export function useInterview(card: JobCard, diagnosis: Diagnosis | null) {
  const next = nextQuestion(card, diagnosis);
  const [held, setHeld] = useState<OpenQuestion | null>(asOpen(next));
  // It must not be gone as soon as the first of its answers is ticked.
  if (held === null && asOpen(next) !== null) setHeld(asOpen(next));
  const question: InterviewQuestion | null = held ? { kind: held } : next;
  return { question, goOn: () => setHeld(null), askAgain: setHeld };
}

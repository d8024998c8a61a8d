import { expose } from 'comlink';
import { inferPosterior } from '@/core/belief';
import type { JobCard } from '@/core/card';
import { conclude, type Diagnosis } from '@/core/diagnose/answer/diagnose';
import { explainDiagnosisInSteps } from '@/core/diagnose/answer/explain-diagnosis';
import { summariseAnswer } from '@/core/diagnose/answer/summarise-answer';
import type { DiagnosisWorkerApi } from './diagnosis.protocol';

/** What was worked out last: an explanation is asked for after the answer is on the screen. */
let last: { readonly card: JobCard; readonly diagnosis: Diagnosis } | null = null;

/** Lets whatever was asked meanwhile go first. */
const nextTask = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 0));

const api: DiagnosisWorkerApi = {
  diagnose: (requestId, card) => {
    const startedMs = performance.now();
    const belief = inferPosterior(card);
    const diagnosis = conclude(card, belief);
    last = { card, diagnosis };
    const summary = summariseAnswer(card, diagnosis);
    return { requestId, diagnosis, summary, computeMs: performance.now() - startedMs };
  },
  explain: async (requestId) => {
    const asked = last;
    if (!asked) return null;
    const startedMs = performance.now();
    const steps = explainDiagnosisInSteps(asked.card, asked.diagnosis);
    for (;;) {
      const step = steps.next();
      if (step.done) return { requestId, explanation: step.value, computeMs: performance.now() - startedMs };
      await nextTask();
      if (last !== asked) return null;
    }
  },
};

expose(api);

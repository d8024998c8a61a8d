import { expose } from 'comlink';
import { type Belief, believe } from '@/core/belief';
import type { JobCard } from '@/core/card';
import { conclude, type Diagnosis } from '@/core/diagnose/diagnose';
import { explainDiagnosis } from '@/core/diagnose/explain-diagnosis';
import type { DiagnosisWorkerApi } from './diagnosis.protocol';

/** What was worked out last: an explanation is asked for after the answer is on the screen. */
let last: { readonly card: JobCard; readonly belief: Belief; readonly diagnosis: Diagnosis } | null = null;

const api: DiagnosisWorkerApi = {
  diagnose: (requestId, card) => {
    const startedMs = performance.now();
    const belief = believe(card);
    const diagnosis = conclude(card, belief);
    last = { card, belief, diagnosis };
    return { requestId, diagnosis, computeMs: performance.now() - startedMs };
  },
  explain: (requestId) => {
    if (!last) return null;
    const startedMs = performance.now();
    const explanation = explainDiagnosis(last.card, last.belief, last.diagnosis);
    return { requestId, explanation, computeMs: performance.now() - startedMs };
  },
};

expose(api);

import type { JobCard } from '@/core/card';
import type { Diagnosis } from '@/core/diagnose';

/** An answer with the number of its question and how long it took. */
export interface DiagnosisAnswer {
  readonly requestId: number;
  readonly diagnosis: Diagnosis;
  readonly computeMs: number;
}

/** What the diagnosis worker offers. */
export interface DiagnosisWorkerApi {
  readonly diagnose: (requestId: number, card: JobCard) => DiagnosisAnswer;
}

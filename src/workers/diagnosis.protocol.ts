import type { Explanation } from '@/core/belief';
import type { JobCard } from '@/core/card';
import type { AnswerSummary, Diagnosis } from '@/core/diagnose';

/** An answer with the number of its question and how long it took. */
export interface DiagnosisAnswer {
  readonly requestId: number;
  readonly diagnosis: Diagnosis;
  /** What of it is kept beside the card. */
  readonly summary: AnswerSummary;
  readonly computeMs: number;
}

/** Why the last diagnosis is what it is. */
export interface ExplanationAnswer {
  readonly requestId: number;
  readonly explanation: Explanation;
  readonly computeMs: number;
}

/** What the diagnosis worker offers. */
export interface DiagnosisWorkerApi {
  readonly diagnose: (requestId: number, card: JobCard) => DiagnosisAnswer;
  /** Explains the diagnosis that was asked for last; null where there was none, or once a newer one was asked for. */
  readonly explain: (requestId: number) => Promise<ExplanationAnswer | null>;
}

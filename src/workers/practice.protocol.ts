import type { JobCard } from '@/core/card';
import type { measurePractice, PracticeFile } from '@/core/practice';

/** What the practice machine's meter found, and how long it took to find. */
export interface PracticeAnswer {
  readonly measured: ReturnType<typeof measurePractice>;
  readonly computeMs: number;
}

/** What the practice worker offers. */
export interface PracticeWorkerApi {
  readonly measure: (card: JobCard, practice: PracticeFile, takenCount: number) => PracticeAnswer;
}

import { wrap } from 'comlink';
import type { JobCard } from '@/core/card';
import type { PracticeFile, PracticeMeasurement } from '@/core/practice';
import { fail, type Result } from '@/core/result';
import type { PracticeAnswer, PracticeWorkerApi } from './practice.protocol';

export type PracticeFailure =
  | Extract<PracticeAnswer['measured'], { readonly ok: false }>['failure']
  | { readonly code: 'practice-broke'; readonly detail: string };

/** Playing twenty seconds takes a tenth of one; after this long it has hung. */
const usualLimitMs = 20_000;

/** Measures the practice machine in a worker that lives as long as the measurement. Never rejects. */
export function measureInWorker(
  card: JobCard,
  practice: PracticeFile,
  takenCount: number,
  createWorker: () => Worker = () => new Worker(new URL('./practice.worker.ts', import.meta.url), { type: 'module' }),
  limitMs: number = usualLimitMs,
): Promise<Result<PracticeMeasurement, PracticeFailure>> {
  return new Promise((resolve) => {
    const worker = createWorker();
    const settle = (outcome: Result<PracticeMeasurement, PracticeFailure>): void => {
      clearTimeout(timer);
      worker.terminate();
      resolve(outcome);
    };
    const breakOff = (detail: string): void => settle(fail({ code: 'practice-broke', detail }));
    const timer = setTimeout(() => breakOff(`no answer for ${limitMs} ms`), limitMs);
    worker.addEventListener('error', (event) => breakOff(event.message));
    worker.addEventListener('messageerror', () => breakOff('The answer could not be read.'));
    wrap<PracticeWorkerApi>(worker)
      .measure(card, practice, takenCount)
      .then(
        ({ measured }) => settle(measured),
        (error: Error) => breakOff(error.message),
      );
  });
}

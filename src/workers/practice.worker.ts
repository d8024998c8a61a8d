import { expose } from 'comlink';
import { measurePractice } from '@/core/practice';
import type { PracticeWorkerApi } from './practice.protocol';

const api: PracticeWorkerApi = {
  measure: (card, practice, takenCount) => {
    const startedMs = performance.now();
    const measured = measurePractice(card, practice, takenCount);
    return { measured, computeMs: performance.now() - startedMs };
  },
};

expose(api);

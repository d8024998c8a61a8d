import { expose } from 'comlink';
import { diagnose } from '@/core/diagnose/diagnose';
import type { DiagnosisWorkerApi } from './diagnosis.protocol';

const api: DiagnosisWorkerApi = {
  diagnose: (requestId, card) => {
    const startedMs = performance.now();
    const diagnosis = diagnose(card);
    return { requestId, diagnosis, computeMs: performance.now() - startedMs };
  },
};

expose(api);

import { expose } from 'comlink';
import { createBlobSource } from '@/adapters/browser/blob-source';
import { inspectFile } from '@/adapters/shared/inspect-file';
import type { InspectWorkerApi } from './inspect.protocol';

const api: InspectWorkerApi = {
  inspect: async (requestId, file) => {
    const startedMs = performance.now();
    const { result, bytesRead } = await inspectFile(createBlobSource(file));
    return { requestId, result, bytesRead, computeMs: performance.now() - startedMs };
  },
};

expose(api);

import { expose } from 'comlink';
import { createBlobSource } from '@/adapters/browser/blob-source';
import { askBrowser, createDecodeOracle } from '@/adapters/browser/hardware-answer';
import type { ByteSource } from '@/adapters/shared/byte-source';
import { inspectFile } from '@/adapters/shared/inspect-file';
import type { InspectWorkerApi } from './inspect.protocol';

let pendingReadCount = 0;

/** Counts the reads that the drive has not answered yet. */
const countPending = (source: ByteSource): ByteSource => ({
  ...source,
  read: async (start, end) => {
    pendingReadCount += 1;
    try {
      return await source.read(start, end);
    } finally {
      pendingReadCount -= 1;
    }
  },
});

const api: InspectWorkerApi = {
  inspect: async (requestId, file) => {
    const startedMs = performance.now();
    const { result, bytesRead } = await inspectFile(countPending(createBlobSource(file)));
    const oracle = createDecodeOracle();
    const browserAnswer =
      oracle && result.ok && result.value.kind === 'video' ? await askBrowser(oracle, result.value) : null;
    return { requestId, result, browserAnswer, bytesRead, computeMs: performance.now() - startedMs };
  },
  isWaitingForDrive: () => Promise.resolve(pendingReadCount > 0),
};

expose(api);

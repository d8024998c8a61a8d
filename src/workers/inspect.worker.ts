import { expose } from 'comlink';
import { createBlobSource } from '@/adapters/browser/blob-source';
import { askBrowser, createDecodeOracle } from '@/adapters/browser/hardware-answer';
import type { ByteSource } from '@/adapters/shared/byte-source';
import { inspectFile } from '@/adapters/shared/inspect-file';
import type { InspectWorkerApi } from './inspect.protocol';

let pendingCount = 0;

/** Counts what the drive and the browser have been asked and have not answered yet. */
async function awaitOutside<T>(asked: Promise<T>): Promise<T> {
  pendingCount += 1;
  try {
    return await asked;
  } finally {
    pendingCount -= 1;
  }
}

const countPending = (source: ByteSource): ByteSource => ({
  ...source,
  read: (start, end) => awaitOutside(source.read(start, end)),
});

const api: InspectWorkerApi = {
  inspect: async (requestId, file) => {
    const startedMs = performance.now();
    const { result, bytesRead } = await inspectFile(countPending(createBlobSource(file)));
    const oracle = createDecodeOracle();
    const browserAnswer =
      oracle && result.ok && result.value.kind === 'video'
        ? await awaitOutside(askBrowser(oracle, result.value))
        : null;
    return { requestId, result, browserAnswer, bytesRead, computeMs: performance.now() - startedMs };
  },
  isWaiting: () => Promise.resolve(pendingCount > 0),
};

expose(api);

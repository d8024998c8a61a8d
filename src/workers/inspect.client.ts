import { type Remote, releaseProxy, wrap } from 'comlink';
import type { FootageFailure } from '@/core/footage';
import { fail } from '@/core/result';
import type { InspectAnswer, InspectWorkerApi } from './inspect.protocol';

/** Owns the worker that reads files' facts: one file at a time, in order. */
export interface InspectClient {
  /** Never rejects: a worker that breaks or hangs is ended, and the file's answer is a failure. */
  readonly inspect: (file: File) => Promise<InspectAnswer>;
  /** Answers everything still waiting with `read-cancelled`; the client can be used on. */
  readonly cancel: () => void;
  readonly dispose: () => void;
}

/** No file's facts take this long; a drive that is asleep may take a few seconds to answer. */
export const inspectTimeoutMs = 10_000;

interface RunningWorker {
  readonly worker: Worker;
  readonly remote: Remote<InspectWorkerApi>;
}

/** Creates the client; its worker starts with the first file. `createWorker` is replaced in tests. */
export function createInspectClient(
  createWorker: () => Worker = () => new Worker(new URL('./inspect.worker.ts', import.meta.url), { type: 'module' }),
  timeoutMs: number = inspectTimeoutMs,
): InspectClient {
  let running: RunningWorker | null = null;
  let queue: Promise<unknown> = Promise.resolve();
  let generation = 0;
  let lastRequestId = 0;
  let settleCurrent: ((failure: FootageFailure) => void) | null = null;

  const stopWorker = (): void => {
    running?.remote[releaseProxy]();
    running?.worker.terminate();
    running = null;
  };

  const startWorker = (): RunningWorker => {
    const worker = createWorker();
    const broken = (detail: string) => settleCurrent?.({ code: 'file-unreadable', detail });
    worker.addEventListener('error', (event) => broken(event.message));
    worker.addEventListener('messageerror', () => broken('The answer could not be read.'));
    return { worker, remote: wrap<InspectWorkerApi>(worker) };
  };

  const inspectNow = (file: File): Promise<InspectAnswer> =>
    new Promise((resolve) => {
      lastRequestId += 1;
      const requestId = lastRequestId;
      const settle = (answer: InspectAnswer): void => {
        clearTimeout(timer);
        settleCurrent = null;
        resolve(answer);
      };
      settleCurrent = (failure) => {
        stopWorker();
        settle({ requestId, result: fail(failure), bytesRead: 0, computeMs: 0 });
      };
      const timer = setTimeout(() => settleCurrent?.({ code: 'read-timed-out', afterMs: timeoutMs }), timeoutMs);
      running ??= startWorker();
      running.remote.inspect(requestId, file).then(
        (answer) => {
          if (answer.requestId === requestId) settle(answer);
        },
        (error: Error) => settleCurrent?.({ code: 'file-unreadable', detail: error.message }),
      );
    });

  const cancel = (): void => {
    generation += 1;
    settleCurrent?.({ code: 'read-cancelled' });
  };

  return {
    inspect: (file) => {
      const asked = generation;
      const answer = queue.then((): Promise<InspectAnswer> | InspectAnswer =>
        asked === generation
          ? inspectNow(file)
          : { requestId: 0, result: fail({ code: 'read-cancelled' }), bytesRead: 0, computeMs: 0 },
      );
      queue = answer;
      return answer;
    },
    cancel,
    dispose: () => {
      cancel();
      stopWorker();
    },
  };
}

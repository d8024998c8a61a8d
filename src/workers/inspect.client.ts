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

export interface InspectLimits {
  /** No file's facts take this long once its bytes are there. */
  readonly readMs: number;
  /** On a busy machine the worker itself may take this long to be loaded; no file answers for that. */
  readonly startMs: number;
  /** A drive that is asleep, or away in a cloud, may take this long to give them; a browser asked of decoding too. */
  readonly driveMs: number;
  /** A worker that does not answer within this time is hanging. */
  readonly answerMs: number;
}

export const inspectLimits: InspectLimits = {
  startMs: 20_000,
  readMs: 1800,
  driveMs: 15_000,
  answerMs: 200,
};

interface RunningWorker {
  readonly worker: Worker;
  readonly remote: Remote<InspectWorkerApi>;
  /** False where the worker was not loaded in time. */
  readonly hasStarted: Promise<boolean>;
}

/** What the worker says within this time; false where it says nothing. */
const saidWithin = (answer: Promise<boolean>, limitMs: number): Promise<boolean> =>
  Promise.race([
    answer.catch(() => false),
    new Promise<boolean>((resolve) => setTimeout(() => resolve(false), limitMs)),
  ]);

/** Creates the client; its worker starts with the first file. `createWorker` is replaced in tests. */
export function createInspectClient(
  createWorker: () => Worker = () => new Worker(new URL('./inspect.worker.ts', import.meta.url), { type: 'module' }),
  limits: InspectLimits = inspectLimits,
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
    // What a worker that was ended reports late is not the newer one's.
    const broken = (detail: string): void => {
      if (running?.worker === worker) settleCurrent?.({ code: 'file-unreadable', detail });
    };
    worker.addEventListener('error', (event) => broken(event.message));
    worker.addEventListener('messageerror', () => broken('The answer could not be read.'));
    const remote = wrap<InspectWorkerApi>(worker);
    const answered = remote.isWaiting().then(() => true);
    return { worker, remote, hasStarted: saidWithin(answered, limits.startMs) };
  };

  const inspectNow = (file: File): Promise<InspectAnswer> =>
    new Promise((resolve) => {
      lastRequestId += 1;
      const requestId = lastRequestId;
      running ??= startWorker();
      const { remote, hasStarted } = running;
      let isSettled = false;
      let timer: ReturnType<typeof setTimeout> | undefined;
      const settle = (answer: InspectAnswer): void => {
        isSettled = true;
        clearTimeout(timer);
        settleCurrent = null;
        resolve(answer);
      };
      settleCurrent = (failure) => {
        stopWorker();
        settle({ requestId, result: fail(failure), browserAnswer: null, bytesRead: 0, computeMs: 0 });
      };
      /** Ends the worker unless it is the drive, or the browser, that keeps it waiting. */
      const watch = (afterMs: number): void => {
        timer = setTimeout(async () => {
          const canWait = afterMs < limits.driveMs && (await saidWithin(remote.isWaiting(), limits.answerMs));
          if (isSettled) return;
          if (canWait) watch(afterMs + limits.readMs);
          else settleCurrent?.({ code: 'read-timed-out', afterMs });
        }, limits.readMs);
      };
      hasStarted.then((isLoaded) => {
        if (isSettled) return;
        if (isLoaded) watch(limits.readMs);
        else settleCurrent?.({ code: 'read-timed-out', afterMs: limits.startMs });
      });
      remote.inspect(requestId, file).then(
        (answer) => {
          if (!isSettled && answer.requestId === requestId) settle(answer);
        },
        (error: Error) => {
          if (!isSettled) settleCurrent?.({ code: 'file-unreadable', detail: error.message });
        },
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
          : { requestId: 0, result: fail({ code: 'read-cancelled' }), browserAnswer: null, bytesRead: 0, computeMs: 0 },
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

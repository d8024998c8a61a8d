import { proxy, type Remote, wrap } from 'comlink';
import { fail, type Result } from '@/core/result';

/** One job under way in a worker of its own. */
export interface WorkerJob<Value, Failure extends { readonly code: string }> {
  /** Never rejects. */
  readonly outcome: Promise<Result<Value, Failure>>;
  /** Ends it at once: the worker goes, and every decoder and frame with it. */
  readonly stop: () => void;
}

interface JobDefinition<Api, Progress, Value, Failure extends { readonly code: string }> {
  readonly createWorker: () => Worker;
  readonly run: (api: Remote<Api>, report: (progress: Progress) => void) => Promise<Result<Value, Failure>>;
  readonly onProgress: (progress: Progress) => void;
  /** A worker that says nothing for this long has hung. */
  readonly silenceLimitMs: number;
  readonly broke: (detail: string) => Failure;
  readonly stopped: Failure;
}

/** Does one thing in a worker that ends with it, however it ends. */
export function startWorkerJob<Api, Progress, Value, Failure extends { readonly code: string }>({
  createWorker,
  run,
  onProgress,
  silenceLimitMs,
  broke,
  stopped,
}: JobDefinition<Api, Progress, Value, Failure>): WorkerJob<Value, Failure> {
  const worker = createWorker();
  let settle: (outcome: Result<Value, Failure>) => void = () => undefined;
  let timer: ReturnType<typeof setTimeout> | undefined;
  const outcome = new Promise<Result<Value, Failure>>((resolve) => {
    settle = (value) => {
      clearTimeout(timer);
      worker.terminate();
      resolve(value);
    };
  });
  const breakOff = (detail: string): void => settle(fail(broke(detail)));
  const watch = (): void => {
    clearTimeout(timer);
    timer = setTimeout(() => breakOff(`no sign of life for ${silenceLimitMs} ms`), silenceLimitMs);
  };
  watch();
  worker.addEventListener('error', (event) => breakOff(event.message));
  worker.addEventListener('messageerror', () => breakOff('The answer could not be read.'));
  const report = (progress: Progress): void => {
    watch();
    onProgress(progress);
  };
  run(wrap<Api>(worker), proxy(report)).then(settle, (error: Error) => breakOff(error.message));
  return { outcome, stop: () => settle(fail(stopped)) };
}

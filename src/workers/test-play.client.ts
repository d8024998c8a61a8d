import { proxy, wrap } from 'comlink';
import type { VideoFacts } from '@/core/footage';
import { fail, type Result } from '@/core/result';
import type { TestPlayFailure, TestPlayOutcome, TestPlayProgress } from '@/core/test-play';
import type { TestPlayWorkerApi } from './test-play.protocol';

type Outcome = Result<TestPlayOutcome, TestPlayFailure>;

/** One test-play under way. */
export interface RunningTestPlay {
  /** Never rejects. */
  readonly outcome: Promise<Outcome>;
  /** Ends it at once: the worker goes, and every decoder and frame with it. */
  readonly stop: () => void;
}

/** A decoder that gives nothing for this long has hung; the longest run takes a few seconds. */
const silenceMs = 20_000;

/** Starts a test-play in a worker of its own, which ends with it. `createWorker` is replaced in tests. */
export function startTestPlay(
  file: File,
  facts: VideoFacts,
  onProgress: (progress: TestPlayProgress) => void,
  createWorker: () => Worker = () => new Worker(new URL('./test-play.worker.ts', import.meta.url), { type: 'module' }),
  silenceLimitMs: number = silenceMs,
): RunningTestPlay {
  const worker = createWorker();
  let settle: (outcome: Outcome) => void = () => undefined;
  let timer: ReturnType<typeof setTimeout> | undefined;
  const outcome = new Promise<Outcome>((resolve) => {
    settle = (value) => {
      clearTimeout(timer);
      worker.terminate();
      resolve(value);
    };
  });
  const breakOff = (detail: string): void => settle(fail({ code: 'decoding-broke', detail }));
  const watch = (): void => {
    clearTimeout(timer);
    timer = setTimeout(() => breakOff(`no sign of life for ${silenceLimitMs} ms`), silenceLimitMs);
  };
  watch();
  worker.addEventListener('error', (event) => breakOff(event.message));
  worker.addEventListener('messageerror', () => breakOff('The answer could not be read.'));
  const report = (progress: TestPlayProgress): void => {
    watch();
    onProgress(progress);
  };
  wrap<TestPlayWorkerApi>(worker)
    .testPlay(file, facts, proxy(report))
    .then(settle, (error: Error) => breakOff(error.message));
  return { outcome, stop: () => settle(fail({ code: 'test-stopped' })) };
}

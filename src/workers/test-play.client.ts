import type { VideoFacts } from '@/core/footage';
import type { TestPlayFailure, TestPlayOutcome, TestPlayProgress } from '@/core/test-play';
import type { TestPlayWorkerApi } from './test-play.protocol';
import { startWorkerJob, type WorkerJob } from './worker-job';

/** One test-play under way. */
export type RunningTestPlay = WorkerJob<TestPlayOutcome, TestPlayFailure>;

/** A decoder that gives nothing for this long has hung; the longest run takes a few seconds. */
const silenceMs = 20_000;

/** Starts a test-play in a worker of its own, which ends with it. `createWorker` is replaced in tests. */
export const startTestPlay = (
  file: File,
  facts: VideoFacts,
  onProgress: (progress: TestPlayProgress) => void,
  createWorker: () => Worker = () => new Worker(new URL('./test-play.worker.ts', import.meta.url), { type: 'module' }),
  silenceLimitMs: number = silenceMs,
): RunningTestPlay =>
  startWorkerJob<TestPlayWorkerApi, TestPlayProgress, TestPlayOutcome, TestPlayFailure>({
    createWorker,
    run: (api, report) => api.testPlay(file, facts, report),
    onProgress,
    silenceLimitMs,
    broke: (detail) => ({ code: 'decoding-broke', detail }),
    stopped: { code: 'test-stopped' },
  });

import { type Remote, transfer } from 'comlink';
import type { CaptureFailure, CaptureProgress, CaptureReading, CaptureRequest } from '@/core/meter';
import type { CaptureWorkerApi } from './capture.protocol';
import { startWorkerJob, type WorkerJob } from './worker-job';

/** One shared window being measured. */
export interface RunningCapture extends WorkerJob<CaptureReading, CaptureFailure> {
  /** Ends it before its time, with what it came to so far. */
  readonly finish: () => void;
}

/** The worker tells how it stands four times a second; on a busy machine it may be late. */
const silenceMs = 10_000;

/** Measures the frames of a shared window in a worker of its own, which ends with it. `createWorker` is replaced in tests. */
export const startCapture = (
  frames: ReadableStream<VideoFrame>,
  request: CaptureRequest,
  onProgress: (progress: CaptureProgress) => void,
  createWorker: () => Worker = () => new Worker(new URL('./capture.worker.ts', import.meta.url), { type: 'module' }),
): RunningCapture => {
  let worker: Remote<CaptureWorkerApi> | null = null;
  const job = startWorkerJob<CaptureWorkerApi, CaptureProgress, CaptureReading, CaptureFailure>({
    createWorker,
    run: (api, report) => {
      worker = api;
      return api.measureCapture(transfer(frames, [frames]), request, report);
    },
    onProgress,
    silenceLimitMs: silenceMs,
    broke: (detail) => ({ code: 'capture-broke', detail }),
    stopped: { code: 'capture-stopped' },
  });
  return { ...job, finish: () => worker?.finishCapture() };
};

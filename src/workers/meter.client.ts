import type { RecordingFailure, RecordingProgress, RecordingReading, RecordingRequest } from '@/core/meter';
import type { MeterWorkerApi } from './meter.protocol';
import { startWorkerJob, type WorkerJob } from './worker-job';

/** One recording being measured. */
export type RunningRecording = WorkerJob<RecordingReading, RecordingFailure>;

/** A decoder that gives nothing for this long has hung. */
const silenceMs = 20_000;

/** Measures a recording in a worker of its own, which ends with it. `createWorker` is replaced in tests. */
export const startRecording = (
  file: File,
  request: RecordingRequest,
  onProgress: (progress: RecordingProgress) => void,
  createWorker: () => Worker = () => new Worker(new URL('./meter.worker.ts', import.meta.url), { type: 'module' }),
  silenceLimitMs: number = silenceMs,
): RunningRecording =>
  startWorkerJob<MeterWorkerApi, RecordingProgress, RecordingReading, RecordingFailure>({
    createWorker,
    run: (api, report) => api.measureRecording(file, request, report),
    onProgress,
    silenceLimitMs,
    broke: (detail) => ({ code: 'recording-broke', detail }),
    stopped: { code: 'recording-stopped' },
  });

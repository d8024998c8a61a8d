import type { MachineProgress, MachineRuns, MachineTestFailure } from '@/core/machine-test';
import type { MachineWorkerApi } from './machine.protocol';
import { startWorkerJob, type WorkerJob } from './worker-job';

/** One measurement of the machine under way. */
export type RunningMachineTest = WorkerJob<MachineRuns, MachineTestFailure>;

/** A run takes some seconds; one that is silent for this long has hung. */
const silenceMs = 30_000;

/** Where the sample clip lies that ships with Oil Can. */
const samplePath = '/samples/steady.mp4';

/** Starts measuring this machine in a worker of its own, which ends with it. `createWorker` is replaced in tests. */
export const startMachineTest = (
  coreCount: number,
  onProgress: (progress: MachineProgress) => void,
  createWorker: () => Worker = () => new Worker(new URL('./machine.worker.ts', import.meta.url), { type: 'module' }),
  silenceLimitMs: number = silenceMs,
): RunningMachineTest =>
  startWorkerJob<MachineWorkerApi, MachineProgress, MachineRuns, MachineTestFailure>({
    createWorker,
    run: (api, report) => api.measure(new URL(samplePath, location.origin).href, coreCount, report),
    onProgress,
    silenceLimitMs,
    broke: (detail) => ({ code: 'machine-test-broke', detail }),
    stopped: { code: 'machine-test-stopped' },
  });

import type { GrabbedFrame } from '@/adapters/browser/grab-frame';
import type { VideoFacts } from '@/core/footage';
import type { ProxyFailure, ProxyRecipe } from '@/core/proxies';
import type { FrameWorkerApi } from './frame.protocol';
import { startWorkerJob, type WorkerJob } from './worker-job';

/** One frame being grabbed. */
export type RunningGrab = WorkerJob<GrabbedFrame, ProxyFailure>;

/** A long way from the key frame before takes some seconds. */
const silenceMs = 20_000;

/** Grabs one frame of a clip in a worker of its own, which ends with it. `createWorker` is replaced in tests. */
export const startGrab = (
  file: File,
  facts: VideoFacts,
  atRatio: number,
  recipe: ProxyRecipe | null,
  createWorker: () => Worker = () => new Worker(new URL('./frame.worker.ts', import.meta.url), { type: 'module' }),
): RunningGrab =>
  startWorkerJob<FrameWorkerApi, never, GrabbedFrame, ProxyFailure>({
    createWorker,
    run: (api) => api.grab(file, facts, atRatio, recipe),
    onProgress: () => undefined,
    silenceLimitMs: silenceMs,
    broke: (detail) => ({ code: 'proxy-broke', detail }),
    stopped: { code: 'proxy-stopped' },
  });

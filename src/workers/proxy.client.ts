import type { Remote } from 'comlink';
import type { CheckedProxy, ProxyFailure } from '@/core/proxies';
import type { ProxyOrder, ProxyOutcome, ProxyReport, ProxyWorkerApi } from './proxy.protocol';
import { startWorkerJob, type WorkerJob } from './worker-job';

/** One proxy being made and checked. */
export interface RunningProxy extends WorkerJob<ProxyOutcome, ProxyFailure> {
  readonly setPaused: (isPaused: boolean) => void;
}

/** A decoder that gives nothing for this long has hung. */
const silenceMs = 30_000;
/** A worker that was told to stop takes its file away first; one that does not answer is ended. */
const graceMs = 3000;

/** Makes one proxy in a worker of its own, which ends with it. `createWorker` is replaced in tests. */
export function startProxy(
  order: ProxyOrder,
  onReport: (report: ProxyReport) => void,
  createWorker: () => Worker = () => new Worker(new URL('./proxy.worker.ts', import.meta.url), { type: 'module' }),
  silenceLimitMs: number = silenceMs,
): RunningProxy {
  let remote: Remote<ProxyWorkerApi> | null = null;
  const job = startWorkerJob<ProxyWorkerApi, ProxyReport, ProxyOutcome, ProxyFailure>({
    createWorker,
    run: (api, report) => {
      remote = api;
      return api.make(order, report);
    },
    onProgress: onReport,
    silenceLimitMs,
    broke: (detail) => ({ code: 'proxy-broke', detail }),
    stopped: { code: 'proxy-stopped' },
  });
  return {
    outcome: job.outcome,
    setPaused: (isPaused) => void remote?.setPaused(isPaused),
    stop: () => {
      void remote?.stop();
      setTimeout(job.stop, graceMs);
    },
  };
}

/** One proxy being held against its original. */
export type RunningCheck = WorkerJob<CheckedProxy, ProxyFailure>;

/** Checks a proxy that is there already in a worker of its own. `createWorker` is replaced in tests. */
export const startProxyCheck = (
  original: File,
  proxy: File,
  createWorker: () => Worker = () => new Worker(new URL('./proxy.worker.ts', import.meta.url), { type: 'module' }),
): RunningCheck =>
  startWorkerJob<ProxyWorkerApi, void, CheckedProxy, ProxyFailure>({
    createWorker,
    run: (api, report) => api.check(original, proxy, report),
    onProgress: () => undefined,
    silenceLimitMs: silenceMs,
    broke: (detail) => ({ code: 'proxy-broke', detail }),
    stopped: { code: 'proxy-stopped' },
  });

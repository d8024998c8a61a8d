import { describe, expect, it } from 'vitest';
import { videoFacts } from '../../tests/arbitrary/clips';
import { ChannelWorker } from '../../tests/stand-ins/channel-worker';
import { usualRecipe } from '../core/proxies';
import { startProxy } from './proxy.client';
import type { ProxyOrder, ProxyReport, ProxyWorkerApi } from './proxy.protocol';

const order: ProxyOrder = {
  file: new File(['pots'], 'pots.mp4'),
  facts: videoFacts(),
  recipe: usualRecipe,
  folder: {} as FileSystemDirectoryHandle,
  name: 'pots_Proxy.mp4',
  isReplacing: false,
};
const made = { frameCount: 9, widthPx: 960, heightPx: 540, sizeBytes: 5, elapsedMs: 7, droppedSoundCount: 0 };

const start = (api: Partial<ProxyWorkerApi>, silenceLimitMs = 5000) => {
  const worker = new ChannelWorker(api);
  const reports: ProxyReport[] = [];
  const running = startProxy(
    order,
    (report) => reports.push(report),
    () => worker as unknown as Worker,
    silenceLimitMs,
  );
  return { worker, reports, running };
};

describe('startProxy', () => {
  it('passes reports on and ends its worker with the answer', async () => {
    const { worker, reports, running } = start({
      make: async (_, onReport) => {
        await onReport({ kind: 'checking', made });
        return { ok: true, value: { made, check: null } };
      },
    });
    expect(await running.outcome).toEqual({ ok: true, value: { made, check: null } });
    expect(reports).toEqual([{ kind: 'checking', made }]);
    expect(worker.isTerminated).toBe(true);
  });

  it('lets a worker that is stopped take its file away before it ends', async () => {
    let stop = (): void => undefined;
    const cleared: string[] = [];
    const { worker, running } = start({
      make: async () => {
        await new Promise<void>((resolve) => {
          stop = resolve;
        });
        cleared.push('file');
        return { ok: false, failure: { code: 'proxy-stopped' } };
      },
      stop: () => stop(),
    });
    running.stop();
    expect(await running.outcome).toEqual({ ok: false, failure: { code: 'proxy-stopped' } });
    expect([cleared, worker.isTerminated]).toEqual([['file'], true]);
  });

  it('holds its worker, and ends one that breaks or says nothing', async () => {
    const heard: boolean[] = [];
    const held = start(
      { make: () => new Promise(() => undefined), setPaused: (isPaused) => heard.push(isPaused) },
      150,
    );
    held.running.setPaused(true);
    expect(await held.running.outcome).toMatchObject({ failure: { code: 'proxy-broke' } });
    expect([heard, held.worker.isTerminated]).toEqual([[true], true]);
  });
});

import { describe, expect, it } from 'vitest';
import { videoFacts } from '../../tests/arbitrary/clips';
import { ChannelWorker } from '../../tests/stand-ins/channel-worker';
import { startTestPlay } from './test-play.client';
import type { TestPlayWorkerApi } from './test-play.protocol';

const file = new File(['pots'], 'pots.mp4');
const forever = () => new Promise<never>(() => undefined);

const start = (testPlay: TestPlayWorkerApi['testPlay'], silenceLimitMs = 5000) => {
  const worker = new ChannelWorker({ testPlay });
  const phases: string[] = [];
  const running = startTestPlay(
    file,
    videoFacts(),
    (progress) => phases.push(progress.phase),
    () => worker as unknown as Worker,
    silenceLimitMs,
  );
  return { worker, phases, running };
};

describe('startTestPlay', () => {
  it('passes progress on and ends its worker with the answer', async () => {
    const { worker, phases, running } = start(async (_file, _facts, onProgress) => {
      await onProgress({ phase: 'loading' });
      return { ok: false, failure: { code: 'codec-not-decoded', codec: 'hevc' } };
    });
    expect(await running.outcome).toEqual({ ok: false, failure: { code: 'codec-not-decoded', codec: 'hevc' } });
    expect(phases).toEqual(['loading']);
    expect(worker.isTerminated).toBe(true);
  });

  it('stops at once, whatever the worker is doing', async () => {
    const { worker, running } = start(forever);
    running.stop();
    expect(await running.outcome).toEqual({ ok: false, failure: { code: 'test-stopped' } });
    expect(worker.isTerminated).toBe(true);
  });

  it('ends a worker that says nothing for too long, and one that breaks', async () => {
    const silent = start(forever, 50);
    expect(await silent.running.outcome).toMatchObject({ failure: { code: 'decoding-broke' } });
    const broken = start(forever);
    broken.worker.dispatchEvent(Object.assign(new Event('error'), { message: 'out of memory' }));
    expect(await broken.running.outcome).toMatchObject({
      failure: { code: 'decoding-broke', detail: 'out of memory' },
    });
    expect([silent.worker.isTerminated, broken.worker.isTerminated]).toEqual([true, true]);
  });
});

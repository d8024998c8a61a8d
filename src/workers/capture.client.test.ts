import { describe, expect, it } from 'vitest';
import type { CaptureProgress, CaptureRequest } from '@/core/meter';
import { ChannelWorker } from '../../tests/stand-ins/channel-worker';
import { startCapture } from './capture.client';
import type { CaptureWorkerApi } from './capture.protocol';

const request: CaptureRequest = {
  region: null,
  clipFps: 25,
  ceilingFps: 60,
  countInMs: 10,
  lengthMs: 100,
  isOpenEnded: false,
};
const counting: CaptureProgress = {
  phase: 'counting-in',
  leftMs: 10,
  frameCount: 0,
  newBeforeMs: [],
  isRegionKnown: false,
  isQuiet: false,
};

const start = (measureCapture: CaptureWorkerApi['measureCapture'], finishCapture: () => void = () => undefined) => {
  const worker = new ChannelWorker({ measureCapture, finishCapture });
  const told: CaptureProgress[] = [];
  const frames = new ReadableStream<VideoFrame>({ start: (controller) => controller.close() });
  const running = startCapture(
    frames,
    request,
    (progress) => told.push(progress),
    () => worker as unknown as Worker,
  );
  return { worker, told, frames, running };
};

describe('startCapture', () => {
  it('hands the frames over, passes progress on, and ends its worker with the answer', async () => {
    const { worker, told, frames, running } = start(async (handed, asked, onProgress) => {
      await onProgress(counting);
      const { done } = await handed.getReader().read();
      expect([done, asked]).toEqual([true, request]);
      return { ok: false, failure: { code: 'capture-silent' } };
    });
    expect(frames.locked).toBe(true);
    expect(await running.outcome).toEqual({ ok: false, failure: { code: 'capture-silent' } });
    expect([told, worker.isTerminated]).toEqual([[counting], true]);
  });

  it('can be ended before its time, with what it came to', async () => {
    let finish = (): void => undefined;
    const finished = new Promise<void>((resolve) => {
      finish = resolve;
    });
    const { running } = start(
      async () => {
        await finished;
        return { ok: false, failure: { code: 'capture-ended' } };
      },
      () => finish(),
    );
    running.finish();
    expect(await running.outcome).toEqual({ ok: false, failure: { code: 'capture-ended' } });
  });

  it('stops at once, and answers for a worker that breaks', async () => {
    const forever = () => new Promise<never>(() => undefined);
    const stopped = start(forever);
    stopped.running.stop();
    expect(await stopped.running.outcome).toEqual({ ok: false, failure: { code: 'capture-stopped' } });
    const broken = start(forever);
    broken.worker.dispatchEvent(Object.assign(new Event('error'), { message: 'out of memory' }));
    expect(await broken.running.outcome).toEqual({
      ok: false,
      failure: { code: 'capture-broke', detail: 'out of memory' },
    });
  });
});

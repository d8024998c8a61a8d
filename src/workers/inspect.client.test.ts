import { describe, expect, it } from 'vitest';
import { ChannelWorker } from '../../tests/stand-ins/channel-worker';
import { createInspectClient, type InspectLimits, inspectLimits } from './inspect.client';
import type { InspectAnswer, InspectWorkerApi } from './inspect.protocol';

const answer = (requestId: number): InspectAnswer => ({
  requestId,
  result: { ok: false, failure: { code: 'file-empty' } },
  browserAnswer: null,
  bytesRead: 7,
  computeMs: 1,
});
const file = new File(['pots'], 'pots.mp4');

/** A client whose n-th worker behaves as the n-th function says. */
const clientOf = (
  behaviours: readonly InspectWorkerApi['inspect'][],
  limits: InspectLimits = inspectLimits,
  isWaiting: InspectWorkerApi['isWaiting'] = async () => false,
) => {
  const workers: ChannelWorker[] = [];
  const client = createInspectClient(() => {
    const inspect = behaviours[workers.length];
    if (!inspect) throw new Error('no further worker was expected');
    const worker = new ChannelWorker({ inspect, isWaiting });
    workers.push(worker);
    return worker as unknown as Worker;
  }, limits);
  return { client, workers };
};

const forever = () => new Promise<InspectAnswer>(() => undefined);

describe('createInspectClient', () => {
  it('reads several files through one worker, in order', async () => {
    const seen: number[] = [];
    const { client, workers } = clientOf([
      async (requestId) => {
        seen.push(requestId);
        return answer(requestId);
      },
    ]);
    const answers = await Promise.all([client.inspect(file), client.inspect(file), client.inspect(file)]);
    expect(answers.map(({ bytesRead }) => bytesRead)).toEqual([7, 7, 7]);
    expect(seen).toEqual([1, 2, 3]);
    expect(workers).toHaveLength(1);
    client.dispose();
  });

  it('ends a worker that hangs, says so, and goes on with the next file in a new one', async () => {
    const { client, workers } = clientOf([forever, async (requestId) => answer(requestId)], {
      ...inspectLimits,
      readMs: 60,
    });
    const [first, second] = await Promise.all([client.inspect(file), client.inspect(file)]);
    expect(first.result).toEqual({ ok: false, failure: { code: 'read-timed-out', afterMs: 60 } });
    expect(second.bytesRead).toBe(7);
    expect(workers[0]?.isTerminated).toBe(true);
    client.dispose();
  });

  it('ends a worker that no longer says whether it waits', async () => {
    let askedCount = 0;
    const onceOnly = () => {
      askedCount += 1;
      return askedCount === 1 ? Promise.resolve(false) : new Promise<boolean>(() => undefined);
    };
    const limits = { startMs: 4000, readMs: 40, driveMs: 4000, answerMs: 40 };
    const { client, workers } = clientOf([forever], limits, onceOnly);
    expect((await client.inspect(file)).result).toMatchObject({ failure: { code: 'read-timed-out', afterMs: 40 } });
    expect(workers[0]?.isTerminated).toBe(true);
    client.dispose();
  });

  it('does not hold a slow start of the worker against the file, and does not wait for ever for it', async () => {
    const startsAfter = (startMs: number) => () =>
      new Promise<boolean>((resolve) => setTimeout(() => resolve(false), startMs));
    const slow = async (requestId: number) => {
      await new Promise((resolve) => setTimeout(resolve, 150));
      return answer(requestId);
    };
    const limits = { startMs: 4000, readMs: 60, driveMs: 60, answerMs: 40 };
    const late = clientOf([slow], limits, startsAfter(130));
    expect((await late.client.inspect(file)).bytesRead).toBe(7);
    late.client.dispose();
    const never = clientOf([forever], { ...limits, startMs: 50 }, startsAfter(100_000));
    expect((await never.client.inspect(file)).result).toMatchObject({
      failure: { code: 'read-timed-out', afterMs: 50 },
    });
    never.client.dispose();
  });

  it('waits longer for a drive that is asleep, and not for ever', async () => {
    const slow = async (requestId: number) => {
      await new Promise((resolve) => setTimeout(resolve, 150));
      return answer(requestId);
    };
    const limits = { startMs: 4000, readMs: 40, driveMs: 400, answerMs: 40 };
    const patient = clientOf([slow], limits, async () => true);
    expect((await patient.client.inspect(file)).bytesRead).toBe(7);
    patient.client.dispose();
    const asleep = clientOf([forever], limits, async () => true);
    expect((await asleep.client.inspect(file)).result).toMatchObject({
      failure: { code: 'read-timed-out', afterMs: 400 },
    });
    asleep.client.dispose();
  });

  it('is set to end a hanging file after two seconds', () => {
    expect(inspectLimits.readMs + inspectLimits.answerMs).toBeLessThanOrEqual(2000);
  });

  it('answers a worker that breaks with a failure', async () => {
    const { client, workers } = clientOf([forever]);
    const reading = client.inspect(file);
    await new Promise((resolve) => setTimeout(resolve, 20));
    workers[0]?.dispatchEvent(Object.assign(new Event('error'), { message: 'out of memory' }));
    expect((await reading).result).toEqual({
      ok: false,
      failure: { code: 'file-unreadable', detail: 'out of memory' },
    });
    client.dispose();
  });

  it('answers everything waiting when it is cancelled, and can be used on', async () => {
    const { client } = clientOf([forever, async (requestId) => answer(requestId)]);
    const waiting = [client.inspect(file), client.inspect(file)];
    await new Promise((resolve) => setTimeout(resolve, 20));
    client.cancel();
    for (const { result } of await Promise.all(waiting))
      expect(result).toEqual({ ok: false, failure: { code: 'read-cancelled' } });
    expect((await client.inspect(file)).bytesRead).toBe(7);
    client.dispose();
  });
});

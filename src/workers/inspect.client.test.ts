import { type Endpoint, expose } from 'comlink';
import { describe, expect, it } from 'vitest';
import { createInspectClient } from './inspect.client';
import type { InspectAnswer, InspectWorkerApi } from './inspect.protocol';

/** Stands in for a worker: the other end of a message channel, which can be ended and can report an error. */
class ChannelWorker extends EventTarget {
  readonly #channel = new MessageChannel();
  isTerminated = false;
  constructor(api: InspectWorkerApi) {
    super();
    this.#channel.port1.start();
    this.#channel.port2.start();
    expose(api, this.#channel.port2 as unknown as Endpoint);
  }
  postMessage(message: unknown, transfer: Transferable[] = []) {
    this.#channel.port1.postMessage(message, transfer);
  }
  override addEventListener(type: string, listener: EventListener) {
    if (type === 'message') this.#channel.port1.addEventListener(type, listener);
    else super.addEventListener(type, listener);
  }
  override removeEventListener(type: string, listener: EventListener) {
    if (type === 'message') this.#channel.port1.removeEventListener(type, listener);
    else super.removeEventListener(type, listener);
  }
  terminate() {
    this.isTerminated = true;
    this.#channel.port1.close();
    this.#channel.port2.close();
  }
}

const answer = (requestId: number): InspectAnswer => ({
  requestId,
  result: { ok: false, failure: { code: 'file-empty' } },
  bytesRead: 7,
  computeMs: 1,
});
const file = new File(['pots'], 'pots.mp4');

/** A client whose n-th worker behaves as the n-th function says. */
const clientOf = (behaviours: readonly InspectWorkerApi['inspect'][], timeoutMs = 2000) => {
  const workers: ChannelWorker[] = [];
  const client = createInspectClient(() => {
    const inspect = behaviours[workers.length];
    if (!inspect) throw new Error('no further worker was expected');
    const worker = new ChannelWorker({ inspect });
    workers.push(worker);
    return worker as unknown as Worker;
  }, timeoutMs);
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
    const { client, workers } = clientOf([forever, async (requestId) => answer(requestId)], 60);
    const [first, second] = await Promise.all([client.inspect(file), client.inspect(file)]);
    expect(first.result).toEqual({ ok: false, failure: { code: 'read-timed-out', afterMs: 60 } });
    expect(second.bytesRead).toBe(7);
    expect(workers[0]?.isTerminated).toBe(true);
    client.dispose();
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

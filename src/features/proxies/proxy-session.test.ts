import { describe, expect, it, vi } from 'vitest';
import type { CardProxy } from '@/core/card';
import type { VideoFacts } from '@/core/footage';
import { type MadeProxy, type ProxyFailure, usualRecipe } from '@/core/proxies';
import { fail, type Result, succeed } from '@/core/result';
import type { startProxy } from '@/workers/proxy.client';
import type { ProxyOutcome } from '@/workers/proxy.protocol';
import { ProxySession } from './proxy-session';

const made: MadeProxy = {
  frameCount: 100,
  widthPx: 960,
  heightPx: 540,
  sizeBytes: 1000,
  elapsedMs: 4000,
  droppedSoundCount: 0,
};
const good: ProxyOutcome = { made, check: { isGood: true, faults: [], pictures: 'compared' } };

/** Workers that end when they are told to. */
function createWorkers() {
  const running = new Map<
    string,
    { readonly end: (outcome: Result<ProxyOutcome, ProxyFailure>) => void; isPaused: boolean; isStopped: boolean }
  >();
  const start: typeof startProxy = ({ name }) => {
    let end = (_: Result<ProxyOutcome, ProxyFailure>): void => undefined;
    const outcome = new Promise<Result<ProxyOutcome, ProxyFailure>>((resolve) => {
      end = resolve;
    });
    const worker = { end, isPaused: false, isStopped: false };
    running.set(name, worker);
    return {
      outcome,
      setPaused: (isPaused) => {
        worker.isPaused = isPaused;
      },
      stop: () => {
        worker.isStopped = true;
      },
    };
  };
  return { running, start };
}

const onMade = vi.fn<(proxy: CardProxy) => void>();
const order = (clipId: string) => ({
  cardId: 'card',
  clipId,
  name: `${clipId}.mp4`,
  file: new File([], `${clipId}.mov`),
  facts: { frameCount: 100, durationMs: 4000, frameRate: { num: 25, den: 1 } } as VideoFacts,
  recipe: usualRecipe,
  folder: { name: 'Proxies' } as FileSystemDirectoryHandle,
  isReplacing: false,
  onMade,
});
const stagesOf = (session: ProxySession) => session.getSnapshot().items.map(({ stage }) => stage);
const settle = () => new Promise((resolve) => setTimeout(resolve, 0));

describe('ProxySession', () => {
  it('makes one after the other, hands each on, and goes on after one that failed', async () => {
    const { running, start } = createWorkers();
    const session = new ProxySession(
      () => 4,
      start,
      () => 7,
    );
    session.add([order('a'), order('b'), order('c')]);
    expect([...running.keys()]).toEqual(['a.mp4']);
    running.get('a.mp4')?.end(succeed(good));
    await settle();
    expect(onMade).toHaveBeenLastCalledWith(
      expect.objectContaining({ clipId: 'a', fileName: 'a.mp4', folderName: 'Proxies', faults: [], madeAtMs: 7 }),
    );
    running.get('b.mp4')?.end(fail({ code: 'proxy-encoder-failed', detail: '' }));
    await settle();
    expect(stagesOf(session)).toEqual(['made', 'failed', 'making']);
  });

  it('guards the tab while something is being made, and no longer', async () => {
    const { running, start } = createWorkers();
    const guard = vi.fn<(isBusy: boolean) => void>();
    new ProxySession(
      () => 4,
      start,
      () => 7,
      guard,
    ).add([order('a')]);
    expect(guard).toHaveBeenLastCalledWith(true);
    running.get('a.mp4')?.end(succeed(good));
    await settle();
    expect(guard).toHaveBeenLastCalledWith(false);
  });

  it('makes several at once where there are cores', () => {
    const { running, start } = createWorkers();
    new ProxySession(() => 12, start).add([order('a'), order('b'), order('c'), order('d')]);
    expect(running.size).toBe(3);
  });

  it('holds what is in hand, and begins nothing new until it goes on', async () => {
    const { running, start } = createWorkers();
    const session = new ProxySession(() => 4, start);
    session.add([order('a'), order('b')]);
    session.setPaused(true);
    expect(running.get('a.mp4')?.isPaused).toBe(true);
    running.get('a.mp4')?.end(succeed(good));
    await settle();
    expect(stagesOf(session)).toEqual(['made', 'waiting']);
    session.setPaused(false);
    expect(stagesOf(session)).toEqual(['made', 'making']);
  });

  it('waits with the next until a stopped one has taken its file away', async () => {
    const { running, start } = createWorkers();
    const session = new ProxySession(() => 4, start);
    session.add([order('a'), order('b')]);
    session.stop('a');
    expect(running.get('a.mp4')?.isStopped).toBe(true);
    expect(stagesOf(session)).toEqual(['stopped', 'waiting']);
    running.get('a.mp4')?.end(fail({ code: 'proxy-stopped' }));
    await settle();
    expect(stagesOf(session)).toEqual(['stopped', 'making']);
  });
});

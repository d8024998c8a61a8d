import { clearAfterDeath } from '@/adapters/browser/proxy-folder';
import type { CardProxy } from '@/core/card';
import {
  emptyQueue,
  isOver,
  nextToBegin,
  type ProxyOriginal,
  type ProxyQueue,
  type QueueEvent,
  reduceQueue,
} from '@/core/proxies';
import { type RunningProxy, startProxy } from '@/workers/proxy.client';
import type { ProxyOrder } from '@/workers/proxy.protocol';

/** An order of one clip, with where its result goes. */
export interface QueuedOrder extends ProxyOrder {
  readonly cardId: string;
  readonly clipId: string;
  readonly onMade: (proxy: CardProxy) => void;
}

/** Frames of an original, as far as they are known; a still is one. */
const frameTotalOf = (facts: ProxyOriginal): number =>
  facts.kind === 'still'
    ? 1
    : (facts.frameCount ?? Math.round((facts.durationMs / 1000) * (facts.frameRate.num / facts.frameRate.den)));

/** Several clips at once where cores are free: a decoder alone keeps about four busy. */
const clipsAtOnce = (coreCount: number): number => Math.min(3, Math.max(1, Math.floor(coreCount / 4)));

/**
 * The making of proxies while this page is open, whichever screen is shown: a queue, the workers at it, and what they made.
 */
export class ProxySession {
  private queue: ProxyQueue = emptyQueue;
  private readonly orders = new Map<string, QueuedOrder>();
  private readonly running = new Map<string, RunningProxy>();
  private readonly listeners = new Set<() => void>();

  constructor(
    private readonly coreCount: () => number,
    private readonly start: typeof startProxy = startProxy,
    private readonly nowMs: () => number = Date.now,
    /** Told whether the tab must not be closed unasked. */
    private readonly guard: (isBusy: boolean) => void = () => undefined,
  ) {}

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  readonly getSnapshot = (): ProxyQueue => this.queue;

  readonly isBusy = (): boolean => this.queue.items.some((item) => !isOver(item));

  add(orders: readonly QueuedOrder[]): void {
    for (const order of orders) this.orders.set(order.clipId, order);
    this.step({
      type: 'added',
      items: orders.map(({ clipId, file, name, facts }) => ({
        clipId,
        fileName: file.name,
        proxyName: name,
        frameTotal: frameTotalOf(facts),
      })),
    });
  }

  setPaused(isPaused: boolean): void {
    for (const job of this.running.values()) job.setPaused(isPaused);
    this.step({ type: isPaused ? 'paused' : 'resumed' });
  }

  /** One clip, or all that are not done. */
  stop(clipId: string | null): void {
    for (const [id, job] of this.running) if (clipId === null || id === clipId) job.stop();
    this.step({ type: 'stopped', clipId });
  }

  move(clipId: string, by: -1 | 1): void {
    this.step({ type: 'moved', clipId, by });
  }

  clear(): void {
    this.step({ type: 'cleared' });
  }

  private step(event: QueueEvent): void {
    this.queue = reduceQueue(this.queue, event);
    // One that was stopped still takes its file away: it counts until it is gone.
    const free = clipsAtOnce(this.coreCount()) - this.running.size;
    for (const { clipId } of nextToBegin(this.queue, clipsAtOnce(this.coreCount())).slice(0, Math.max(0, free)))
      this.begin(clipId);
    this.guard(this.isBusy());
    for (const listener of this.listeners) listener();
  }

  private begin(clipId: string): void {
    const order = this.orders.get(clipId);
    if (!order) throw new Error(`ProxySession: no order for ${clipId}`);
    this.queue = reduceQueue(this.queue, { type: 'began', clipId });
    const { cardId: _, clipId: __, onMade: ___, ...sent } = order;
    const job = this.start(sent, (report) =>
      this.step(
        report.kind === 'making'
          ? { type: 'progressed', clipId, progress: report.progress }
          : { type: 'written', clipId, made: report.made },
      ),
    );
    this.running.set(clipId, job);
    job.outcome.then(async (outcome) => {
      this.running.delete(clipId);
      if (outcome.ok) {
        const { made, check } = outcome.value;
        order.onMade({
          clipId,
          fileName: order.name,
          folderName: order.folder.name,
          widthPx: made.widthPx,
          heightPx: made.heightPx,
          isEveryFrameKey: order.recipe.keyFrames === 'every-frame',
          sizeBytes: made.sizeBytes,
          madeAtMs: this.nowMs(),
          isShown: 'unknown',
          faults: check ? check.faults.map(({ code }) => code) : null,
        });
        this.step({ type: 'checked', clipId, check });
        return;
      }
      // A worker that died could not take its file away. Where the folder refuses that now, its next opening does it.
      if (outcome.failure.code === 'proxy-broke')
        await clearAfterDeath(order.folder, order.name).catch(() => undefined);
      this.step({ type: 'failed', clipId, failure: outcome.failure });
    });
  }
}

const ask = (event: BeforeUnloadEvent): void => event.preventDefault();

/** The one session of this page. Whichever screen is shown, closing the tab asks while something is being made. */
export const proxySession = new ProxySession(
  () => navigator.hardwareConcurrency || 2,
  startProxy,
  Date.now,
  (isBusy) => (isBusy ? window.addEventListener('beforeunload', ask) : window.removeEventListener('beforeunload', ask)),
);

import type { ProxyCheck } from './check-proxy';
import type { MadeProxy, ProxyFailure, ProxyProgress } from './types';

export type QueueStage = 'waiting' | 'making' | 'checking' | 'made' | 'failed' | 'stopped';

/** One clip in the queue. */
export interface QueueItem {
  readonly clipId: string;
  readonly fileName: string;
  /** Name of the proxy's file. */
  readonly proxyName: string;
  /** Frames of the original, as far as they are known; for how much is left. */
  readonly frameTotal: number;
  readonly stage: QueueStage;
  readonly progress: ProxyProgress | null;
  readonly made: MadeProxy | null;
  readonly check: ProxyCheck | null;
  readonly failure: ProxyFailure | null;
}

export interface ProxyQueue {
  readonly items: readonly QueueItem[];
  readonly isPaused: boolean;
}

export const emptyQueue: ProxyQueue = { items: [], isPaused: false };

export type QueueEvent =
  | {
      readonly type: 'added';
      readonly items: readonly Pick<QueueItem, 'clipId' | 'fileName' | 'proxyName' | 'frameTotal'>[];
    }
  | { readonly type: 'began'; readonly clipId: string }
  | { readonly type: 'progressed'; readonly clipId: string; readonly progress: ProxyProgress }
  | { readonly type: 'written'; readonly clipId: string; readonly made: MadeProxy }
  | { readonly type: 'checked'; readonly clipId: string; readonly check: ProxyCheck | null }
  | { readonly type: 'failed'; readonly clipId: string; readonly failure: ProxyFailure }
  /** Only what waits can be moved. */
  | { readonly type: 'moved'; readonly clipId: string; readonly by: -1 | 1 }
  /** One clip, or all that are not done. */
  | { readonly type: 'stopped'; readonly clipId: string | null }
  | { readonly type: 'paused' | 'resumed' | 'cleared' };

/** Whether nothing more happens to an item by itself. */
export const isOver = ({ stage }: QueueItem): boolean => stage === 'made' || stage === 'failed' || stage === 'stopped';

const change = (queue: ProxyQueue, clipId: string, to: (item: QueueItem) => QueueItem): ProxyQueue => ({
  ...queue,
  items: queue.items.map((item) => (item.clipId === clipId ? to(item) : item)),
});

/** What is stopped stays stopped: a worker's last words may come later. */
const changeRunning = (queue: ProxyQueue, clipId: string, to: (item: QueueItem) => QueueItem): ProxyQueue =>
  change(queue, clipId, (item) => (isOver(item) ? item : to(item)));

/** Failures after which the others would fail alike: the queue stops and says so once. */
const stopsAll = ({ code }: ProxyFailure): boolean => code === 'proxy-disk-full' || code === 'proxy-permission-lost';

function move(queue: ProxyQueue, clipId: string, by: -1 | 1): ProxyQueue {
  const from = queue.items.findIndex((item) => item.clipId === clipId);
  const item = queue.items[from];
  const other = queue.items[from + by];
  if (item?.stage !== 'waiting' || other?.stage !== 'waiting') return queue;
  return { ...queue, items: queue.items.with(from, other).with(from + by, item) };
}

/** Steps the queue on; pure. */
export function reduceQueue(queue: ProxyQueue, event: QueueEvent): ProxyQueue {
  switch (event.type) {
    case 'added': {
      const ids = new Set(event.items.map(({ clipId }) => clipId));
      const kept = queue.items.filter((item) => !(ids.has(item.clipId) && isOver(item)));
      const known = new Set(kept.map(({ clipId }) => clipId));
      const fresh = event.items
        .filter(({ clipId }) => !known.has(clipId))
        .map(
          (item): QueueItem => ({ ...item, stage: 'waiting', progress: null, made: null, check: null, failure: null }),
        );
      return { ...queue, items: [...kept, ...fresh] };
    }
    case 'began':
      return changeRunning(queue, event.clipId, (item) => ({ ...item, stage: 'making', failure: null }));
    case 'progressed':
      return changeRunning(queue, event.clipId, (item) => ({ ...item, progress: event.progress }));
    case 'written':
      return changeRunning(queue, event.clipId, (item) => ({ ...item, stage: 'checking', made: event.made }));
    case 'checked':
      return changeRunning(queue, event.clipId, (item) => ({ ...item, stage: 'made', check: event.check }));
    case 'failed': {
      const failed = changeRunning(queue, event.clipId, (item) => ({
        ...item,
        stage: 'failed',
        failure: event.failure,
      }));
      return stopsAll(event.failure) ? { ...failed, isPaused: true } : failed;
    }
    case 'moved':
      return move(queue, event.clipId, event.by);
    case 'stopped':
      return {
        ...queue,
        items: queue.items.map((item) =>
          (event.clipId === null || item.clipId === event.clipId) && !isOver(item)
            ? { ...item, stage: 'stopped' }
            : item,
        ),
      };
    case 'paused':
      return { ...queue, isPaused: true };
    case 'resumed':
      return { ...queue, isPaused: false };
    case 'cleared':
      return { ...queue, items: queue.items.filter((item) => !isOver(item)) };
  }
}

/** The clips to begin now, so that no more than `atOnce` are in hand. */
export function nextToBegin({ items, isPaused }: ProxyQueue, atOnce: number): readonly QueueItem[] {
  if (isPaused) return [];
  const runningCount = items.filter(({ stage }) => stage === 'making' || stage === 'checking').length;
  return items.filter(({ stage }) => stage === 'waiting').slice(0, Math.max(0, atOnce - runningCount));
}

/** How far all of it is. */
export interface QueueSummary {
  readonly doneCount: number;
  readonly totalCount: number;
  readonly frameCount: number;
  readonly frameTotal: number;
  /** Frames a second at which clips are made now; null before any rate is known. */
  readonly framesPerSec: number | null;
  readonly secondsLeft: number | null;
}

/** Sums the queue up; the rate is that of what is being made, or else of what was made. */
export function summarizeQueue({ items }: ProxyQueue): QueueSummary {
  const counted = items.filter(({ stage }) => stage !== 'failed' && stage !== 'stopped');
  const framesOf = ({ stage, made, progress, frameTotal }: QueueItem): number =>
    stage === 'made' || stage === 'checking'
      ? (made?.frameCount ?? frameTotal)
      : Math.min(frameTotal, progress?.frameCount ?? 0);
  const rateOf = (count: number, elapsedMs: number): number => (elapsedMs > 0 ? (1000 * count) / elapsedMs : 0);
  const running = items.filter(({ stage }) => stage === 'making');
  const now = running.reduce(
    (sum, { progress }) => sum + (progress ? rateOf(progress.frameCount, progress.elapsedMs) : 0),
    0,
  );
  const done = items.flatMap(({ made }) => (made ? [made] : []));
  const before = rateOf(
    done.reduce((sum, { frameCount }) => sum + frameCount, 0),
    done.reduce((sum, { elapsedMs }) => sum + elapsedMs, 0),
  );
  const framesPerSec = now > 0 ? now : before > 0 ? before : null;
  const frameCount = counted.reduce((sum, item) => sum + framesOf(item), 0);
  const frameTotal = counted.reduce((sum, item) => sum + Math.max(framesOf(item), item.frameTotal), 0);
  return {
    doneCount: items.filter(isOver).length,
    totalCount: items.length,
    frameCount,
    frameTotal,
    framesPerSec,
    secondsLeft: framesPerSec === null ? null : (frameTotal - frameCount) / framesPerSec,
  };
}

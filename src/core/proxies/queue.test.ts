import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { propertyRuns } from '../../../tests/arbitrary/setup';
import { emptyQueue, isOver, nextToBegin, type ProxyQueue, type QueueEvent, reduceQueue, summarizeQueue } from '.';

const item = (clipId: string, frameTotal = 100) => ({
  clipId,
  fileName: `${clipId}.mov`,
  proxyName: `${clipId}_Proxy.mp4`,
  frameTotal,
});
const made = { frameCount: 100, widthPx: 960, heightPx: 540, sizeBytes: 1000, elapsedMs: 4000, droppedSoundCount: 0 };
const check = { isGood: true, faults: [], pictures: 'compared' } as const;
const following = (...events: readonly QueueEvent[]): ProxyQueue => events.reduce(reduceQueue, emptyQueue);
const stagesOf = ({ items }: ProxyQueue) => items.map(({ clipId, stage }) => `${clipId} ${stage}`);
const three: QueueEvent = { type: 'added', items: [item('a'), item('b'), item('c')] };

describe('reduceQueue', () => {
  it('takes a clip from waiting to checked', () => {
    const queue = following(
      three,
      { type: 'began', clipId: 'a' },
      { type: 'progressed', clipId: 'a', progress: { frameCount: 40, atMs: 1600, elapsedMs: 1000 } },
      { type: 'written', clipId: 'a', made },
      { type: 'checked', clipId: 'a', check },
    );
    expect(stagesOf(queue)).toEqual(['a made', 'b waiting', 'c waiting']);
    expect(queue.items[0]).toMatchObject({ made, check });
  });

  it('leaves the others running where one fails, and holds all where the drive is full', () => {
    const broken = following(
      three,
      { type: 'began', clipId: 'a' },
      {
        type: 'failed',
        clipId: 'a',
        failure: { code: 'proxy-encoder-failed', detail: '' },
      },
    );
    expect(nextToBegin(broken, 1).map(({ clipId }) => clipId)).toEqual(['b']);
    const full = following(
      three,
      { type: 'began', clipId: 'a' },
      {
        type: 'failed',
        clipId: 'a',
        failure: { code: 'proxy-disk-full' },
      },
    );
    expect(nextToBegin(full, 1)).toEqual([]);
    expect(nextToBegin(reduceQueue(full, { type: 'resumed' }), 1).map(({ clipId }) => clipId)).toEqual(['b']);
  });

  it('does not hear a worker’s last words after a stop, and begins anew what is added again', () => {
    const stopped = following(
      three,
      { type: 'began', clipId: 'a' },
      { type: 'stopped', clipId: 'a' },
      {
        type: 'checked',
        clipId: 'a',
        check,
      },
    );
    expect(stagesOf(stopped)).toEqual(['a stopped', 'b waiting', 'c waiting']);
    expect(stagesOf(reduceQueue(stopped, { type: 'added', items: [item('a'), item('b')] }))).toEqual([
      'b waiting',
      'c waiting',
      'a waiting',
    ]);
  });

  it('moves only what waits, and past what waits', () => {
    const queue = following(three, { type: 'began', clipId: 'a' }, { type: 'moved', clipId: 'c', by: -1 });
    expect(stagesOf(queue)).toEqual(['a making', 'c waiting', 'b waiting']);
    expect(reduceQueue(queue, { type: 'moved', clipId: 'c', by: -1 })).toBe(queue);
    expect(reduceQueue(queue, { type: 'moved', clipId: 'b', by: 1 })).toBe(queue);
  });

  it('never begins more than it may, loses no clip but those put away, and never leaves an end', () => {
    const id = fc.constantFrom('a', 'b', 'c');
    const event: fc.Arbitrary<QueueEvent> = fc.oneof(
      id.map((clipId): QueueEvent => ({ type: 'began', clipId })),
      id.map((clipId): QueueEvent => ({ type: 'written', clipId, made })),
      id.map((clipId): QueueEvent => ({ type: 'checked', clipId, check })),
      id.map((clipId): QueueEvent => ({ type: 'failed', clipId, failure: { code: 'proxy-disk-full' } })),
      id.map((clipId): QueueEvent => ({ type: 'stopped', clipId })),
      id.map((clipId): QueueEvent => ({ type: 'moved', clipId, by: 1 })),
      fc.constantFrom<QueueEvent>({ type: 'paused' }, { type: 'resumed' }, { type: 'stopped', clipId: null }),
    );
    fc.assert(
      fc.property(fc.array(event, { maxLength: 30 }), (events) => {
        let queue = following(three);
        for (const next of events) {
          const ended = new Map(queue.items.filter(isOver).map(({ clipId, stage }) => [clipId, stage]));
          queue = reduceQueue(queue, next);
          expect(queue.items.map(({ clipId }) => clipId).sort()).toEqual(['a', 'b', 'c']);
          for (const { clipId, stage } of queue.items) expect(ended.get(clipId) ?? stage).toBe(stage);
          expect(nextToBegin(queue, 2).length).toBeLessThanOrEqual(2);
        }
      }),
      propertyRuns,
    );
  });
});

describe('summarizeQueue', () => {
  it('goes by what is made now, else by what was made, and leaves out what failed', () => {
    const one = following(three, { type: 'began', clipId: 'a' });
    expect(summarizeQueue(one)).toMatchObject({ framesPerSec: null, secondsLeft: null, frameTotal: 300 });
    const going = reduceQueue(one, {
      type: 'progressed',
      clipId: 'a',
      progress: { frameCount: 50, atMs: 2000, elapsedMs: 1000 },
    });
    expect(summarizeQueue(going)).toMatchObject({ framesPerSec: 50, secondsLeft: 5, frameCount: 50 });
    const done = [
      { type: 'written', clipId: 'a', made } as const,
      { type: 'checked', clipId: 'a', check } as const,
    ].reduce(reduceQueue, going);
    expect(summarizeQueue(done)).toMatchObject({ framesPerSec: 25, secondsLeft: 8, doneCount: 1 });
    const failed = reduceQueue(done, { type: 'failed', clipId: 'b', failure: { code: 'proxy-original-gone' } });
    expect(summarizeQueue(failed)).toMatchObject({ frameTotal: 200, secondsLeft: 4, doneCount: 2 });
  });
});

import { describe, expect, it } from 'vitest';
import { type Notice, type NoticesEvent, nextLeavingMs, noNotices, stepNotices } from './notices-state';

const undo = (text: string): Notice => ({ kind: 'info', text, action: { label: 'Undo', run: () => undefined } });
const told = (notice: Notice, nowMs: number): NoticesEvent => ({ type: 'told', notice, nowMs });
const afterEvents = (...events: readonly NoticesEvent[]) => events.reduce(stepNotices, noNotices);
const textsOf = ({ shown }: ReturnType<typeof afterEvents>) => shown.map(({ notice }) => notice.text);

describe('stepNotices', () => {
  it('keeps the first undo when a second thing is deleted', () => {
    expect(textsOf(afterEvents(told(undo('one'), 0), told(undo('two'), 100)))).toEqual(['one', 'two']);
  });

  it('lets each leave by itself, one with an undo later, and an alarm never', () => {
    const all = afterEvents(
      told({ kind: 'info', text: 'plain' }, 0),
      told(undo('undo'), 0),
      told({ kind: 'alarm', text: 'alarm' }, 0),
    );
    expect(nextLeavingMs(all)).toBe(7000);
    expect(textsOf(stepNotices(all, { type: 'time', nowMs: 7000 }))).toEqual(['undo', 'alarm']);
    expect(textsOf(stepNotices(all, { type: 'time', nowMs: 60_000 }))).toEqual(['alarm']);
  });

  it('stays while it is pointed at, and has its whole time again afterwards', () => {
    const held = afterEvents(told(undo('undo'), 0), { type: 'held', id: 1 });
    expect(textsOf(stepNotices(held, { type: 'time', nowMs: 60_000 }))).toEqual(['undo']);
    const free = stepNotices(held, { type: 'let-go', id: 1, nowMs: 60_000 });
    expect(nextLeavingMs(free)).toBe(75_000);
  });

  it('gives up the oldest that can do nothing where there is no room, and no undo before that', () => {
    const many = afterEvents(
      told(undo('a'), 0),
      told({ kind: 'info', text: 'plain' }, 0),
      ...['b', 'c', 'd', 'e'].map((text) => told(undo(text), 1)),
    );
    expect(textsOf(many)).toEqual(['a', 'b', 'c', 'd', 'e']);
  });

  it('changes nothing where none leaves', () => {
    const one = afterEvents(told(undo('a'), 0));
    expect(stepNotices(one, { type: 'time', nowMs: 1 })).toBe(one);
    expect(textsOf(stepNotices(one, { type: 'dismissed', id: 1 }))).toEqual([]);
    expect(nextLeavingMs(noNotices)).toBeNull();
  });
});

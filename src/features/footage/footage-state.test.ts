import { describe, expect, it } from 'vitest';
import { type FootageState, idleFootage, reduceFootage } from './footage-state';

const run = (state: FootageState, ...actions: Parameters<typeof reduceFootage>[1][]): FootageState =>
  actions.reduce(reduceFootage, state);
const begun = (fileCount: number, leftAsideCount = 0) => ({ type: 'begun', fileCount, leftAsideCount }) as const;

describe('reduceFootage', () => {
  it('counts files up to the end and is idle again', () => {
    const half = run(idleFootage, begun(2), { type: 'reading', fileName: 'a.mp4' }, { type: 'read' });
    expect(half).toMatchObject({ status: 'running', doneCount: 1, fileCount: 2, current: 'a.mp4' });
    expect(run(half, { type: 'read' }, { type: 'ended' })).toEqual(idleFootage);
  });

  it('adds a second drop to the one that is running, and does not end before both are read', () => {
    const both = run(idleFootage, begun(1), begun(2), { type: 'read' }, { type: 'ended' });
    expect(both).toMatchObject({ status: 'running', doneCount: 1, fileCount: 3 });
  });

  it('keeps what was not taken, and how much was left aside, until it is dismissed', () => {
    const file = { fileName: 'x.mp4', reason: { code: 'file-empty' } } as const;
    const ended = run(
      idleFootage,
      begun(1, 12),
      { type: 'not-taken', files: [file] },
      { type: 'read' },
      { type: 'ended' },
    );
    expect(ended).toMatchObject({ status: 'idle', notTaken: [file], leftAsideCount: 12 });
    expect(reduceFootage(ended, { type: 'dismissed' })).toEqual(idleFootage);
  });
});

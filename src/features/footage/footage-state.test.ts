import { describe, expect, it } from 'vitest';
import { type FootageState, idleFootage, reduceFootage } from './footage-state';

const run = (state: FootageState, ...actions: Parameters<typeof reduceFootage>[1][]): FootageState =>
  actions.reduce(reduceFootage, state);

describe('reduceFootage', () => {
  it('counts files up to the end and is idle again', () => {
    const half = run(
      idleFootage,
      { type: 'begun', fileCount: 2 },
      { type: 'reading', fileName: 'a.mp4' },
      { type: 'read' },
    );
    expect(half).toMatchObject({ status: 'running', doneCount: 1, fileCount: 2, current: 'a.mp4' });
    expect(run(half, { type: 'read' }, { type: 'ended' })).toEqual(idleFootage);
  });

  it('adds a second drop to the one that is running, and does not end before both are read', () => {
    const both = run(
      idleFootage,
      { type: 'begun', fileCount: 1 },
      { type: 'begun', fileCount: 2 },
      { type: 'read' },
      { type: 'ended' },
    );
    expect(both).toMatchObject({ status: 'running', doneCount: 1, fileCount: 3 });
  });

  it('keeps what was not taken until it is dismissed', () => {
    const file = { fileName: 'x.mp4', reason: { code: 'file-empty' } } as const;
    const ended = run(
      idleFootage,
      { type: 'begun', fileCount: 1 },
      { type: 'not-taken', file },
      { type: 'read' },
      { type: 'ended' },
    );
    expect(ended.notTaken).toEqual([file]);
    expect(reduceFootage(ended, { type: 'dismissed' })).toEqual(idleFootage);
  });
});

import { describe, expect, it } from 'vitest';
import { applyAll } from '../../../tests/stand-ins/commands';
import { demoCardAt } from '../../../tests/stand-ins/demo-cards';
import { createReading, type FixUse, type JobCard } from '../card';
import { findDisagreement } from '.';

const half: FixUse = { id: 'lower-preview-quality', level: '1/2' };
const read = (id: string, takenAtMs: number, shownFps: number, fixes: readonly FixUse[] = []) => ({
  ...createReading({ id, takenAtMs, shownFps }),
  fixes,
});
const cardWith = (...readings: JobCard['readings']): JobCard => ({ ...demoCardAt(0), readings, trials: [] });
const idsOf = (card: JobCard) => {
  const found = findDisagreement(card);
  return found && [found.earlier.id, found.later.id];
};

describe('findDisagreement', () => {
  it('finds two readings of one set-up that cannot both hold', () => {
    expect(idsOf(cardWith(read('a', 1, 9), read('b', 2, 18)))).toEqual(['a', 'b']);
  });

  it('leaves alone what readings of one thing differ by, and what another set-up explains', () => {
    expect(idsOf(cardWith(read('a', 1, 9), read('b', 2, 9.6)))).toBeNull();
    expect(idsOf(cardWith(read('a', 1, 9), read('b', 2, 18, [half])))).toBeNull();
  });

  it('asks no more once a person said that it holds', () => {
    const card = cardWith(read('a', 1, 9), read('b', 2, 18));
    expect(idsOf(applyAll(card, { type: 'holdReading', input: { id: 'b' } }))).toBeNull();
  });
});

import { type CardCommand, createReading, type Reading, type Trial } from '@/core/card';

/** Commands of one trial, at times of their own, and two fixes to try. */
export const begin = (id: string, fix: Trial['fix'], direction: Trial['direction'] = 'make'): CardCommand => ({
  type: 'beginTrial',
  input: { id, fix, direction, nowMs: 60_000 },
});
export const end = (id: string, outcome: 'kept' | 'undone'): CardCommand => ({
  type: 'endTrial',
  input: { id, outcome, nowMs: 120_000 },
});
export const read = (id: string, figures: Partial<Omit<Reading, 'id' | 'fixes'>>): CardCommand => ({
  type: 'addReading',
  input: { reading: createReading({ id, takenAtMs: 90_000, ...figures }) },
});
export const quarter = { id: 'lower-preview-quality', level: '1/4' };
export const close = { id: 'close-programs', level: 'all' };

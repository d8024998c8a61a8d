import { describe, expect, it } from 'vitest';
import { createReading } from '@/core/card';
import { demoCardAt } from '../../../tests/stand-ins/demo-cards';
import {
  firstReadingForm,
  type ReadingFormAction,
  type ReadingFormState,
  readForm,
  reduceReadingForm,
} from './reading-form-state';

const card = { ...demoCardAt(0), symptoms: { moments: [], kinds: [], enough: 'smooth' as const } };
const stateOf = (...actions: readonly ReadingFormAction[]): ReadingFormState =>
  actions.reduce(reduceReadingForm, firstReadingForm(card));

describe('the reading form', () => {
  it('has nothing to store until something is said', () => {
    expect(readForm(firstReadingForm(card), card)).toMatchObject({ isEmpty: true, shownFps: null });
    for (const patch of [{ shownFps: 0 }, { scrubFeel: 'fine' }, { isGoodEnough: 'no' }, { openingSec: 3 }] as const)
      expect(readForm(stateOf({ type: 'typed', patch }), card).isEmpty, JSON.stringify(patch)).toBe(false);
  });

  it('takes the rate from dropped frames where none is typed, and not before both are told', () => {
    const count = { type: 'dropped', patch: { count: 100 } } as const;
    const over = { type: 'dropped', patch: { overSec: 10 } } as const;
    // The demo card plays 25 a second; ten of them were dropped in each.
    expect(readForm(stateOf(count), card).shownFps).toBeNull();
    expect(readForm(stateOf(count, { type: 'dropped', patch: { overSec: 0 } }), card).shownFps).toBeNull();
    expect(readForm(stateOf(count, over), card)).toMatchObject({ shownFps: 15, isEmpty: false });
    expect(readForm(stateOf(over, { type: 'dropped', patch: { count: 9000 } }), card).shownFps).toBe(0);
    expect(readForm(stateOf(count, over, { type: 'typed', patch: { shownFps: 12.5 } }), card).shownFps).toBe(12.5);
  });

  it('is empty again once it is stored, but for the stretch and the moment', () => {
    const state = stateOf(
      { type: 'typed', patch: { shownFps: 9, isGoodEnough: 'no' } },
      { type: 'dropped', patch: { count: 4 } },
      { type: 'details', patch: { stretch: 'the harbour', note: 'on battery' } },
      { type: 'moment', moment: 'later' },
      { type: 'stored', card },
    );
    const { details, ...empty } = firstReadingForm(card);
    expect(state).toEqual({ ...empty, details: { ...details, stretch: 'the harbour' }, moment: 'later' });
  });

  it('begins with the stretch of the last reading, and after a while where that is complained of', () => {
    const stretch = 'the market';
    const read = {
      ...card,
      readings: [{ ...createReading({ id: 'r', takenAtMs: 1, shownFps: 9 }), fixes: [], stretch }],
    };
    expect(firstReadingForm(read).details.stretch).toBe(stretch);
    expect(firstReadingForm(card).moment).toBe('start');
    const later = { ...card, symptoms: { moments: ['after-a-while' as const], kinds: [], enough: 'smooth' as const } };
    expect(firstReadingForm(later).moment).toBe('later');
  });
});

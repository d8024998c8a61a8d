import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readNumber, writeNumber } from './read-number';

const rate = { minValue: 1, maxValue: 500, fractionDigits: 2 };
const lines = { minValue: 16, maxValue: 32_768, fractionDigits: 0 };
const taken = (value: number) => ({ kind: 'taken', value, note: null });

describe('readNumber', () => {
  it('takes comma and point alike: 9,5 frames a second are nine and a half, not 95', () => {
    expect(readNumber('9,5', rate)).toEqual(taken(9.5));
    expect(readNumber('9.5', rate)).toEqual(taken(9.5));
    expect(readNumber(' 24 ', rate)).toEqual(taken(24));
    expect(readNumber(',5', { ...rate, minValue: 0 })).toEqual(taken(0.5));
    expect(readNumber('25.', rate)).toEqual(taken(25));
  });

  it('refuses what is no number, without taking the digits out of it', () => {
    for (const text of ['1e3', '12 fps', '1.2.3,4', 'x', '-', '1,2,3', '--3', '.', '1 2'])
      expect(readNumber(text, rate), text).toMatchObject({
        kind: 'refused',
        value: null,
        note: { code: 'not-a-number' },
      });
  });

  it('refuses what is out of range instead of bringing it to the nearest end', () => {
    expect(readNumber('-3', rate)).toMatchObject({ kind: 'refused', note: { code: 'out-of-range', typed: '-3' } });
    expect(readNumber('99999999', lines)).toMatchObject({ kind: 'refused', note: { code: 'out-of-range' } });
    expect(readNumber('0', { ...rate, minValue: 0 })).toEqual(taken(0));
  });

  it('says it where a number was rounded or read in groups', () => {
    expect(readNumber('9.555', rate)).toEqual({ kind: 'taken', value: 9.56, note: { code: 'read-as', value: 9.56 } });
    expect(readNumber('1.080', lines)).toEqual({ kind: 'taken', value: 1080, note: { code: 'read-as', value: 1080 } });
    expect(readNumber('1,080', lines)).toMatchObject({ value: 1080 });
    expect(readNumber('1 080', lines)).toMatchObject({ value: 1080 });
    const money = { minValue: 0, maxValue: 1e7, fractionDigits: 2 };
    expect(readNumber('1.920,5', money)).toMatchObject({ value: 1920.5 });
    expect(readNumber('1,920.5', money)).toMatchObject({ value: 1920.5 });
    expect(readNumber('1.080', money)).toMatchObject({ value: 1.08 });
  });

  it('takes no half lines', () => {
    expect(readNumber('540.5', lines)).toMatchObject({ kind: 'refused', note: { code: 'not-whole' } });
    expect(readNumber('540.0', lines)).toEqual(taken(540));
  });

  it('tells an emptied field from a refused one', () => {
    expect(readNumber('  ', rate)).toEqual({ kind: 'empty', value: null, note: null });
  });

  it('reads back every number that it writes', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 10_000_000 }), fc.integer({ min: 0, max: 3 }), (whole, fractionDigits) => {
        const value = whole / 10 ** fractionDigits;
        const spec = { minValue: 0, maxValue: 1e7, fractionDigits };
        expect(readNumber(writeNumber(value, fractionDigits), spec)).toEqual(taken(value));
        expect(readNumber(writeNumber(value, fractionDigits).replace('.', ','), spec)).toEqual(taken(value));
      }),
      { seed: 25 },
    );
  });
});

describe('writeNumber', () => {
  it('writes no more digits than the field has, and nothing for what is not known', () => {
    expect(writeNumber(3.98 * 4, 1)).toBe('15.9');
    expect(writeNumber(0.1 + 0.2, 2)).toBe('0.3');
    expect(writeNumber(null, 2)).toBe('');
  });
});

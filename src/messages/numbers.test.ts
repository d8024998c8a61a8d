import { describe, expect, it } from 'vitest';
import { expectGoodWords } from '../../tests/stand-ins/good-words';
import { describeNumberNote } from './numbers';

describe('describeNumberNote', () => {
  it('names the range with its unit, and what was typed', () => {
    const range = { minValue: 1, maxValue: 500, unit: 'frames a second' };
    for (const code of ['not-a-number', 'not-whole', 'out-of-range'] as const) {
      const text = describeNumberNote({ code, typed: '99999999' }, range);
      expectGoodWords(text);
      expect(text).toContain('“99999999” is not stored');
      expect(text).toContain('1 to 500 frames a second');
    }
    expect(describeNumberNote({ code: 'read-as', value: 1080 }, { minValue: 16, maxValue: 32_768 })).toBe(
      'Read as 1080.',
    );
  });
});

import { describe, expect, it } from 'vitest';
import { compareParts, type Fact, type FactSource } from '.';

const fact = <T>(value: T, source: FactSource = 'read'): Fact<T> => ({ value, source });
const known = {
  coreCount: fact(4),
  memoryMib: fact(8192),
  graphics: fact('shared' as const),
  graphicsMemoryMib: fact(512),
  hasSecondGraphics: fact('unknown' as const),
};

describe('compareParts', () => {
  it('sees more memory and other graphics, and nothing where the same was read again', () => {
    expect(compareParts(known, { coreCount: fact(4), memoryMib: fact(8100), graphics: fact('shared') })).toEqual([]);
    expect(
      compareParts(known, { memoryMib: fact(16_384), graphics: fact('separate') }).map(({ key, now }) => [key, now]),
    ).toEqual([
      ['memoryMib', 16_384],
      ['graphics', 'separate'],
    ]);
  });

  it('takes a guess that turned out otherwise, and an answer that nobody had, for no change', () => {
    expect(
      compareParts(
        { ...known, memoryMib: fact(8192, 'assumed') },
        { memoryMib: fact(16_384), hasSecondGraphics: fact('yes') },
      ),
    ).toEqual([]);
  });

  it('points out what was typed and does not hold', () => {
    const [change] = compareParts({ ...known, coreCount: fact(8, 'typed') }, { coreCount: fact(4) });
    expect(change).toEqual({ key: 'coreCount', before: fact(8, 'typed'), now: 4 });
  });
});

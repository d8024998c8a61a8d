import { describe, expect, it } from 'vitest';
import { gentlestOf } from './gentlest-level';

const level = (name: string, cureProbability: number, gain: number) => ({ name, cureProbability, gain });

describe('gentlestOf', () => {
  it('takes the gentlest of those that cure within 0.05 of the surest', () => {
    const levels = [level('1/2', 0.7, 0.5), level('1/4', 0.93, 0.9), level('1/8', 0.97, 0.95)];
    expect(gentlestOf(levels)?.name).toBe('1/4');
    expect(gentlestOf([level('1/2', 0.7, 0.5), level('1/4', 0.91, 0.9), level('1/8', 0.97, 0.95)])?.name).toBe('1/8');
  });

  it('goes by what is closed of the gap where none cures, and takes none of none', () => {
    expect(gentlestOf([level('1/2', 0, 0.2), level('1/4', 0.01, 0.9), level('1/8', 0.02, 1)])?.name).toBe('1/4');
    expect(gentlestOf([])).toBeUndefined();
  });
});

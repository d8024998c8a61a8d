import { describe, expect, it } from 'vitest';
import { rateTogether } from './measure-machine';

const every = (ms: number, fromMs: number, count: number): readonly number[] =>
  Array.from({ length: count }, (_, i) => fromMs + i * ms);

describe('rateTogether', () => {
  it('adds up the frames of decoders at work, of the time in which all of them gave some', () => {
    expect(rateTogether([every(10, 0, 101)])).toBeCloseTo(100, 6);
    // The second began later and ended sooner; what the first did alone does not count.
    expect(rateTogether([every(10, 0, 201), every(20, 500, 51)])).toBeCloseTo(150, 0);
  });

  it('is nothing where one of them gave nothing, or none was at work', () => {
    expect(rateTogether([every(10, 0, 100), []])).toBe(0);
    expect(rateTogether([])).toBe(0);
    expect(rateTogether([[5]])).toBe(0);
  });
});

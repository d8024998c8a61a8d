import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { propertyRuns } from '../../../tests/arbitrary/setup';
import { createRandom } from '../numbers/random';
import { findLines } from './dividing-lines';

const timesOf = (count: number): readonly number[] => Array.from({ length: count }, (_, i) => (i * 1000) / 60);

/** Ten seconds of changes, new pictures where `isNew` says so, each drawn between two bounds. */
function drawn(
  isNew: (frame: number) => boolean,
  newBetween: readonly [number, number],
  repeatBetween: readonly [number, number],
  brightnessAt: (frame: number) => number = () => 1,
) {
  const random = createRandom(5);
  const logs = Float64Array.from({ length: 600 }, (_, frame) => {
    const [low, high] = isNew(frame) ? newBetween : repeatBetween;
    return Math.log(brightnessAt(frame) * low * (high / low) ** random.next());
  });
  return { logs, lines: findLines(logs, timesOf(600)) };
}

/** How many frames lie on the wrong side of their line. */
const wrongOf = ({ logs, lines }: ReturnType<typeof drawn>, isNew: (frame: number) => boolean): number =>
  lines === null
    ? logs.length
    : [...logs.keys()].filter((i) => i > 0 && (logs[i] ?? 0) > (lines[i] ?? 0) !== isNew(i)).length;

describe('findLines', () => {
  it('runs between pictures and repeats, however few of either there are', () => {
    for (const every of [2, 3, 5, 20]) {
      const isNew = (frame: number): boolean => frame % every === 0;
      expect(wrongOf(drawn(isNew, [3, 6], [0.1, 0.4]), isNew)).toBe(0);
    }
    const isMostlyNew = (frame: number): boolean => frame % 6 !== 0;
    expect(wrongOf(drawn(isMostlyNew, [3, 6], [0.1, 0.4]), isMostlyNew)).toBe(0);
  });

  it('does not run through pictures that differ widely where repeats are few', () => {
    // A face: some pictures change a tenth of what others do, and still more than any repeat.
    const isNew = (frame: number): boolean => frame % 6 !== 0;
    expect(wrongOf(drawn(isNew, [0.4, 4], [0.05, 0.1]), isNew)).toBeLessThan(6);
  });

  it('goes with a picture that fades', () => {
    const isNew = (frame: number): boolean => frame % 3 === 0;
    const fading = drawn(isNew, [8, 16], [0.8, 1.6], (frame) => 0.55 + 0.45 * Math.cos(frame / 95));
    expect(wrongOf(fading, isNew)).toBe(0);
    expect(new Set(fading.lines).size).toBeGreaterThan(1);
  });

  it('is one line for all where an empty valley lies between two heaps', () => {
    const isNew = (frame: number): boolean => frame % 4 === 0;
    expect(new Set(drawn(isNew, [4, 5], [0.1, 0.12]).lines).size).toBe(1);
  });

  it('finds none in changes that are all alike, nor in too few', () => {
    expect(drawn(() => true, [3, 4], [3, 4]).lines).toBeNull();
    expect(findLines(new Float64Array(7), timesOf(7))).toBeNull();
  });

  it('gives a finite line a frame or none, whatever the changes', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: 1e-6, max: 255, noNaN: true }), { maxLength: 400 }), (changes) => {
        const lines = findLines(Float64Array.from(changes, Math.log), timesOf(changes.length));
        if (lines === null) return;
        expect(lines).toHaveLength(changes.length);
        for (const line of lines) expect(Number.isFinite(line)).toBe(true);
      }),
      propertyRuns,
    );
  });
});

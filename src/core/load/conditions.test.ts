import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { propertyRuns } from '../../../tests/arbitrary/setup';
import { freeCoresOf, jumpCoresOf, swapFreezeMs } from './conditions';

const coreCount = fc.integer({ min: 1, max: 32 });
const busy = fc.double({ min: 0, max: 40, noNaN: true });
const building = fc.double({ min: 0, max: 8, noNaN: true });

describe('cores that are left', () => {
  it('are all of them where nothing else works, and never more', () => {
    fc.assert(
      fc.property(coreCount, busy, building, (cores, programs, builds) => {
        expect(freeCoresOf(cores, 0, 0)).toBe(cores);
        expect(jumpCoresOf(cores, 0, 0)).toBeCloseTo(cores, 9);
        expect(freeCoresOf(cores, programs, builds)).toBeLessThanOrEqual(cores);
      }),
      propertyRuns,
    );
  });

  it('are never fewer than a third of one, however much is asked for', () => {
    fc.assert(
      fc.property(coreCount, busy, building, (cores, programs, builds) => {
        expect(jumpCoresOf(cores, programs, builds)).toBeGreaterThan(0.33);
        // Waits add up over bursts and pauses, work does not: a jump never has more than playing.
        expect(jumpCoresOf(cores, programs, builds)).toBeLessThanOrEqual(freeCoresOf(cores, programs, builds) + 1e-9);
      }),
      propertyRuns,
    );
  });

  it('grow fewer with every further program and with everything that is built', () => {
    fc.assert(
      fc.property(
        coreCount,
        busy,
        building,
        fc.double({ min: 0, max: 5, noNaN: true }),
        (cores, programs, builds, more) => {
          for (const left of [freeCoresOf, jumpCoresOf]) {
            expect(left(cores, programs + more, builds)).toBeLessThanOrEqual(left(cores, programs, builds) + 1e-9);
            expect(left(cores, programs, builds + more)).toBeLessThanOrEqual(left(cores, programs, builds) + 1e-9);
          }
        },
      ),
      propertyRuns,
    );
  });

  it('are what is not asked for as long as bursts fit as well', () => {
    expect(freeCoresOf(8, 2, 1)).toBeCloseTo(5, 9);
    // Bursts no longer fit: pauses leave more than bursts take.
    expect(freeCoresOf(4, 3.6, 0)).toBeGreaterThan(0.4);
  });
});

describe('swapFreezeMs', () => {
  it('is nothing while memory is there, grows with what is missing, and stops growing', () => {
    expect(swapFreezeMs(0)).toBe(0);
    fc.assert(
      fc.property(fc.double({ min: 0, max: 5, noNaN: true }), fc.double({ min: 0, max: 5, noNaN: true }), (a, b) => {
        const [less, more] = [Math.min(a, b), Math.max(a, b)];
        expect(swapFreezeMs(less)).toBeLessThanOrEqual(swapFreezeMs(more));
        expect(swapFreezeMs(more)).toBeLessThanOrEqual(swapFreezeMs(5));
      }),
      propertyRuns,
    );
  });
});

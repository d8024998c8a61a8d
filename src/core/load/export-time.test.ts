import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { arbitraryState, propertyRuns } from '../../../tests/arbitrary/setup';
import { withMachine, withPreview, withSetup } from './change-state';
import { exportTimes, exportWays } from './export-time';
import type { SetupState } from './types';

const midOf = (state: SetupState, way = 'careful') => exportTimes(state).find((time) => time.way === way)?.mid ?? 0;

describe('exportTimes', () => {
  it('gives a finite time for every way that the machine has, in ranges that hold their middle', () => {
    fc.assert(
      fc.property(arbitraryState, (state) => {
        const times = exportTimes(state);
        expect(times.map(({ way }) => way)).toEqual(
          exportWays.filter((way) => way !== 'on-graphics' || state.setup.machine.decodeMegapixelPerSec > 0),
        );
        for (const { low, mid, high } of times) {
          expect(low).toBeGreaterThan(0);
          expect(Number.isFinite(high)).toBe(true);
          expect(low).toBeLessThanOrEqual(mid);
          expect(mid).toBeLessThanOrEqual(high);
        }
      }),
      propertyRuns,
    );
  });

  it('does not care how small the preview is set, nor that its effects are bypassed', () => {
    fc.assert(
      fc.property(arbitraryState, (state) => {
        const plain = withPreview(state, { qualityRatio: 1, heightPx: null, areEffectsBypassed: false });
        const small = withPreview(state, { qualityRatio: 0.25, heightPx: 240, areEffectsBypassed: true });
        expect(exportTimes(small)).toEqual(exportTimes(plain));
      }),
      propertyRuns,
    );
  });

  it('takes longer with a careful encoder than with a quick one, and a draft takes least of the processor’s ways', () => {
    fc.assert(
      fc.property(arbitraryState, (state) => {
        expect(midOf(state, 'careful')).toBeGreaterThanOrEqual(midOf(state, 'quick'));
        expect(midOf(state, 'quick')).toBeGreaterThanOrEqual(midOf(state, 'draft'));
      }),
      propertyRuns,
    );
  });

  it('takes no longer on a machine of twice the cores', () => {
    fc.assert(
      fc.property(arbitraryState, (state) => {
        const free = withSetup(state, { programs: [] });
        const wider = withMachine(free, { coreCount: 2 * free.setup.machine.coreCount });
        expect(midOf(wider)).toBeLessThanOrEqual(midOf(free));
      }),
      propertyRuns,
    );
  });
});

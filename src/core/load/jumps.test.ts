import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { arbitraryState, propertyRuns } from '../../../tests/arbitrary/setup';
import { costOfStream, type FileWork, rankingMsOf } from './clip-cost';
import { listLandings, meanJump } from './jumps';
import type { SetupState } from './types';

const partsOf = ({ setup }: SetupState) =>
  setup.clips.map(({ original, durationMs }) => ({
    cost: costOfStream(original, setup.machine, setup.timeline.frameRateFps),
    weight: durationMs,
  }));

/** What work on files comes to as it is ranked; unlike for one clip, some of a mean is decoded by the graphics and some is not. */
const workMs = (work: FileWork, { setup }: SetupState): number => {
  const isHardware = setup.preview.hardwareDecode === 'yes';
  const { readMs } = rankingMsOf(work, setup);
  return readMs + work.softwareOnlyRefMs + (isHardware ? work.hardwareMs : work.hardwareAbleRefMs);
};

describe('jumps', () => {
  it('take longer, the later they come in the order of all jumps', () => {
    fc.assert(
      fc.property(arbitraryState, (state) => {
        const landings = listLandings(partsOf(state), state.setup);
        const [quick = 0, usual = 0, slow = 0] = [
          [0.1, 0.2],
          [0.4, 0.6],
          [0.85, 0.95],
        ].map(([from = 0, to = 1]) => workMs(meanJump(landings, from, to), state));
        expect(quick).toBeLessThanOrEqual(usual * (1 + 1e-6) + 1e-6);
        expect(usual).toBeLessThanOrEqual(slow * (1 + 1e-6) + 1e-6);
      }),
      propertyRuns,
    );
  });

  it('all together are the mean over the footage: one picture, and half of the way between two key frames', () => {
    fc.assert(
      fc.property(arbitraryState, (state) => {
        const parts = partsOf(state);
        const total = parts.reduce((sum, { weight }) => sum + weight, 0);
        const mean = parts.reduce((sum, { cost, weight }) => {
          return sum + ((workMs(cost.picture, state) + workMs(cost.way, state)) * weight) / total;
        }, 0);
        const all = workMs(meanJump(listLandings(parts, state.setup), 0, 1), state);
        expect(Math.abs(all - mean)).toBeLessThanOrEqual(1e-6 * Math.max(1, mean));
      }),
      propertyRuns,
    );
  });

  it('of one clip are even between a key frame and the picture before the next', () => {
    fc.assert(
      fc.property(arbitraryState, (state) => {
        const [part] = partsOf(state);
        if (!part) throw new Error('a set-up without clips');
        const landings = listLandings([part], state.setup);
        const at = (from: number, to: number): number => workMs(meanJump(landings, from, to), state);
        const [low, middle, high] = [at(0.2, 0.3), at(0.45, 0.55), at(0.7, 0.8)];
        expect(Math.abs(middle - low - (high - middle))).toBeLessThanOrEqual(1e-5 * Math.max(1, high));
      }),
      propertyRuns,
    );
  });

  it('to nowhere take nothing', () => {
    expect(meanJump([], 0.4, 0.6)).toMatchObject({ readMs: 0, latencyMs: 0, hardwareMs: 0 });
  });
});

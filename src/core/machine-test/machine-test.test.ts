import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { propertyRuns } from '../../../tests/arbitrary/setup';
import { concludeMachineTest, isDisturbed, type MachineRuns, runKernel, slowsUnderLoad } from '.';
import { kernelReferenceMs } from './kernel';

/** Four cores as quick as the reference core: a frame of 10 ms, 100 a second from each. */
const sound: MachineRuns = {
  sample: { referenceMs: 10, megapixels: 2 },
  coreCount: 4,
  singleFps: [100, 100, 100, 100],
  togetherFps: [400, 400, 400, 400],
  aloneFps: 355,
  hardwareFps: null,
  kernelMs: [kernelReferenceMs, kernelReferenceMs, kernelReferenceMs],
  drawing: null,
  storage: null,
};

describe('concludeMachineTest', () => {
  it('takes one core from a decoder kept to one thread, and the threads from one let loose', () => {
    const test = concludeMachineTest(sound, 5);
    expect(test).toMatchObject({ takenAtMs: 5, coreSpeedRatio: 1, kernelRatio: 1, spreadRatio: 0, endedAtRatio: 1 });
    // 3.55 times one core: four threads, each further one bringing 0.85.
    expect(test.decodeThreadCount).toBeCloseTo(4, 5);
    expect([slowsUnderLoad(test), isDisturbed(test)]).toEqual([false, false]);
  });

  it('goes by all cores together where a browser does not keep a decoder to one thread', () => {
    expect(concludeMachineTest({ ...sound, singleFps: [330, 340, 335] }, 0).coreSpeedRatio).toBe(1);
    expect(concludeMachineTest({ ...sound, singleFps: [] }, 0).coreSpeedRatio).toBe(1);
  });

  it('says how far runs differ, and when the machine slows while it is measured', () => {
    const slowing = concludeMachineTest({ ...sound, togetherFps: [400, 390, 330, 300] }, 0);
    expect([slowing.endedAtRatio, slowsUnderLoad(slowing)]).toEqual([0.75, true]);
    const uneven = concludeMachineTest({ ...sound, singleFps: [100, 62, 100, 98] }, 0);
    expect([slowsUnderLoad(uneven), isDisturbed(uneven)]).toEqual([false, true]);
  });

  it('doubts a measurement in which decoding and the kernel say quite different things', () => {
    expect(isDisturbed(concludeMachineTest({ ...sound, kernelMs: [kernelReferenceMs / 3] }, 0))).toBe(true);
  });

  it('counts hardware only where it is of another speed, and drawing only where graphics draw', () => {
    expect(concludeMachineTest({ ...sound, hardwareFps: 350 }, 0).hardwareMegapixelPerSec).toBeNull();
    expect(concludeMachineTest({ ...sound, hardwareFps: 600 }, 0).hardwareMegapixelPerSec).toBe(1200);
    expect(concludeMachineTest({ ...sound, drawing: { graphicsMs: 10, referenceMs: 80 } }, 0).graphicsRatio).toBe(8);
  });

  it('gives finite figures for whatever the runs were', () => {
    const rate = fc.double({ min: 0, max: 1e5, noNaN: true });
    const runs = fc.record({
      sample: fc.record({ referenceMs: fc.double({ min: 0.1, max: 500, noNaN: true }), megapixels: fc.constant(2) }),
      coreCount: fc.integer({ min: 1, max: 64 }),
      singleFps: fc.array(rate, { maxLength: 5 }),
      togetherFps: fc.array(rate, { maxLength: 5 }),
      aloneFps: fc.option(rate, { nil: null }),
      hardwareFps: fc.option(rate, { nil: null }),
      kernelMs: fc.array(fc.double({ min: 0.1, max: 1e4, noNaN: true }), { minLength: 1, maxLength: 5 }),
      drawing: fc.option(fc.record({ graphicsMs: rate, referenceMs: rate }), { nil: null }),
      storage: fc.constant(null),
    });
    fc.assert(
      fc.property(runs, (made) => {
        for (const figure of Object.values(concludeMachineTest(made, 0)))
          expect(figure === null || Number.isFinite(figure)).toBe(true);
      }),
      propertyRuns,
    );
  });
});

describe('runKernel', () => {
  it('does the same work each time, and more with more passes', () => {
    expect(runKernel(2)).toBe(runKernel(2));
    expect(runKernel(3)).not.toBe(runKernel(2));
  });
});

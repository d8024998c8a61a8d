import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { arbitraryState, propertyRuns } from '../../../tests/arbitrary/setup';
import {
  compile,
  createOutcomes,
  drawParameterSamples,
  estimate,
  estimateCompiled,
  evaluate,
  middleParameters,
  outcomeNames,
  type PictureStream,
  pickSample,
  type SetupState,
} from '.';
import { extentOf, extents } from './evaluate';

const sampleCount = 48;

const outcomesOf = (state: SetupState) => {
  const outcomes = createOutcomes(sampleCount);
  evaluate(compile(state, 'heaviest'), drawParameterSamples(sampleCount, state.setup.machine), outcomes);
  return outcomes;
};

/** No sample's rate may fall, nor its scrub time rise, from one set-up to a lighter one. */
const expectNeverWorse = (before: SetupState, after: SetupState): void => {
  const [a, b] = [outcomesOf(before), outcomesOf(after)];
  for (let i = 0; i < sampleCount; i++) {
    expect(b.shownFps[i]).toBeGreaterThanOrEqual((a.shownFps[i] as number) * (1 - 1e-12));
    expect(b.scrubMs[i]).toBeLessThanOrEqual((a.scrubMs[i] as number) * (1 + 1e-12));
  }
};

const withSetup = (state: SetupState, change: Partial<SetupState['setup']>): SetupState => ({
  ...state,
  setup: { ...state.setup, ...change },
});

describe('estimate and evaluate', () => {
  it('agree to 1e-9 on every sample of any set-up', () => {
    fc.assert(
      fc.property(arbitraryState, (state) => {
        const samples = drawParameterSamples(sampleCount, state.setup.machine);
        const outcomes = outcomesOf(state);
        for (let i = 0; i < sampleCount; i++) {
          const spelledOut = estimate(state, 'heaviest', pickSample(samples, i));
          const isSame = (name: (typeof outcomeNames)[number]): boolean =>
            Math.abs(spelledOut[name] - (outcomes[name][i] as number)) <=
            1e-9 * Math.max(1, Math.abs(spelledOut[name]));
          expect(outcomeNames.filter((name) => !isSame(name))).toEqual([]);
          expect(Math.abs(spelledOut.shownFps / (outcomes.shownFps[i] as number) - 1)).toBeLessThan(1e-9);
        }
      }),
      propertyRuns,
    );
  });

  it('gives what playing and jumping show whether or not the rest is asked for, and leaves the rest alone', () => {
    fc.assert(
      fc.property(arbitraryState, fc.constantFrom('playing', 'jumping'), (state, extent) => {
        const [whole, part] = [outcomesOf(state), createOutcomes(sampleCount)];
        const samples = drawParameterSamples(sampleCount, state.setup.machine);
        evaluate(compile(state, 'heaviest'), samples, part, { extent });
        for (const name of outcomeNames) {
          const isAsked = extents.indexOf(extentOf(name)) <= extents.indexOf(extent);
          expect(part[name], name).toEqual(isAsked ? whole[name] : new Float64Array(sampleCount));
        }
      }),
      propertyRuns,
    );
  });

  it('give finite figures, above zero and up to the target, for any set-up', () => {
    fc.assert(
      fc.property(arbitraryState, (state) => {
        const outcomes = outcomesOf(state);
        // One look at each list: a question of the test library for each figure would take longer than all the rest.
        const isRight = (name: (typeof outcomeNames)[number], figure: number): boolean =>
          Number.isFinite(figure) &&
          (name === 'shownFps' || name === 'scrubMs' ? figure > 0 : figure >= 0) &&
          (name !== 'shownFps' || figure <= state.setup.targetFps);
        expect(outcomeNames.filter((name) => !outcomes[name].every((figure) => isRight(name, figure)))).toEqual([]);
        for (const stage of estimate(state, 'heaviest', middleParameters(state.setup.machine)).stages) {
          expect(Number.isFinite(stage.ms)).toBe(true);
          expect(stage.ms).toBeGreaterThanOrEqual(0);
        }
      }),
      propertyRuns,
    );
  });

  it('put every stage on its lane, and the lanes add up', () => {
    fc.assert(
      fc.property(arbitraryState, (state) => {
        const coefficients = compile(state, 'usual');
        const samples = drawParameterSamples(4, state.setup.machine);
        const { stages, laneMs, bindingLane } = estimateCompiled(coefficients, pickSample(samples, 2));
        for (const lane of ['drive', 'decoder', 'drawing'] as const) {
          const sum = stages.filter((stage) => stage.lane === lane).reduce((total, stage) => total + stage.ms, 0);
          expect(sum).toBeCloseTo(laneMs[lane], 9);
          expect(laneMs[bindingLane]).toBeGreaterThanOrEqual(laneMs[lane]);
        }
      }),
      propertyRuns,
    );
  });
});

describe('laws of the estimate', () => {
  it('a faster core never lowers the rate', () => {
    fc.assert(
      fc.property(arbitraryState, fc.double({ min: 1, max: 4, noNaN: true }), (state, ratio) => {
        const { machine } = state.setup;
        expectNeverWorse(
          state,
          withSetup(state, { machine: { ...machine, coreSpeedRatio: machine.coreSpeedRatio * ratio } }),
        );
      }),
      propertyRuns,
    );
  });

  it('a closed program never lowers the rate', () => {
    fc.assert(
      fc.property(arbitraryState, (state) => {
        expectNeverWorse(state, withSetup(state, { programs: state.setup.programs.slice(1) }));
      }),
      propertyRuns,
    );
  });

  it('fewer layers and titles never lower the rate', () => {
    fc.assert(
      fc.property(arbitraryState, (state) => {
        const { timeline } = state.setup;
        const fewer = {
          ...timeline,
          videoLayerCount: Math.max(1, timeline.videoLayerCount - 1),
          titleCount: Math.max(0, timeline.titleCount - 1),
          effects: timeline.effects.slice(1),
        };
        expectNeverWorse(state, withSetup(state, { timeline: fewer }));
      }),
      propertyRuns,
    );
  });

  it('a smaller preview never lowers the rate, and changes neither reading nor decoding', () => {
    fc.assert(
      fc.property(arbitraryState, fc.integer({ min: 16, max: 1080 }), ({ setup, hidden }, heightPx) => {
        // An editor that shows proxies from some quality down shows other files then, on another drive perhaps.
        const state = { setup, hidden: { ...hidden, proxiesUpToRatio: 1 } };
        const { preview } = setup;
        const smaller = withSetup(state, {
          preview: {
            ...preview,
            qualityRatio: preview.qualityRatio / 2,
            heightPx: Math.min(heightPx, preview.heightPx ?? heightPx),
          },
        });
        expectNeverWorse(state, smaller);
        const [before, after] = [compile(state, 'heaviest'), compile(smaller, 'heaviest')];
        expect(after.playing).toEqual(before.playing);
      }),
      propertyRuns,
    );
  });

  it('a faster drive and more memory never lower the rate', () => {
    fc.assert(
      fc.property(arbitraryState, (state) => {
        const { machine, clips } = state.setup;
        const faster = (stream: PictureStream): PictureStream => ({
          ...stream,
          drive: { ...stream.drive, readMegabytePerSec: stream.drive.readMegabytePerSec * 2 },
        });
        const better = {
          machine: { ...machine, memoryMib: machine.memoryMib * 2 },
          clips: clips.map((clip) => ({
            ...clip,
            original: faster(clip.original),
            proxy: clip.proxy && faster(clip.proxy),
          })),
        };
        expectNeverWorse(state, withSetup(state, better));
      }),
      propertyRuns,
    );
  });

  it('a panel that reads originals never raises the rate', () => {
    fc.assert(
      fc.property(arbitraryState, (state) => {
        const withPanel = (isPanelReadingOriginals: boolean): SetupState => ({
          ...state,
          hidden: { ...state.hidden, isPanelReadingOriginals },
        });
        expectNeverWorse(withPanel(true), withPanel(false));
      }),
      propertyRuns,
    );
  });
});

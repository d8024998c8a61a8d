import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { settlingTests } from '@/messages/findings';
import { causeTexts } from '@/messages/load';
import { arbitraryState, propertyRuns } from '../../../tests/arbitrary/setup';
import { estimate, middleParameters } from '../load';
import { usableRateRatio } from '../usable';
import { beforeCauses, causeCatalogue, configurationCauses, findBindingCause } from '.';

/** What a trial has to find out: hardware can be worse than many quick cores, and a proxy heavier than its original. */
const mayBeWorse = new Set(['hardware-decode-off', 'graphics-drawing-off', 'proxies-not-shown']);

describe('causeCatalogue', () => {
  it('names each cause once, and a person can read of every one', () => {
    expect(new Set(causeCatalogue.map((cause) => cause.id)).size).toBe(causeCatalogue.length);
    for (const { id } of causeCatalogue) {
      expect(causeTexts[id].title.length).toBeGreaterThan(5);
      expect(settlingTests[id].length).toBeGreaterThan(5);
    }
  });

  it('never makes the preview worse by a repair', () => {
    fc.assert(
      fc.property(arbitraryState, (state) => {
        const middle = middleParameters(state.setup.machine);
        const now = estimate(state, 'heaviest', middle).shownFps;
        for (const cause of causeCatalogue) {
          // Hardware decoding can be worse than many quick cores; that is for a trial to find out.
          if (cause.kind === 'load' || mayBeWorse.has(cause.id)) continue;
          const repaired = cause.repair(state);
          // Of the rate to reach: a repaired project may have a lower one.
          const [before, after] = [now / state.setup.targetFps, estimate(repaired, 'heaviest', middle).shownFps];
          expect(after / repaired.setup.targetFps, cause.id).toBeGreaterThanOrEqual(before * (1 - 1e-12));
        }
      }),
      propertyRuns,
    );
  });
});

describe('project-mismatch', () => {
  it('takes back only what is too much: a rate that is all but the delivered one stays as it is', () => {
    const mismatch = configurationCauses.find(({ id }) => id === 'project-mismatch');
    fc.assert(
      fc.property(arbitraryState, (state) => {
        const timeline = { ...state.setup.timeline, heightPx: 2160, frameRateFps: 25 };
        const repairedFrom = (delivered: { readonly heightPx: number; readonly frameRateFps: number }) => {
          const { heightPx, frameRateFps } =
            mismatch?.repair({ ...state, setup: { ...state.setup, timeline, delivered } }).setup.timeline ?? timeline;
          return [heightPx, frameRateFps];
        };
        expect(repairedFrom({ heightPx: 1080, frameRateFps: 24 })).toEqual([1080, 25]);
        expect(repairedFrom({ heightPx: 2000, frameRateFps: 20 })).toEqual([2160, 20]);
        expect(repairedFrom({ heightPx: 2000, frameRateFps: 24 })).toEqual([2160, 25]);
        expect(repairedFrom({ heightPx: 1080, frameRateFps: 12 })).toEqual([1080, 12]);
      }),
      { ...propertyRuns, numRuns: 20 },
    );
  });
});

describe('beforeCauses', () => {
  it('takes back what came, once and for all, and leaves what people have had all along', () => {
    fc.assert(
      fc.property(arbitraryState, (state) => {
        const before = beforeCauses(state);
        expect(beforeCauses(before)).toEqual(before);
        for (const cause of causeCatalogue)
          if (cause.kind === 'configuration' && !cause.asBefore) expect(cause.isPresent(before), cause.id).toBe(false);
        const { machine, clips, timeline } = before.setup;
        expect(machine).toEqual({ ...state.setup.machine, powerRatio: machine.powerRatio });
        expect(machine.powerRatio).toBeGreaterThanOrEqual(state.setup.machine.powerRatio);
        expect(clips).toEqual(state.setup.clips);
        expect(timeline).toEqual(state.setup.timeline);
      }),
      propertyRuns,
    );
  });
});

describe('findBindingCause', () => {
  it('names none exactly where the middle of the estimate is usable', () => {
    fc.assert(
      fc.property(arbitraryState, (state) => {
        const { shownFps } = estimate(state, 'heaviest', middleParameters(state.setup.machine));
        expect(findBindingCause(state) === null).toBe(shownFps >= usableRateRatio * state.setup.targetFps);
      }),
      propertyRuns,
    );
  });
});

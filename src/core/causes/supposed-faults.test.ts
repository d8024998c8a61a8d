import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { arbitraryState, propertyRuns, untold } from '../../../tests/arbitrary/setup';
import { estimate, middleParameters, type SetupState } from '../load';
import { configurationCauses, type PriorFacts } from '.';

const told: PriorFacts = {
  isPluggedIn: 'yes',
  isUpToDate: 'yes',
  wasRestarted: 'yes',
  isBuilding: 'no',
  isSourcePanelOpen: 'no',
  isSystemDriveStated: true,
  isFootageDriveStated: true,
  isMemoryStated: true,
  isProxyQualityStated: true,
};
/** What the middle of all that is unknown makes of a set-up. */
const evaluateMiddle = (state: SetupState) => estimate(state, 'heaviest', middleParameters(state.setup.machine));
const supposed = configurationCauses.flatMap((cause) => cause.faults.map((fault) => ({ cause, fault })));

describe('supposed faults', () => {
  it('have odds that can be, and a name of their own within their cause', () => {
    for (const cause of configurationCauses)
      expect(new Set(cause.faults.map(({ variant }) => variant)).size).toBe(cause.faults.length);
    fc.assert(
      fc.property(arbitraryState, fc.constantFrom(told, untold), ({ setup }, facts) => {
        for (const { cause, fault } of supposed) {
          const odds = fault.odds(setup, facts);
          expect(Number.isFinite(odds) && odds >= 0 && odds < 2, `${cause.id} ${fault.variant}`).toBe(true);
        }
      }),
      propertyRuns,
    );
  });

  it('are likelier where nobody said how it is', () => {
    fc.assert(
      fc.property(arbitraryState, ({ setup }) => {
        for (const { cause, fault } of supposed) {
          const [unsaid, said] = [fault.odds(setup, untold), fault.odds(setup, told)];
          // A system drive that was said to be nearly full is likelier full than one of which nothing is known.
          if (setup.machine.systemDriveFreeRatio < 0.12) continue;
          expect(unsaid, `${cause.id} ${fault.variant}`).toBeGreaterThanOrEqual(said);
        }
      }),
      propertyRuns,
    );
  });

  it('of less memory and of another drive never make a preview quicker', () => {
    const doubted = supposed.filter(({ fault }) => ['less-than-stated', 'on-another-drive'].includes(fault.variant));
    expect(doubted).toHaveLength(2);
    fc.assert(
      fc.property(arbitraryState, (state) => {
        for (const { fault } of doubted) {
          if (fault.odds(state.setup, untold) === 0) continue;
          const [sound, ill] = [evaluateMiddle(state), evaluateMiddle(fault.suppose(state))];
          expect(ill.shownFps).toBeLessThanOrEqual(sound.shownFps * (1 + 1e-12));
          expect(ill.scrubMs).toBeGreaterThanOrEqual(sound.scrubMs * (1 - 1e-12));
        }
      }),
      propertyRuns,
    );
  });

  it('are taken back by their cause’s repair, which changes nothing once more', () => {
    fc.assert(
      fc.property(arbitraryState, (state) => {
        for (const { cause, fault } of supposed) {
          if (fault.odds(state.setup, untold) === 0) continue;
          const repaired = cause.repair(fault.suppose(state));
          const again = cause.repair(repaired);
          expect(evaluateMiddle(again).shownFps, cause.id).toBeCloseTo(evaluateMiddle(repaired).shownFps, 9);
        }
      }),
      propertyRuns,
    );
  });
});

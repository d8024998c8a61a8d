import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { arbitraryState, propertyRuns } from '../../../tests/arbitrary/setup';
import { configurationCauses, isOpenEnd, type PriorFacts, withoutHiddenCauses } from '../causes';
import { estimate, middleParameters, type Parameters, type SetupState, usualHidden } from '../load';
import { listPairs, listSingles } from './hypotheses';

const known = fc.constantFrom('yes' as const, 'no' as const, 'unknown' as const);
const facts: fc.Arbitrary<PriorFacts> = fc.record({
  isPluggedIn: known,
  isUpToDate: known,
  wasRestarted: known,
  isBuilding: known,
  isSourcePanelOpen: known,
  isSystemDriveStated: fc.boolean(),
  isFootageDriveStated: fc.boolean(),
  isMemoryStated: fc.boolean(),
  isProxyQualityStated: fc.boolean(),
});

const onOnePage = ['graphics-drawing-off:off', 'hardware-decode-off:off'];

/** All that is weighed where nothing that is known speaks for any fault. */
const listAll = (state: SetupState, said: PriorFacts) => {
  const singles = listSingles(state, said);
  return [
    ...singles,
    ...listPairs(
      state,
      said,
      singles.map(() => 0),
    ),
  ];
};

describe('hypotheses', () => {
  it('hold each set of faults once, none at first, and never two faults of one cause', () => {
    fc.assert(
      fc.property(arbitraryState, facts, (state, said) => {
        const hypotheses = listAll(state, said);
        expect(new Set(hypotheses.map(({ key }) => key)).size).toBe(hypotheses.length);
        expect(hypotheses.every(({ odds }) => odds > 0)).toBe(true);
        expect(hypotheses[0]).toMatchObject({ key: 'none', causeIds: [], odds: 1, state: withoutHiddenCauses(state) });
        expect(hypotheses.every(({ causeIds }) => new Set(causeIds).size === causeIds.length)).toBe(true);
        expect(Math.max(...hypotheses.map(({ causeIds }) => causeIds.length))).toBe(2);
      }),
      propertyRuns,
    );
  });

  it('leave nothing open that a cause is about: where it is not supposed, putting it right changes nothing', () => {
    const settled = configurationCauses.filter(({ supposeNone }) => supposeNone !== undefined);
    expect(settled.length).toBeGreaterThan(0);
    const rank = fc.double({ min: 0, max: 1, noNaN: true });
    fc.assert(
      fc.property(arbitraryState, facts, rank, rank, ({ setup }, said, graphicsDrawingRank, hardwareDecodeRank) => {
        const middle = middleParameters(setup.machine);
        const parameters: Parameters = { ...middle, graphicsDrawingRank, hardwareDecodeRank };
        const preview = { ...setup.preview, hardwareDecode: 'unknown', graphicsDrawing: 'unknown' } as const;
        // Of one clip, because what is set says which of several is the heaviest.
        const open: SetupState = { setup: { ...setup, preview, clips: setup.clips.slice(0, 1) }, hidden: usualHidden };
        for (const hypothesis of listAll(open, said))
          for (const cause of settled)
            if (!cause.isPresent(hypothesis.state)) {
              const asIs = estimate(hypothesis.state, 'heaviest', parameters);
              const repaired = estimate(cause.repair(hypothesis.state), 'heaviest', parameters);
              for (const figure of ['shownFps', 'laterFps', 'scrubMs', 'openingSec'] as const)
                expect(repaired[figure] / asIs[figure], cause.id).toBeCloseTo(1, 9);
            }
      }),
      { ...propertyRuns, numRuns: 20 },
    );
  });

  it('leave room for what nothing here explains, and take two faults for rarer than either', () => {
    fc.assert(
      fc.property(arbitraryState, facts, (state, said) => {
        const hypotheses = listAll(state, said);
        expect(hypotheses.some(({ causeIds }) => causeIds.some(isOpenEnd))).toBe(true);
        const single = new Map(hypotheses.filter(({ causeIds }) => causeIds.length === 1).map((h) => [h.key, h.odds]));
        const isRarer = hypotheses
          .filter(({ causeIds }) => causeIds.length === 2)
          .every(({ key, odds }) => {
            const [a = 0, b = 0] = key.split('+').map((one) => single.get(one) ?? 0);
            // Two switches of one page are off together more often than chance has it.
            const areOnOnePage = onOnePage.every((one) => key.includes(one));
            return odds <= 0.5 * (areOnOnePage ? Math.min(a, b) : a * b) * (1 + 1e-9);
          });
        expect(isRarer).toBe(true);
      }),
      propertyRuns,
    );
  });

  it('pair the fault that explains most with every other, however rare it is', () => {
    fc.assert(
      fc.property(arbitraryState, facts, fc.nat(), (state, said, pick) => {
        const singles = listSingles(state, said);
        const at = 1 + (pick % (singles.length - 1));
        const explaining = singles[at];
        const pairs = listPairs(
          state,
          said,
          singles.map((_, i) => (i === at ? 50 : 0)),
        );
        const others = singles.filter(({ causeIds: [id] }) => id !== undefined && id !== explaining?.causeIds[0]);
        const held = pairs.filter(({ key }) => key.split('+').includes(explaining?.key ?? ''));
        expect(held.length).toBe(others.length);
      }),
      propertyRuns,
    );
  });

  it('take two switches of one page for off together, by far more often than chance has it', () => {
    fc.assert(
      fc.property(arbitraryState, facts, (state, said) => {
        const hypotheses = listAll(state, said);
        const oddsOf = (key: string) => hypotheses.find((one) => one.key === key)?.odds;
        const [a, b] = onOnePage.map(oddsOf);
        const both = oddsOf(onOnePage.join('+'));
        fc.pre(a !== undefined && b !== undefined && both !== undefined);
        expect(both).toBeCloseTo(0.4 * Math.min(a, b), 9);
      }),
      propertyRuns,
    );
  });

  it('take a switch for rarely off whose neighbour is said to be on, and for often off whose neighbour is off', () => {
    fc.assert(
      fc.property(arbitraryState, facts, ({ setup, hidden }, said) => {
        const oddsWith = (graphicsDrawing: 'yes' | 'no' | 'unknown') => {
          const preview = { ...setup.preview, hardwareDecode: 'unknown' as const, graphicsDrawing };
          return listSingles({ setup: { ...setup, preview }, hidden }, said).find(({ key }) => key === onOnePage[1])
            ?.odds;
        };
        const [on, open, off] = [oddsWith('yes'), oddsWith('unknown'), oddsWith('no')];
        fc.pre(on !== undefined && open !== undefined && off !== undefined);
        expect(on).toBeLessThan(open);
        expect(off).toBeGreaterThan(open);
      }),
      propertyRuns,
    );
  });
});

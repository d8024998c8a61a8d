import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { describeGround } from '@/messages/grounds';
import { arbitraryState, propertyRuns, untold } from '../../../tests/arbitrary/setup';
import { expectGoodWords } from '../../../tests/stand-ins/good-words';
import { estimate, middleParameters, type SetupState } from '../load';
import { causeCatalogue, causeIds, configurationCauses, type GroundView, listGrounds } from '.';

/** All that a person need not have said for grounds to be found in the set-up. */
const nothingSaid: GroundView['facts'] = { ...untold, isMemoryStated: true };
const troubleSaid: GroundView['facts'] = {
  ...nothingSaid,
  isPluggedIn: 'no',
  isUpToDate: 'no',
  wasRestarted: 'no',
  isBuilding: 'yes',
  isSourcePanelOpen: 'yes',
  isSystemDriveStated: true,
};

const viewOf = (state: SetupState, facts = nothingSaid): GroundView => ({
  state,
  facts,
  stages: estimate(state, 'heaviest', middleParameters(state.setup.machine)).stages,
  budgetMs: 1000 / state.setup.targetFps,
});

/** What a machine is, whatever is put right on it. */
const lasting: ReadonlySet<string> = new Set(['gets-hot', 'second-graphics']);

describe('listGrounds', () => {
  it('gives figures that a person can read, whatever stands on the card', () => {
    fc.assert(
      fc.property(arbitraryState, fc.constantFrom(nothingSaid, troubleSaid), (state, facts) => {
        for (const id of causeIds)
          for (const ground of listGrounds(id, viewOf(state, facts))) {
            const sentence = describeGround(ground);
            expectGoodWords(sentence);
            expect(sentence).toMatch(/^\S.*\.$/);
            expect(sentence).not.toMatch(/NaN|Infinity|∞|undefined|null/);
          }
      }),
      propertyRuns,
    );
  });

  it('finds nothing left of a cause that was put right', () => {
    fc.assert(
      fc.property(arbitraryState, (state) => {
        for (const { id, repair } of configurationCauses) {
          const left = listGrounds(id, viewOf(repair(state))).filter(({ code }) => !lasting.has(code));
          expect(left, id).toEqual([]);
        }
      }),
      propertyRuns,
    );
  });

  it('finds none for a load that takes no time', () => {
    fc.assert(
      fc.property(arbitraryState, (state) => {
        const idle = { ...viewOf(state), stages: viewOf(state).stages.map((stage) => ({ ...stage, ms: 0 })) };
        for (const { id } of causeCatalogue.filter(({ kind }) => kind === 'load'))
          expect(listGrounds(id, idle).map(({ code }) => code)).not.toContain('takes-of-a-frame');
      }),
      propertyRuns,
    );
  });

  it('takes what people said for what speaks for a cause', () => {
    fc.assert(
      fc.property(arbitraryState, (state) => {
        const codesOf = (id: (typeof causeIds)[number], facts: GroundView['facts']) =>
          listGrounds(id, viewOf(state, facts)).map(({ code }) => code);
        for (const [id, code] of [
          ['power-or-heat', 'on-battery'],
          ['software-stale', 'not-up-to-date'],
          ['software-stale', 'not-restarted'],
          ['building-previews', 'said-to-build'],
          ['panel-reads-originals', 'panel-said-open'],
        ] as const) {
          expect(codesOf(id, troubleSaid)).toContain(code);
          expect(codesOf(id, nothingSaid)).not.toContain(code);
        }
      }),
      propertyRuns,
    );
  });
});

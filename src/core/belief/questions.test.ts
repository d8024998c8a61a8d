import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { arbitraryState, propertyRuns } from '../../../tests/arbitrary/setup';
import { applyFixes } from '../fixes';
import { compile, createOutcomes, drawParameterSamples, evaluate, type SetupState } from '../load';
import { withOneLayer, withTimeline } from '../load/change-state';
import { troubleIds } from '../load/types';
import { findQuestion, type QuestionId, questionCatalogue } from './questions';
import { viewSamples } from './weighing';

const sampleCount = 12;

/** How likely each answer to a question is, in each sample of a set-up. */
function chancesOf(id: QuestionId, state: SetupState): readonly (readonly number[])[] {
  const question = findQuestion(id);
  if (!question) throw new Error(`no question ${id}`);
  const looked = question.lookAt?.(state, state) ?? state;
  const samples = drawParameterSamples(sampleCount, looked.setup.machine);
  const out = createOutcomes(sampleCount);
  evaluate(compile(looked, 'heaviest'), samples, out);
  const view = viewSamples(looked, samples, out);
  return Array.from({ length: sampleCount }, (_, i) => {
    view.index = i;
    return question.chances(view, ['playing', 'scrubbing', 'opening']);
  });
}

const withTrouble = (state: SetupState, id: keyof SetupState['hidden']['troubles'], share: number): SetupState => ({
  ...state,
  hidden: { ...state.hidden, troubles: { ...state.hidden.troubles, [id]: share } },
});

const withFasterCore = (state: SetupState): SetupState => ({
  ...state,
  setup: {
    ...state.setup,
    machine: { ...state.setup.machine, coreSpeedRatio: 1.5 * state.setup.machine.coreSpeedRatio },
  },
});

describe('questionCatalogue', () => {
  it('gives each answer some chance, and all together one, whatever the set-up', () => {
    fc.assert(
      fc.property(arbitraryState, fc.constantFrom(...questionCatalogue), (state, { id, answers }) => {
        for (const chances of chancesOf(id, state)) {
          expect(chances, id).toHaveLength(answers.length);
          for (const chance of chances) expect(chance, id).toBeGreaterThan(0.02);
          expect(
            chances.reduce((sum, chance) => sum + chance, 0),
            id,
          ).toBeCloseTo(1, 9);
        }
      }),
      propertyRuns,
    );
  });

  it('knows the question of a newer Oil Can as none', () => {
    expect(findQuestion('of-a-newer-oil-can')).toBeUndefined();
  });
});

describe('a look at one clip by itself', () => {
  it('tells nothing of effects and further layers: it is as likely smooth with as without them', () => {
    fc.assert(
      fc.property(arbitraryState, (state) => {
        const bare = applyFixes(state, [
          { id: 'bypass-effects', level: 'all' },
          { id: 'solo-track', level: null },
        ]);
        expect(chancesOf('clip-alone', state)).toEqual(chancesOf('clip-alone', bare));
      }),
      propertyRuns,
    );
  });

  it('tells nothing of unlisted layers, and with its effects is never likelier smooth', () => {
    fc.assert(
      fc.property(arbitraryState, (state) => {
        const [listed, unlisted] = [true, false].map((hasOnlyListedLayers) =>
          chancesOf('clip-with-effects', withTimeline(state, { hasOnlyListedLayers })),
        );
        expect(listed).toEqual(unlisted);
        const bare = chancesOf('clip-alone', state);
        for (const [i, chances] of chancesOf('clip-with-effects', state).entries())
          expect(chances[0] ?? 1).toBeLessThanOrEqual((bare[i]?.[0] ?? 0) + 1e-9);
      }),
      propertyRuns,
    );
  });

  it('is asked with its effects only where there may be effects and something else', () => {
    const { canAsk } = findQuestion('clip-with-effects') ?? {};
    if (!canAsk) throw new Error('no such question');
    fc.assert(
      fc.property(arbitraryState, (state) => {
        const described = withTimeline(state, { areLayersStated: true, areEffectsStated: true });
        expect(canAsk(withTimeline(described, { effects: [] }))).toBe(false);
        expect(canAsk(withOneLayer(described))).toBe(false);
        const undescribed = {
          areLayersStated: false,
          areEffectsStated: false,
          hasOnlyListedEffects: false,
          hasOnlyListedLayers: false,
        };
        expect(canAsk(withTimeline(state, undescribed))).toBe(true);
      }),
      propertyRuns,
    );
  });

  it('is likelier smooth on a faster core', () => {
    fc.assert(
      fc.property(arbitraryState, (state) => {
        const [before, after] = [chancesOf('clip-alone', state), chancesOf('clip-alone', withFasterCore(state))];
        for (const [i, chances] of before.entries())
          expect(after[i]?.[0] ?? 0).toBeGreaterThanOrEqual((chances[0] ?? 0) - 1e-9);
      }),
      propertyRuns,
    );
  });
});

describe('whether a film like it ever played well', () => {
  it('is what it was before any trouble came, however bad that is now', () => {
    fc.assert(
      fc.property(arbitraryState, fc.constantFrom(...troubleIds), (state, id) => {
        const sound = chancesOf('played-well-before', withTrouble(state, id, 0));
        for (const [i, chances] of chancesOf('played-well-before', withTrouble(state, id, 1)).entries())
          for (const [at, chance] of chances.entries()) expect(chance, id).toBeCloseTo(sound[i]?.[at] ?? 0, 9);
      }),
      propertyRuns,
    );
  });

  it('is likelier on a faster core, and no likelier that it is the first of its kind', () => {
    fc.assert(
      fc.property(arbitraryState, (state) => {
        const [before, after] = [
          chancesOf('played-well-before', state),
          chancesOf('played-well-before', withFasterCore(state)),
        ];
        for (const [i, [usedTo = 0, , first = 0]] of before.entries()) {
          expect(after[i]?.[0] ?? 0).toBeGreaterThanOrEqual(usedTo - 1e-9);
          expect(after[i]?.[2]).toBeCloseTo(first, 9);
        }
      }),
      propertyRuns,
    );
  });
});

describe('a timed copy', () => {
  it('is likelier slow where the drive is in trouble', () => {
    fc.assert(
      fc.property(arbitraryState, (state) => {
        const sound = chancesOf('file-copy', withTrouble(state, 'drive', 0));
        const ill = chancesOf('file-copy', withTrouble(state, 'drive', 1));
        for (const [i, chances] of sound.entries())
          expect(ill[i]?.[2] ?? 0).toBeGreaterThanOrEqual((chances[2] ?? 0) - 1e-9);
      }),
      propertyRuns,
    );
  });
});

describe('what works while somebody jumps about', () => {
  it('is likelier the drive, and never likelier the processor, where the drive is in trouble', () => {
    fc.assert(
      fc.property(arbitraryState, (state) => {
        const sound = chancesOf('while-jumping', withTrouble(state, 'drive', 0));
        const ill = chancesOf('while-jumping', withTrouble(state, 'drive', 1));
        for (const [i, [drive = 0, processor = 0]] of sound.entries()) {
          expect(ill[i]?.[0] ?? 0).toBeGreaterThanOrEqual(drive - 1e-9);
          expect(ill[i]?.[1] ?? 1).toBeLessThanOrEqual(processor + 1e-9);
        }
      }),
      propertyRuns,
    );
  });
});

describe('the work that the editor does', () => {
  it('is likelier less than a core where everything waits for something else', () => {
    fc.assert(
      fc.property(arbitraryState, (state) => {
        const sound = chancesOf('editor-cores', withTrouble(state, 'unexplained', 0));
        const ill = chancesOf('editor-cores', withTrouble(state, 'unexplained', 1));
        for (const [i, [, , less = 0]] of sound.entries()) expect(ill[i]?.[2] ?? 0).toBeGreaterThanOrEqual(less - 1e-9);
      }),
      propertyRuns,
    );
  });

  it('counts what the editor builds meanwhile, which takes three tenths of all cores at least', () => {
    fc.assert(
      fc.property(arbitraryState, (state) => {
        const building = withTrouble(state, 'builds', 1);
        const { machine } = building.setup;
        const out = createOutcomes(sampleCount);
        evaluate(compile(building, 'heaviest'), drawParameterSamples(sampleCount, machine), out);
        for (const cores of out.editorCores) {
          expect(cores).toBeGreaterThanOrEqual(0.3 * machine.coreCount);
          expect(cores).toBeLessThanOrEqual(machine.coreCount);
        }
      }),
      propertyRuns,
    );
  });
});

describe('a picture that stands', () => {
  it('is likely where the system drive is full, and never less likely the more memory is over', () => {
    fc.assert(
      fc.property(arbitraryState, (state) => {
        const sound = chancesOf('picture-stands', withTrouble(withTrouble(state, 'memory', 0), 'systemDrive', 0));
        const swapping = chancesOf('picture-stands', withTrouble(withTrouble(state, 'memory', 1), 'systemDrive', 0));
        const full = chancesOf('picture-stands', withTrouble(state, 'systemDrive', 1));
        for (const [i, [stands = 0]] of sound.entries())
          expect(swapping[i]?.[0] ?? 0).toBeGreaterThanOrEqual(stands - 1e-9);
        // 480 ms at the longest is nearly as likely seen as not.
        for (const [stands = 0] of full) expect(stands).toBeGreaterThan(0.4);
      }),
      propertyRuns,
    );
  });
});

describe('the use of the graphics', () => {
  it('is hardly any where the processor draws', () => {
    fc.assert(
      fc.property(arbitraryState, (state) => {
        const drawn: SetupState = {
          setup: { ...state.setup, preview: { ...state.setup.preview, graphicsDrawing: 'no' } },
          hidden: { ...state.hidden, graphicsDrawing: 'no' },
        };
        for (const [all = 1, some = 1, hardly = 0] of chancesOf('graphics-use', drawn))
          expect(hardly).toBeGreaterThan(Math.max(all, some));
      }),
      propertyRuns,
    );
  });
});

import { describe, expect, it } from 'vitest';
import { faultsOf, scenarioOptions as options } from '../../../tests/scenarios/faults-of';
import { cardOf, draftOf } from '../../../tests/scenarios/scenario-cards';
import { scenarios } from '../../../tests/scenarios/scenarios';
import { gapUnder, inferPosterior } from '../belief';
import { createRandom } from '../numbers/random';

describe('what people trip over', () => {
  for (const scenario of scenarios)
    it(`${scenario.name}: named, cured by the first plan, and nothing expected of what cannot help`, () => {
      expect(faultsOf(scenario, 1)).toEqual([]);
    });
});

describe('where people are told both, facts decide', () => {
  const draft = draftOf(createRandom(5));
  const gapWith = (card: ReturnType<typeof cardOf>, id: string, level: string | number | null): number =>
    gapUnder(inferPosterior(card, options), [{ id, level }]).gap;
  const gapOf = (card: ReturnType<typeof cardOf>): number => gapUnder(inferPosterior(card, options), []).gap;

  it('all memory or a little: it is taken from the editor where the system is short, and given where the editor is', () => {
    const tooMuch = cardOf(
      { ...draft, rig: { ...draft.rig, memoryMib: 8192, editorGivenMib: 8400 } },
      { complaints: ['playing'], seed: 3, answers: { 'memory-full': 'yes' } },
    );
    // Drawn on the cores: the graphics do not wait for the editor's memory.
    const timeline = {
      ...draft.rig.timeline,
      effects: [{ kind: 'colour-curves' as const, layerCount: 1, strength: 'usual' as const }],
    };
    const tooLittle = cardOf(
      { ...draft, rig: { ...draft.rig, timeline, isDrawingOnGraphics: false, editorGivenMib: 500 } },
      { complaints: ['playing'], seed: 3, answers: { 'memory-full': 'no' } },
    );
    expect(gapOf(tooLittle)).toBeGreaterThan(0.3);
    expect(gapWith(tooMuch, 'give-editor-memory', 4096)).toBeLessThan(0.5 * gapOf(tooMuch));
    expect(gapWith(tooLittle, 'give-editor-memory', 8192)).toBeLessThan(0.5 * gapOf(tooLittle));
  });

  it('import all or a little: fewer clips help where hundreds lie unused, and not where all are used', () => {
    const many = cardOf(
      { ...draft, rig: { ...draft.rig, unusedClipCount: 600 } },
      { complaints: ['opening'], seed: 3 },
    );
    const few = { ...many, timeline: { ...many.timeline, unusedClipCount: 0 } };
    expect(gapWith(many, 'import-less', null)).toBeLessThan(0.5 * gapOf(many));
    expect(gapWith(few, 'import-less', null)).toBe(gapOf(few));
  });

  it('inner or outer drive: a quick one outside binds no light film', () => {
    const outside = { megabytePerSec: 380, seekMs: 0.3 };
    const clips = draft.rig.clips.map((clip) => ({ ...clip, original: { ...clip.original, drive: outside } }));
    const heavy = {
      ...draft.rig,
      clips,
      isDrawingOnGraphics: false,
      coreSpeed: 0.5,
      timeline: {
        ...draft.rig.timeline,
        effects: [{ kind: 'stabilise' as const, layerCount: 2, strength: 'usual' as const }],
      },
    };
    const card = cardOf(
      { rig: heavy, facts: { ...draft.facts, speedClass: 'slow', drive: 'external-solid-state' } },
      { complaints: ['playing'], seed: 3 },
    );
    expect(gapWith(card, 'move-media', null)).toBeGreaterThan(0.9 * gapOf(card));
  });
});

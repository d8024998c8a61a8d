import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { arbitraryState, propertyRuns } from '../../../tests/arbitrary/setup';
import { mixClips } from './clip-mix';
import { editorWantsMib, graphicsNeededMib, memoryNeededMib, previewMemoryMibOf } from './memory';
import type { Setup, SetupState } from './types';

const neededBy = ({ setup, hidden }: SetupState, change: Partial<Setup> = {}): number => {
  const changed = { ...setup, ...change };
  return memoryNeededMib(changed, mixClips({ setup: changed, hidden }));
};
const wantedBy = (state: SetupState): number => editorWantsMib(state.setup, mixClips(state));

describe('memoryNeededMib', () => {
  it('grows with clips, with programs, and with speed favoured over memory', () => {
    fc.assert(
      fc.property(arbitraryState, fc.integer({ min: 1, max: 4000 }), (state, more) => {
        const { setup } = state;
        const open = { ...state, setup: { ...setup, editor: { ...setup.editor, memoryGivenMib: null } } };
        const before = neededBy(open);
        const timeline = { ...setup.timeline, unusedClipCount: setup.timeline.unusedClipCount + more };
        expect(neededBy(open, { timeline })).toBeGreaterThan(before);
        const program = { id: 'one-more', busyCores: 0, memoryMib: more, canClose: 'yes' } as const;
        expect(neededBy(open, { programs: [...setup.programs, program] })).toBeCloseTo(before + more, 6);
        const editor = { ...open.setup.editor, isSpeedFavoured: true };
        expect(neededBy(open, { editor })).toBeGreaterThanOrEqual(before);
      }),
      propertyRuns,
    );
  });

  it('lets an editor take what it was given, nearly all of it, and no more than that', () => {
    fc.assert(
      fc.property(arbitraryState, fc.integer({ min: 64, max: 262_144 }), (state, memoryGivenMib) => {
        const editor = { ...state.setup.editor, memoryGivenMib };
        const nothing = { ...editor, memoryGivenMib: 0 };
        // What is left without the editor: the system, the programs and the pictures that were computed.
        const others = neededBy(state, { editor: nothing });
        const taken = neededBy(state, { editor }) - others;
        expect(taken).toBeLessThanOrEqual(memoryGivenMib + 1e-6);
        expect(taken).toBeGreaterThanOrEqual(0.93 * memoryGivenMib - 1e-6);
        if (wantedBy(state) >= memoryGivenMib) expect(taken).toBeCloseTo(memoryGivenMib, 6);
      }),
      propertyRuns,
    );
  });

  it('counts what was set aside for computed pictures, or a quarter of all in an editor that computes first', () => {
    fc.assert(
      fc.property(arbitraryState, (state) => {
        const { editor, machine } = state.setup;
        const by = (playsBy: Setup['editor']['playsBy'], previewMemoryMib: number | null): number =>
          neededBy(state, { editor: { ...editor, playsBy, previewMemoryMib } });
        expect(by('computing-first', 500) - by('streaming', null)).toBeCloseTo(500, 6);
        // One that plays at once keeps what somebody said, and nothing where nobody did.
        expect(by('streaming', 500) - by('streaming', null)).toBeCloseTo(500, 6);
        expect(by('computing-first', null) - by('streaming', null)).toBeCloseTo(machine.memoryMib / 4, 6);
        expect(previewMemoryMibOf({ ...state.setup, editor: { ...editor, previewMemoryMib: 77 } })).toBe(77);
      }),
      propertyRuns,
    );
  });
});

describe('graphicsNeededMib', () => {
  it('grows with layers, titles, effects and depth, and shrinks with the picture', () => {
    fc.assert(
      fc.property(arbitraryState, ({ setup }) => {
        const { timeline, preview } = setup;
        const needed = graphicsNeededMib(setup);
        const withTimeline = (change: Partial<Setup['timeline']>): number =>
          graphicsNeededMib({ ...setup, timeline: { ...timeline, ...change } });
        const withPreview = (change: Partial<Setup['preview']>): number =>
          graphicsNeededMib({ ...setup, preview: { ...preview, ...change } });
        expect(withTimeline({ videoLayerCount: timeline.videoLayerCount + 1 })).toBeGreaterThan(needed);
        expect(withTimeline({ titleCount: timeline.titleCount + 1 })).toBeGreaterThan(needed);
        expect(
          withTimeline({ effects: [...timeline.effects, { kind: 'blur', layerCount: 1, strength: 'usual' as const }] }),
        ).toBeGreaterThan(needed);
        expect(withPreview({ workingDepthBits: 32 })).toBeGreaterThanOrEqual(needed);
        expect(withPreview({ qualityRatio: preview.qualityRatio / 2 })).toBeLessThanOrEqual(needed);
        expect(needed > 0 && Number.isFinite(needed)).toBe(true);
      }),
      propertyRuns,
    );
  });
});

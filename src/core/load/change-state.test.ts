import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { arbitraryState, propertyRuns } from '../../../tests/arbitrary/setup';
import {
  changeClips,
  withFastMedia,
  withHidden,
  withOneLayer,
  withoutPrograms,
  withPreview,
  withProjectHeight,
  withProjectRate,
  withSetup,
  withSpinningMedia,
  withTimeline,
  withTrouble,
  withTroubles,
} from './change-state';
import { type SetupState, troubleIds } from './types';

const changes: Readonly<Record<string, (state: SetupState) => SetupState>> = {
  'fast media': withFastMedia,
  'spinning media': withSpinningMedia,
  'one layer': withOneLayer,
  'no programs': (state) => withoutPrograms(state, () => true),
  'half the quality': (state) => withPreview(state, { qualityRatio: 0.5 }),
  'shown proxies': (state) => withHidden(state, { areProxiesAttached: true, areProxiesShown: true }),
  'a trouble less': (state) => withTrouble(state, 'drive', 0),
  'no troubles': (state) => withTroubles(state, Object.fromEntries(troubleIds.map((id) => [id, 0]))),
  'a smaller project': (state) => withProjectHeight(state, 540),
  'a slower project': (state) => withProjectRate(state, 20),
};

describe('changes of a state', () => {
  it('give back the very same state where there is nothing left to change', () => {
    fc.assert(
      fc.property(arbitraryState, (state) => {
        for (const [name, change] of Object.entries(changes)) {
          const changed = change(state);
          if (name === 'spinning media') expect(change(changed), name).toEqual(changed);
          else expect(change(changed), name).toBe(changed);
        }
      }),
      propertyRuns,
    );
  });

  it('make a project as high as was asked for, to the last digit', () => {
    // 1064 lines times 540 / 1064 are not 540.
    const [state] = fc.sample(arbitraryState, { numRuns: 1, seed: 5 });
    if (!state) throw new Error('no state was drawn');
    const high = withTimeline(state, { widthPx: 1890, heightPx: 1064 });
    const lower = withProjectHeight(high, 540);
    expect(lower.setup.timeline.heightPx).toBe(540);
    expect(lower.setup.timeline.widthPx / 540).toBeCloseTo(1890 / 1064, 9);
    expect(withProjectHeight(lower, 540)).toBe(lower);
    expect(withProjectHeight(lower, 1080)).toBe(lower);
  });

  it('leave what they are given as it was', () => {
    fc.assert(
      fc.property(arbitraryState, (state) => {
        const before = structuredClone(state);
        for (const change of Object.values(changes)) change(state);
        expect(state).toEqual(before);
      }),
      propertyRuns,
    );
  });

  it('leave the record alone that says what is already so', () => {
    fc.assert(
      fc.property(arbitraryState, (state) => {
        expect(withSetup(state, { targetFps: state.setup.targetFps, machine: state.setup.machine })).toBe(state);
        expect(withHidden(state, { effectsAt: state.hidden.effectsAt })).toBe(state);
        expect(withoutPrograms(state, () => false)).toBe(state);
      }),
      propertyRuns,
    );
  });

  it('of clips are remembered, so that equal lists are one list and share their averages', () => {
    fc.assert(
      fc.property(arbitraryState, arbitraryState, (state, other) => {
        const sameClips = withSetup(other, { clips: state.setup.clips });
        const half = (clip: (typeof state.setup.clips)[number]) => ({ ...clip, durationMs: clip.durationMs / 2 });
        const [first, second] = [changeClips(state, 'half', half), changeClips(sameClips, 'half', half)];
        expect(second.setup.clips).toBe(first.setup.clips);
        expect(first.setup.clips.map(({ durationMs }) => durationMs)).toEqual(
          state.setup.clips.map(({ durationMs }) => durationMs / 2),
        );
        expect(changeClips(state, 'nothing', (clip) => clip)).toBe(state);
      }),
      propertyRuns,
    );
  });

  it('make a project smaller or slower, never larger or quicker, and keep its shape', () => {
    fc.assert(
      fc.property(
        arbitraryState,
        fc.integer({ min: 100, max: 9000 }),
        fc.integer({ min: 1, max: 240 }),
        (state, heightPx, rate) => {
          const { timeline, targetFps } = state.setup;
          const smaller = withProjectHeight(state, heightPx).setup.timeline;
          expect(smaller.heightPx).toBeCloseTo(Math.min(timeline.heightPx, heightPx), 6);
          expect(smaller.widthPx / smaller.heightPx).toBeCloseTo(timeline.widthPx / timeline.heightPx, 6);
          const slower = withProjectRate(state, rate).setup;
          expect(slower.timeline.frameRateFps).toBe(Math.min(timeline.frameRateFps, rate));
          expect(slower.targetFps).toBe(Math.min(targetFps, rate));
        },
      ),
      propertyRuns,
    );
  });
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fixTexts } from '@/messages/fixes';
import { arbitraryState, propertyRuns } from '../../../tests/arbitrary/setup';
import {
  applyFixes,
  clipsForProxies,
  estimateProxyWork,
  type FixScale,
  findFix,
  fixCatalogue,
  fixIds,
  parseLevelOf,
  rankFixes,
} from '.';

describe('fixCatalogue', () => {
  it('names each fix once, and a person can read of every one', () => {
    expect(new Set(fixCatalogue.map((fix) => fix.id)).size).toBe(fixCatalogue.length);
    expect([...fixCatalogue.map((fix) => fix.id)].sort()).toEqual([...fixIds].sort());
    for (const fix of fixCatalogue) {
      const text = fixTexts[fix.id];
      expect(text.steps(fix.defaultLevel)).toHaveLength(3);
      expect(text.putBack === null).toBe(fix.putBack === null);
      for (const excluded of fix.excludes) expect(findFix(excluded)).toBeDefined();
    }
  });

  it('keeps effort and sacrifice finite and in range, at every level of any set-up', () => {
    fc.assert(
      fc.property(arbitraryState, (state) => {
        for (const fix of fixCatalogue)
          for (const level of fix.levelsFor(state)) {
            const minutes = fix.effortMinutes(state, level);
            expect(Number.isFinite(minutes) && minutes > 0, fix.id).toBe(true);
            for (const part of Object.values(fix.sacrifice(state, level))) {
              expect(part, fix.id).toBeGreaterThanOrEqual(0);
              expect(part, fix.id).toBeLessThanOrEqual(1);
            }
          }
      }),
      propertyRuns,
    );
  });

  it('changes nothing of the state that it is given', () => {
    fc.assert(
      fc.property(arbitraryState, (state) => {
        const before = structuredClone(state);
        for (const fix of fixCatalogue) for (const level of fix.levelsFor(state)) fix.applyTo(state, level);
        expect(state).toEqual(before);
      }),
      propertyRuns,
    );
  });

  it('reads back every level that it offers, and none from nonsense', () => {
    fc.assert(
      fc.property(arbitraryState, fc.string(), (state, nonsense) => {
        for (const fix of fixCatalogue) {
          for (const level of fix.levelsFor(state)) expect(parseLevelOf(fix.levelKind, String(level))).toBe(level);
          const read = parseLevelOf(fix.levelKind, nonsense);
          if (read !== null) expect(() => fix.applyTo(state, read)).not.toThrow();
        }
      }),
      propertyRuns,
    );
  });
});

describe('applyFixes', () => {
  it('gives the same state again when a fix is left out, and passes over fixes it does not know', () => {
    fc.assert(
      fc.property(arbitraryState, (state) => {
        const fixes = [
          { id: 'lower-preview-quality', level: '1/4' },
          { id: 'close-programs', level: 'all' },
        ];
        const withAll = applyFixes(state, fixes);
        expect(applyFixes(state, [])).toBe(state);
        expect(applyFixes(state, [...fixes, { id: 'of-a-newer-oil-can', level: 3 }])).toEqual(withAll);
        expect(applyFixes(state, fixes)).toEqual(withAll);
      }),
      propertyRuns,
    );
  });

  it('throws for a level that no interface can give', () => {
    const [state] = fc.sample(arbitraryState, { seed: 1, numRuns: 1 });
    if (!state) throw new Error('no sample');
    expect(() => applyFixes(state, [{ id: 'make-proxies', level: 'tall' }])).toThrow('make-proxies');
    expect(() => applyFixes(state, [{ id: 'lower-preview-quality', level: '3/2' }])).toThrow('lower-preview-quality');
  });
});

describe('rankFixes', () => {
  /** A scale on which each level closes something of its own, or makes it worse. */
  const scale: FixScale = {
    gapNow: 1,
    gapWith: ({ id }, level) => ({ gap: (`${id}${level}`.length % 7) / 4, usableProbability: 0.5 }),
    effectKeyOf: ({ id }) => id,
    expectOf: () => ({ shownFps: { low: 1, mid: 2, high: 3 }, usableProbability: 0.5 }),
  };

  it('lists each fix that can apply once, best score first, never with a negative gain', () => {
    fc.assert(
      fc.property(arbitraryState, (state) => {
        const ranked = rankFixes(state, scale);
        expect(new Set(ranked.map((fix) => fix.id)).size).toBe(ranked.length);
        expect(ranked.map((fix) => fix.id).sort()).toEqual(
          fixCatalogue
            .filter((fix) => fix.group !== 'export' && fix.group !== 'upgrades' && fix.levelsFor(state).length > 0)
            .map((fix) => fix.id)
            .sort(),
        );
        ranked.forEach((fix, i) => {
          expect(fix.gain).toBeGreaterThanOrEqual(0);
          expect(fix.score).toBeLessThanOrEqual(ranked[i - 1]?.score ?? Number.POSITIVE_INFINITY);
        });
      }),
      propertyRuns,
    );
  });
});

describe('estimateProxyWork', () => {
  it('asks more minutes and disk for more lines', () => {
    fc.assert(
      fc.property(arbitraryState, (state) => {
        const [small, large] = [estimateProxyWork(state, 360), estimateProxyWork(state, 361)];
        if (small.clipCount === large.clipCount) expect(large.gigabytes).toBeGreaterThanOrEqual(small.gigabytes);
        expect(Number.isFinite(small.minutes)).toBe(true);
      }),
      propertyRuns,
    );
  });

  it('lists by what the graphics were seen to decode, whatever their kind and whatever is supposed of their driver', () => {
    let addedCount = 0;
    fc.assert(
      fc.property(arbitraryState, (state) => {
        const listAt = (seenDecodeMegapixelPerSec: number | null, hidden = state.hidden) =>
          clipsForProxies(
            { hidden, setup: { ...state.setup, machine: { ...state.setup.machine, seenDecodeMegapixelPerSec } } },
            360,
          );
        const slow = listAt(0.01);
        for (const clip of listAt(null)) expect(slow).toContain(clip);
        addedCount += slow.length - listAt(1e6).length;
        const faulty = { ...state.hidden, troubles: { ...state.hidden.troubles, hardwareDecode: 1 } };
        expect(listAt(50, faulty)).toEqual(listAt(50));
      }),
      propertyRuns,
    );
    expect(addedCount).toBeGreaterThan(0);
  });

  it('never leaves out a clip because more of them lie over each other', () => {
    fc.assert(
      fc.property(arbitraryState, fc.integer({ min: 1, max: 4 }), (state, more) => {
        const { timeline } = state.setup;
        const stacked = {
          ...state,
          setup: { ...state.setup, timeline: { ...timeline, videoLayerCount: timeline.videoLayerCount + more } },
        };
        const [few, many] = [clipsForProxies(state, 360), clipsForProxies(stacked, 360)];
        for (const clip of few) expect(many).toContain(clip);
      }),
      propertyRuns,
    );
  });
});

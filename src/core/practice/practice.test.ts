import fc from 'fast-check';
import { beforeAll, describe, expect, it } from 'vitest';
import { loadDemoCards } from '@/demo/load-demo-cards';
import { loadPracticeFiles } from '@/demo/load-practice';
import { hasPracticeMachine } from '@/demo/practice-cards';
import { propertyRuns } from '../../../tests/arbitrary/setup';
import { createJobCard, type JobCard } from '../card';
import { measurePractice, type PracticeFile, parsePracticeFile } from '.';

let cards: readonly JobCard[] = [];
let files: readonly PracticeFile[] = [];
beforeAll(async () => {
  cards = await loadDemoCards();
  files = await loadPracticeFiles();
});

describe('parsePracticeFile', () => {
  it('never throws, and takes nothing that is none', () => {
    fc.assert(
      fc.property(fc.anything(), (value) => {
        expect(parsePracticeFile(value).ok).toBe(false);
      }),
      propertyRuns,
    );
  });
  it('says which fault it does not know', () => {
    const file = {
      format: 'oil-can-practice',
      version: 2,
      programs: [],
      cardId: 'x',
      seed: 1,
      faults: [{ id: 'gremlins', severity: 1 }],
    };
    expect(parsePracticeFile(file)).toEqual({ ok: false, failure: { code: 'practice-fault-unknown', id: 'gremlins' } });
  });
});

describe('measurePractice', () => {
  it('has a machine for each demo card, and for no other', () => {
    expect(files.map(({ cardId }) => cardId).sort()).toEqual(cards.map(({ id }) => id).sort());
    for (const { id } of cards) expect(hasPracticeMachine(id)).toBe(true);
    expect(hasPracticeMachine('another')).toBe(false);
  });

  it('measures alike each time, and not quite the same', () => {
    for (const [i, card] of cards.entries()) {
      const file = files.find(({ cardId }) => cardId === card.id) ?? files[i];
      if (!file) throw new Error('no practice file');
      const rates = [0, 1, 2, 3].map((taken) => {
        const measured = measurePractice(card, file, taken);
        if (!measured.ok) throw new Error(measured.failure.code);
        return measured.value;
      });
      const shown = rates.map(({ result }) => result.shownFps);
      expect(Math.max(...shown) / Math.min(...shown)).toBeLessThan(1.25);
      expect(new Set(shown).size).toBeGreaterThan(1);
      const scrubs = rates.map(({ scrubMs }) => scrubMs);
      expect(Math.max(...scrubs) / Math.min(...scrubs)).toBeLessThan(1.25);
      expect(rates.every(({ result }) => result.intervalsMs.length > 20)).toBe(true);
    }
  });

  it('has nothing to play on a card without video', () => {
    const [file] = files;
    if (!file) throw new Error('no practice file');
    expect(measurePractice(createJobCard({ id: 'x', title: 'x', nowMs: 0 }), file, 0)).toEqual({
      ok: false,
      failure: { code: 'no-video' },
    });
  });
});

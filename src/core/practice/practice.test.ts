import fc from 'fast-check';
import { beforeAll, describe, expect, it } from 'vitest';
import { loadDemoCards } from '@/demo/load-demo-cards';
import { loadPracticeFiles } from '@/demo/load-practice';
import { hasPracticeMachine } from '@/demo/practice-cards';
import { propertyRuns } from '../../../tests/arbitrary/setup';
import { createJobCard, type JobCard } from '../card';
import { compareParts, factsOfMachine } from '../machine';
import { concludeMachineTest, isDisturbed, slowsUnderLoad } from '../machine-test';
import { measurePractice, type PracticeFile, parsePracticeFile, readPracticeMachine, runPracticeMachine } from '.';

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

describe('a practice machine', () => {
  const cardOf = (file: PracticeFile): JobCard => {
    const card = cards.find(({ id }) => id === file.cardId);
    if (!card) throw new Error('no card');
    return card;
  };

  it('is read as the card tells of it, so that reading it is no change of its parts', () => {
    for (const file of files) {
      const card = cardOf(file);
      const facts = factsOfMachine(readPracticeMachine(card));
      expect(facts.coreCount?.value).toBe(card.machine.coreCount.value);
      expect(facts.memoryMib?.value).toBe(card.machine.memoryMib.value);
      expect(compareParts(card.machine, facts)).toEqual([]);
    }
  });

  it('is measured as quick as it plays, no two times alike', () => {
    for (const file of files) {
      const card = cardOf(file);
      const tests = [0, 1].map((taken) => {
        const runs = runPracticeMachine(card, file, taken);
        if (!runs) throw new Error('no film');
        return concludeMachineTest(runs, 1);
      });
      const speeds = tests.map(({ coreSpeedRatio }) => coreSpeedRatio ?? 0);
      expect(speeds[0]).not.toBe(speeds[1]);
      expect(Math.max(...speeds) / Math.min(...speeds)).toBeLessThan(1.1);
      expect(tests.every((test) => !isDisturbed(test) && !slowsUnderLoad(test))).toBe(true);
      expect(tests[0]?.decodeThreadCount).toBeGreaterThan(1);
    }
    const [file] = files;
    if (!file) throw new Error('no practice file');
    expect(runPracticeMachine(createJobCard({ id: file.cardId, title: 'x', nowMs: 0 }), file, 0)).toBeNull();
  });
});

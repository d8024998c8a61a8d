import { beforeAll, describe, expect, it } from 'vitest';
import type { CauseEvidence } from '@/core/belief';
import { questionCatalogue } from '@/core/belief';
import { createReading, type JobCard, lagMoments, playFeels, type Reading } from '@/core/card';
import { fixCatalogue } from '@/core/fixes';
import { loadDemoCards } from '@/demo/load-demo-cards';
import { decodeRun, decodeTest, fileReadAt } from '../../tests/arbitrary/clips';
import { describeEvidence, describeExpectation, describeWeight } from './evidence';
import { fixTitle } from './fix-titles';

let card: JobCard;
beforeAll(async () => {
  const [first] = await loadDemoCards();
  if (!first) throw new Error('no demo card');
  card = first;
});

const evidence = (source: CauseEvidence['source'], expected: CauseEvidence['expected'] = null): CauseEvidence => ({
  source,
  logFactor: 1,
  expected,
});
const range = (low: number, high: number) => ({ low, mid: (low + high) / 2, high });

const readingOf = (figures: Partial<Reading>, fixes: Reading['fixes'] = []): Reading => ({
  ...createReading({ id: 'a', takenAtMs: 0, ...figures }),
  fixes,
});

/** The card with a reading before and one under a fix. */
const withReadings = (before: number, after: number, fix: { id: string; level: string | number | null }): JobCard => ({
  ...card,
  readings: [readingOf({ shownFps: before }), readingOf({ shownFps: after }, [fix])],
});
const ofReading = (fix: { id: string; level: string | number | null } | null) =>
  evidence({ kind: 'readings', fixes: fix ? [fix] : [], moment: 'start' });

describe('describeEvidence', () => {
  it('tells of a reading before any fix, and what was to be expected', () => {
    const text = describeEvidence(
      evidence({ kind: 'readings', fixes: [], moment: 'start' }, { present: range(9, 12), absent: range(20, 25) }),
      card,
    );
    expect(text).toBe('You read 11 a second. With this cause 9 to 12 was to be expected, without it 20 to 25.');
    const alike = { present: range(9, 12), absent: range(9, 12) };
    expect(describeEvidence(evidence({ kind: 'readings', fixes: [], moment: 'start' }, alike), card)).toBe(
      'You read 11 a second.',
    );
  });

  it('says for every fix whether the rate rose, fell or stayed, and never leaves a gap in the words', () => {
    for (const { id, defaultLevel } of fixCatalogue) {
      const fix = { id, level: defaultLevel };
      for (const [after, verb] of [
        [18, 'rose from 11 to 18'],
        [6, 'fell from 11 to 6'],
        [11.2, 'stayed at 11.2'],
      ] as const) {
        const text = describeEvidence(ofReading(fix), withReadings(11, after, fix));
        expect(text.startsWith(fixTitle(id, defaultLevel)), id).toBe(true);
        expect(text).toContain(verb);
        expect(text).not.toMatch(/undefined|null|NaN|\s{2}|,\.| so \./);
        expect(text.endsWith('.')).toBe(true);
      }
    }
  });

  it('tells of what was felt where no rate was read', () => {
    for (const playFeel of playFeels) {
      const felt = { ...card, readings: [readingOf({ playFeel })] };
      expect(describeEvidence(ofReading(null), felt)).toMatch(/^It played: .+\.$/);
    }
    expect(describeEvidence(ofReading(null), { ...card, readings: [] })).toMatch(/scrubbing and waiting/);
  });

  it('repeats every question with the answer that was given', () => {
    for (const { id, answers } of questionCatalogue)
      for (const answer of answers) {
        const text = describeEvidence(evidence({ kind: 'answer', questionId: id, answer }), card);
        expect(text, id).toContain('? You answered: ');
        // The word that is stored is not one for people.
        if (answer.includes('-')) expect(text).not.toContain(`: ${answer}.`);
      }
    expect(describeEvidence(evidence({ kind: 'answer', questionId: 'of-a-newer-oil-can', answer: 'x' }), card)).toBe(
      'An answer of yours.',
    );
  });

  it('says what a test-play found beside what was estimated, and outlives its deletion', () => {
    const test = decodeTest([decodeRun(12)]);
    const played = { ...card, decodeTests: [test] };
    const ofTest = evidence({ kind: 'test-play', testId: test.id });
    expect(describeEvidence(ofTest, played)).toBe(
      'Oil Can played wheel.mp4 here: 12 frames a second by the processor alone, 30 were estimated.',
    );
    expect(describeEvidence(ofTest, { ...card, decodeTests: [decodeTest([])] })).toBe('Oil Can played wheel.mp4 here.');
    const readOf = (...found: Parameters<typeof fileReadAt>) => ({
      ...card,
      decodeTests: [{ ...decodeTest([]), fileRead: fileReadAt(...found) }],
    });
    expect(describeEvidence(ofTest, readOf(41.2))).toBe(
      'Oil Can read wheel.mp4 here. Its file came at 41 megabytes a second.',
    );
    expect(describeEvidence(ofTest, readOf(350, true))).toContain(
      '350 megabytes a second or more: from a quick drive, or',
    );
    expect(describeEvidence(ofTest, card)).toBe('A test-play on this machine.');
  });

  it('names every complaint, and what it is held against', () => {
    const complaining = { ...card, symptoms: { ...card.symptoms, moments: [...lagMoments] } };
    const text = describeEvidence(evidence({ kind: 'complaint' }), complaining);
    expect(text.split(';')).toHaveLength(lagMoments.length);
    expect(describeEvidence(evidence({ kind: 'contrast', without: 'effects' }), card)).toBe(
      'You say that it lags only with effects.',
    );
  });
});

describe('describeWeight and describeExpectation', () => {
  it('speak alike for and against, and louder the more it weighs', () => {
    for (const [weight, word] of [
      [0.4, 'a little'],
      [1, 'clearly'],
      [3, 'strongly'],
    ] as const)
      expect([describeWeight(weight), describeWeight(-weight)]).toEqual([word, word]);
  });

  it('allow as much beside a range as two readings differ by', () => {
    expect(describeExpectation(9.5, { low: 10, high: 20 })).toBe('as expected');
    expect(describeExpectation(21, { low: 10, high: 20 })).toBe('as expected');
    expect(describeExpectation(9, { low: 10, high: 20 })).toBe('slower than expected');
    expect(describeExpectation(22, { low: 10, high: 20 })).toBe('faster than expected');
  });
});

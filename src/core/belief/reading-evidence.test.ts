import { describe, expect, it } from 'vitest';
import { loadDemoCards } from '@/demo/load-demo-cards';
import { measuredReading } from '../../../tests/arbitrary/readings';
import { createReading, deriveBaseState, type MeasuredReading, type Reading } from '../card';
import { createOutcomes, drawParameterSamples } from '../load';
import type { Confidence } from '../meter';
import { listReadingEvidence } from './reading-evidence';

const targetFps = 25;
const [demo] = await loadDemoCards();
if (!demo) throw new Error('no demo card');
const base = deriveBaseState(demo);
const readingOf = (id: string, shownFps: number, change: Partial<Reading> = {}): Reading => ({
  ...createReading({ id, takenAtMs: 1, shownFps }),
  fixes: [],
  ...change,
});

/** How well readings agree with a preview of which one figure is this. */
function logOf(readings: readonly Reading[], name: 'shownFps' | 'standMs', figure: number): number {
  const out = createOutcomes(1);
  out[name][0] = figure;
  const samples = drawParameterSamples(1, base.setup.machine);
  const view = { state: base, samples, out, index: 0, severityOf: () => 0, parameterOf: () => 1 };
  const sum = new Float64Array(1);
  for (const { addTo } of listReadingEvidence(readings, targetFps, ['playing'])) addTo(sum, view, 1);
  return sum[0] as number;
}

const logAt = (readings: readonly Reading[], shownFps: number): number => logOf(readings, 'shownFps', shownFps);

describe('listReadingEvidence', () => {
  it('takes repeats of one set-up together: ten say less than ten times what one says', () => {
    const ten = Array.from({ length: 10 }, (_, i) => readingOf(`r${i}`, 12));
    const costOfOne = logAt([readingOf('r', 12)], 12) - logAt([readingOf('r', 12)], 16);
    const costOfTen = logAt(ten, 12) - logAt(ten, 16);
    expect(costOfTen).toBeGreaterThan(costOfOne);
    expect(costOfTen).toBeLessThan(3 * costOfOne);
  });

  it('goes by the middle of repeats, so that one outlier decides nothing', () => {
    const readings = [readingOf('a', 12), readingOf('b', 12.2), readingOf('c', 3)];
    expect(logAt(readings, 12)).toBeGreaterThan(logAt(readings, 8));
  });

  it('takes a reading at the full rate as "at least"', () => {
    const full = [readingOf('a', 25)];
    expect(logAt(full, 40)).toBeGreaterThan(logAt(full, 25));
    expect(logAt(full, 12)).toBeLessThan(logAt(full, 25) - 2);
    // A plain reading of 24 speaks against 40.
    expect(logAt([readingOf('b', 24)], 40)).toBeLessThan(logAt([readingOf('b', 24)], 25));
  });

  const metered = (measured: Partial<MeasuredReading>): readonly Reading[] => [
    readingOf('m', 12, { how: 'metered', measured: measuredReading(measured) }),
  ];
  const even = Array.from({ length: 100 }, () => 1000 / 12);

  it('holds to a metered rate more loosely where the meter is not sure', () => {
    const costOf = (readings: readonly Reading[]): number => logAt(readings, 12) - logAt(readings, 16);
    const sure = costOf(metered({ confidence: 'high', reason: 'clear' }));
    const unsure = costOf(metered({ confidence: 'low', reason: 'strong-compression' }));
    const filmed = costOf(metered({ confidence: 'medium', reason: 'filmed' }));
    expect(unsure).toBeGreaterThan(0);
    expect(filmed).toBeGreaterThan(unsure);
    expect(sure).toBeGreaterThan(filmed);
    // Few pictures, each of them seen, are no doubt of the meter's.
    expect(costOf(metered({ confidence: 'low', reason: 'few-pictures' }))).toBe(sure);
  });

  it('takes "at least" as that, and what came as often as it was shared as a figure', () => {
    const atLeast = metered({
      ...{ source: 'recording', isAtLeast: true, confidence: 'medium', reason: 'at-recorded-rate' },
      intervalsMs: even,
    });
    expect(logAt(atLeast, 18)).toBeGreaterThan(logAt(atLeast, 12));
    expect(logAt(atLeast, 6)).toBeLessThan(logAt(atLeast, 12) - 2);
    const shared = metered({
      ...{ source: 'window', isAtLeast: false, confidence: 'medium', reason: 'as-often-as-shared' },
      intervalsMs: even,
    });
    expect(logAt(shared, 18)).toBeLessThan(logAt(shared, 12) - 2);
  });

  it('takes it as a figure, too, where all that is wanted comes between the freezes', () => {
    const intervalsMs = Array.from({ length: 100 }, (_, i) => (i % 20 === 0 ? 1300 : 1000 / 60));
    const freezing = metered({
      ...{ source: 'recording', isAtLeast: true, confidence: 'medium', reason: 'at-recorded-rate' },
      intervalsMs,
    });
    expect(logAt(freezing, 18)).toBeLessThan(logAt(freezing, 12) - 2);
  });

  it('keeps readings under other fixes and of other moments apart', () => {
    const readings = [
      readingOf('a', 12),
      readingOf('b', 20, { fixes: [{ id: 'close-programs', level: 'all' }] }),
      readingOf('c', 6, { moment: 'later' }),
    ];
    const evidence = listReadingEvidence(readings, targetFps, ['playing']);
    expect(new Set(evidence.map(({ key }) => key)).size).toBe(3);
    expect(evidence.map(({ fixes }) => fixes.length)).toEqual([0, 1, 0]);
  });

  it('says nothing of whether it is good enough where answers are even', () => {
    const judged = (id: string, isGoodEnough: 'yes' | 'no') => readingOf(id, 12, { isGoodEnough });
    const keys = (readings: readonly Reading[]) =>
      listReadingEvidence(readings, targetFps, ['playing']).filter(({ key }) => key.includes('good enough'));
    expect(keys([judged('a', 'yes'), judged('b', 'no')])).toEqual([]);
    expect(keys([judged('a', 'yes'), judged('b', 'yes'), judged('c', 'no')])).toHaveLength(1);
  });

  it('takes the longest freeze that the meter saw, unless it doubts itself, as an answer about pictures that stand', () => {
    const freezing = (longestFreezeMs: number, confidence: Confidence): readonly Reading[] => [
      readingOf('a', 12, { measured: measuredReading({ longestFreezeMs, confidence }) }),
    ];
    const logStanding = (readings: readonly Reading[], standMs: number): number => logOf(readings, 'standMs', standMs);
    expect(logStanding(freezing(900, 'high'), 800)).toBeGreaterThan(logStanding(freezing(900, 'high'), 80) + 1);
    expect(logStanding(freezing(90, 'medium'), 800)).toBeLessThan(logStanding(freezing(90, 'medium'), 80) - 1);
    // A long wait between jumps is none while it plays.
    const scrubbed = freezing(900, 'high').map((reading) => ({ ...reading, doing: 'scrubbing' as const }));
    expect(logStanding(scrubbed, 800)).toBe(logStanding(scrubbed, 80));
    expect(logStanding(freezing(900, 'low'), 800)).toBe(logStanding(freezing(900, 'low'), 80));
  });
});

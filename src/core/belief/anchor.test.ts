import { describe, expect, it } from 'vitest';
import { demoCardAt } from '../../../tests/stand-ins/demo-cards';
import { createReading, type JobCard, targetFpsOf } from '../card';
import { createCase } from '../simulate/cases';
import { forecastUnder, inferPosterior } from '.';

const quarter = { id: 'lower-preview-quality', level: '1/4' } as const;
const half = { id: 'lower-preview-quality', level: '1/2' } as const;

/** The card with one metered reading under each set-up. */
const readAs = (
  card: JobCard,
  rates: readonly (readonly [readonly (typeof quarter | typeof half)[], number])[],
): JobCard => ({
  ...card,
  readings: rates.map(([fixes, shownFps], i) => ({
    ...createReading({ id: `r${i}`, takenAtMs: i, how: 'metered', shownFps }),
    fixes,
  })),
});
const midOf = (card: JobCard, fixes: readonly (typeof quarter | typeof half)[]): number =>
  forecastUnder(inferPosterior(card, { sampleCount: 1500 }), fixes).shownFps.mid;

describe('a rate that was read', () => {
  it('is what is expected of the set-up that it was read of, to a few in a hundred', () => {
    const misses = Array.from({ length: 12 }, (_, i) => createCase(6101 + i).card).flatMap((card) => {
      const shownFps = card.readings[0]?.shownFps ?? null;
      if (shownFps === null || shownFps > 0.85 * targetFpsOf(card)) return [];
      return [Math.abs(Math.log(midOf(readAs(card, [[[], shownFps]]), []) / shownFps))];
    });
    expect(misses.length).toBeGreaterThan(4);
    expect(Math.max(...misses)).toBeLessThan(0.12);
    expect(misses.reduce((sum, miss) => sum + miss, 0) / misses.length).toBeLessThan(0.05);
  });

  it('anchors what a change brings: twice the rate before is near twice the rate after', () => {
    const effects = demoCardAt(1);
    const [low, high] = [7, 9].map((fps) => {
      const card = readAs(effects, [[[], fps]]);
      return midOf(card, [half]) / fps;
    });
    expect(low).toBeGreaterThan(1.2);
    expect(Math.abs(Math.log((low as number) / (high as number)))).toBeLessThan(0.25);
  });

  it('makes the two readings of a trial a pair: what changed nothing at a quarter is not expected to change much at a half', () => {
    const effects = demoCardAt(1);
    const before = 8;
    const untried = midOf(readAs(effects, [[[], before]]), [half]);
    const tried = midOf(
      readAs(effects, [
        [[], before],
        [[quarter], before * 1.03],
      ]),
      [half],
    );
    expect(untried).toBeGreaterThan(1.2 * before);
    expect(Math.abs(Math.log(tried / before))).toBeLessThan(0.1);
  });
});

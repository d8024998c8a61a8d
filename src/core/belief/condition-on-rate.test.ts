import { beforeAll, describe, expect, it } from 'vitest';
import { loadDemoCards } from '@/demo/load-demo-cards';
import type { JobCard } from '../card';
import { conditionOnRate } from './condition-on-rate';
import { forecastUnder } from './forecast-belief';
import { type Belief, inferPosterior } from './posterior';

let cards: readonly JobCard[] = [];
let beliefs: readonly Belief[] = [];
beforeAll(async () => {
  cards = await loadDemoCards();
  beliefs = cards.map((card) => inferPosterior(card, { sampleCount: 1200 }));
});

describe('conditionOnRate', () => {
  it('expects what was read, to about what two readings differ by', () => {
    for (const [i, belief] of beliefs.entries()) {
      const read = cards[i]?.readings[0]?.shownFps ?? 0;
      const { shownFps } = forecastUnder(conditionOnRate(belief, [], read), []);
      expect(Math.abs(Math.log(shownFps.mid / read))).toBeLessThan(0.05);
      expect(shownFps.high / shownFps.low).toBeLessThan(1.2);
    }
  });

  it('takes a rate near the most that can be shown as at least that', () => {
    for (const belief of beliefs) {
      const { targetFps } = belief.base.setup;
      const quarter = [{ id: 'lower-preview-quality', level: '1/4' }];
      const { shownFps } = forecastUnder(conditionOnRate(belief, quarter, 0.98 * targetFps), quarter);
      if (forecastUnder(belief, quarter).shownFps.high > 0.97 * targetFps)
        expect(shownFps.low).toBeGreaterThan(0.85 * targetFps);
    }
  });

  it('keeps weights that add up to 1, and the same answer for the same question', () => {
    for (const belief of beliefs) {
      const fitted = conditionOnRate(belief, [], 12);
      expect(fitted.components.reduce((sum, { weight }) => sum + weight, 0)).toBeCloseTo(1, 9);
      expect(fitted.components.reduce((sum, { count }) => sum + count, 0)).toBe(fitted.sampleCount);
      expect(conditionOnRate(belief, [], 12)).toEqual(fitted);
    }
  });

  it('leaves a belief alone where nothing in it agrees', () => {
    for (const belief of beliefs) expect(conditionOnRate(belief, [], 0.01)).toBe(belief);
  });
});

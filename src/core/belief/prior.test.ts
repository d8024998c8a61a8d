import { describe, expect, it } from 'vitest';
import { loadDemoCards } from '@/demo/load-demo-cards';
import { deriveBaseState } from '../card';
import { forecast } from '../load';
import { rangeOf } from '../numbers/percentile';
import { forecastUnder, outcomesUnder, priorBelief } from '.';

const cards = await loadDemoCards();

describe('priorBelief', () => {
  it('draws of a card what the estimate alone draws', () => {
    for (const card of cards) {
      const [drawn] = outcomesUnder(priorBelief(card), []);
      const estimated = forecast(deriveBaseState(card));
      expect(rangeOf(drawn?.out.shownFps ?? new Float64Array())).toEqual(estimated.shownFps);
      expect(rangeOf(drawn?.out.scrubMs ?? new Float64Array())).toEqual(estimated.scrubMs);
    }
  });

  it('holds one hypothesis, and nothing of it is more sure than another', () => {
    const [card] = cards;
    if (!card) throw new Error('no demo card');
    const { parts, sampleCount } = priorBelief(card);
    expect(parts.map(({ weight, count }) => [weight, count])).toEqual([[1, sampleCount]]);
    expect(forecastUnder(priorBelief(card), []).usableProbability).toBeGreaterThanOrEqual(0);
  });
});

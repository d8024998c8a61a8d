import { describe, expect, it } from 'vitest';
import { loadDemoCards } from '@/demo/load-demo-cards';
import { deriveBaseState } from '../card';
import { estimate, middleParameters } from '../load';
import { forecastUnder, priorBelief } from '.';

const cards = await loadDemoCards();

describe('priorBelief', () => {
  it('draws the middle of what nobody knows about as the estimate has it', () => {
    for (const card of cards) {
      const { shownFps } = forecastUnder(priorBelief(card), []);
      const state = deriveBaseState(card);
      const middle = estimate(state, 'heaviest', middleParameters(state.setup.machine)).shownFps;
      expect(middle).toBeGreaterThan(shownFps.low);
      expect(middle).toBeLessThan(shownFps.high);
    }
  });

  it('holds one hypothesis, and nothing of it is more sure than another', () => {
    const [card] = cards;
    if (!card) throw new Error('no demo card');
    const { components, sampleCount } = priorBelief(card);
    expect(components.map(({ weight, count }) => [weight, count])).toEqual([[1, sampleCount]]);
    expect(forecastUnder(priorBelief(card), []).usableProbability).toBeGreaterThanOrEqual(0);
  });
});

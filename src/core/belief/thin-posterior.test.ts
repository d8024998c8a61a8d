import { beforeAll, describe, expect, it } from 'vitest';
import { loadDemoCards } from '@/demo/load-demo-cards';
import { parameterNames } from '../load/parameters';
import { forecastUnder } from './forecast-belief';
import { type Belief, inferPosterior } from './posterior';
import { pickSamples, thinPosterior } from './thin-posterior';

let beliefs: readonly Belief[];
beforeAll(async () => {
  beliefs = (await loadDemoCards()).map((card) => inferPosterior(card, { sampleCount: 1500 }));
});

describe('pickSamples', () => {
  it('keeps together what moved together, as often as it is named', () => {
    const component = beliefs[0]?.components[0];
    if (!component) throw new Error('no component');
    const picked = pickSamples(component, [3, 0, 3]);
    expect(picked.count).toBe(3);
    for (const name of parameterNames) {
      const [a, b, c] = picked.samples[name];
      expect([a, b, c]).toEqual([component.samples[name][3], component.samples[name][0], component.samples[name][3]]);
    }
    expect(picked.hypothesis).toBe(component.hypothesis);
  });
});

describe('thinPosterior', () => {
  it('holds the likeliest hypotheses, with weights that add up to one, in few samples', () => {
    for (const belief of beliefs) {
      const posterior = thinPosterior(belief);
      expect(posterior.components.reduce((sum, { weight }) => sum + weight, 0)).toBeCloseTo(1, 9);
      expect(posterior.sampleCount).toBeLessThanOrEqual(340);
      expect(posterior.components.length).toBeLessThanOrEqual(12);
      const heaviest = belief.components.reduce((top, component) => (component.weight > top.weight ? component : top));
      expect(posterior.components[0]?.hypothesis.key).toBe(heaviest.hypothesis.key);
      for (const { count, samples } of posterior.components) {
        expect(count).toBeGreaterThan(0);
        for (const name of parameterNames) expect(samples[name]).toHaveLength(count);
      }
    }
  });

  it('says of the preview what the whole belief says, to a reading’s spread', () => {
    for (const belief of beliefs) {
      const [whole, thinned] = [belief, thinPosterior(belief)].map((of) => forecastUnder(of, []));
      if (!whole || !thinned) throw new Error('no forecast');
      expect(Math.abs(Math.log(thinned.shownFps.mid / whole.shownFps.mid))).toBeLessThan(0.12);
      expect(Math.abs(Math.log(thinned.scrubMs.mid / whole.scrubMs.mid))).toBeLessThan(0.25);
      expect(Math.abs(thinned.usableProbability - whole.usableProbability)).toBeLessThan(0.1);
    }
  });
});

import { beforeAll, describe, expect, it } from 'vitest';
import { loadDemoCards } from '@/demo/load-demo-cards';
import { parameterNames } from '../load/parameters';
import { type Belief, believe } from './believe';
import { forecastUnder } from './forecast-belief';
import { pickSamples, sketchBelief } from './sketch';

let beliefs: readonly Belief[];
beforeAll(async () => {
  beliefs = (await loadDemoCards()).map((card) => believe(card, { sampleCount: 1500 }));
});

describe('pickSamples', () => {
  it('keeps together what moved together, as often as it is named', () => {
    const part = beliefs[0]?.parts[0];
    if (!part) throw new Error('no part');
    const picked = pickSamples(part, [3, 0, 3]);
    expect(picked.count).toBe(3);
    for (const name of parameterNames) {
      const [a, b, c] = picked.samples[name];
      expect([a, b, c]).toEqual([part.samples[name][3], part.samples[name][0], part.samples[name][3]]);
    }
    expect(picked.hypothesis).toBe(part.hypothesis);
  });
});

describe('sketchBelief', () => {
  it('holds the likeliest hypotheses, with weights that add up to one, in few samples', () => {
    for (const belief of beliefs) {
      const sketch = sketchBelief(belief);
      expect(sketch.parts.reduce((sum, { weight }) => sum + weight, 0)).toBeCloseTo(1, 9);
      expect(sketch.sampleCount).toBeLessThanOrEqual(340);
      expect(sketch.parts.length).toBeLessThanOrEqual(12);
      const heaviest = belief.parts.reduce((top, part) => (part.weight > top.weight ? part : top));
      expect(sketch.parts[0]?.hypothesis.key).toBe(heaviest.hypothesis.key);
      for (const { count, samples } of sketch.parts) {
        expect(count).toBeGreaterThan(0);
        for (const name of parameterNames) expect(samples[name]).toHaveLength(count);
      }
    }
  });

  it('says of the preview what the whole belief says, to a reading’s spread', () => {
    for (const belief of beliefs) {
      const [whole, sketched] = [belief, sketchBelief(belief)].map((of) => forecastUnder(of, []));
      if (!whole || !sketched) throw new Error('no forecast');
      expect(Math.abs(Math.log(sketched.shownFps.mid / whole.shownFps.mid))).toBeLessThan(0.12);
      expect(Math.abs(Math.log(sketched.scrubMs.mid / whole.scrubMs.mid))).toBeLessThan(0.25);
      expect(Math.abs(sketched.usableProbability - whole.usableProbability)).toBeLessThan(0.1);
    }
  });
});

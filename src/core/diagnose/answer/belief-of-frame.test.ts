import { describe, expect, it } from 'vitest';
import { forecastUnder, inferPosterior, priorBelief } from '../../belief';
import { createCase } from '../../simulate/cases';
import { beliefOfFrame } from '..';

const cards = Array.from({ length: 12 }, (_, i) => createCase(8301 + i).card);
const unread = cards.map((card) => ({ ...card, readings: [] }));

describe('beliefOfFrame', () => {
  it('agrees with the middle of what is expected before the first reading, however wide that is', () => {
    for (const card of unread) {
      const prior = priorBelief(card);
      const expected = forecastUnder(prior, []).shownFps.mid;
      const { low, high } = forecastUnder(beliefOfFrame(card, prior), []).shownFps;
      if (expected < 0.9 * prior.base.setup.targetFps) {
        expect(low).toBeGreaterThan(0.85 * expected);
        expect(high).toBeLessThan(1.15 * expected);
      }
    }
  });

  it('is all of what is believed where only other set-ups were read', () => {
    const [card] = cards;
    if (!card) throw new Error('no case');
    const readings = card.readings.map((reading) => ({ ...reading, fixes: [{ id: 'bypass-effects', level: 'all' }] }));
    const belief = inferPosterior(card, { sampleCount: 200 });
    expect(beliefOfFrame({ ...card, readings }, belief)).toBe(belief);
    expect(beliefOfFrame(card, belief)).not.toBe(belief);
  });
});

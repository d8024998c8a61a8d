import { beforeAll, describe, expect, it } from 'vitest';
import { loadDemoCards } from '@/demo/load-demo-cards';
import { applyCommand, createReading, type JobCard } from '../card';
import { believe } from './believe';
import { explainBelief } from './explain';
import { rankCauses, sharesUnder } from './shares';

let cards: readonly JobCard[] = [];
beforeAll(async () => {
  cards = await loadDemoCards();
});

/** A card on which a lower preview quality was tried and brought nothing. */
function withIdleQuality(): JobCard {
  const [card] = cards;
  if (!card) throw new Error('no demo card');
  const result = applyCommand(
    { ...card, timeline: { ...card.timeline, isDescribed: false } },
    {
      type: 'addReading',
      input: {
        reading: createReading({ id: 'quarter', takenAtMs: 0, how: 'metered', shownFps: 11 }),
        fixes: [{ id: 'lower-preview-quality', level: '1/4' }],
      },
    },
    0,
  );
  if (!result.ok) throw new Error(result.failure.code);
  return result.value;
}

describe('explainBelief', () => {
  it('expects of each reading what all the others say, within a wide factor of what was read', () => {
    for (const card of cards) {
      const { expectations } = explainBelief(card, believe(card), [], []);
      expect(expectations).toHaveLength(1);
      const { expectedFps } = expectations[0] ?? { expectedFps: { low: 0, mid: 0, high: 0 } };
      expect(expectedFps.low).toBeLessThanOrEqual(expectedFps.mid);
      expect(expectedFps.mid).toBeLessThanOrEqual(expectedFps.high);
      const read = card.readings[0]?.shownFps ?? 0;
      expect(expectedFps.high).toBeGreaterThan(read / 2);
      expect(expectedFps.low).toBeLessThan(read * 2);
    }
  });

  it('lets a rate that stays at a quarter of the picture speak against what costs by the pixel', () => {
    const card = withIdleQuality();
    const belief = believe(card);
    const causes = rankCauses(sharesUnder(belief, [])).map(({ id }) => id);
    const { ofCauses } = explainBelief(card, belief, [], causes);
    const ofDrawing = (ofCauses['effects-heavy'] ?? ofCauses['preview-too-large'] ?? []).find(
      ({ source }) => source.kind === 'readings' && source.fixes.length > 0,
    );
    const ofDecoding = (ofCauses['decode-heavy'] ?? []).find(
      ({ source }) => source.kind === 'readings' && source.fixes.length > 0,
    );
    const weights = [ofDrawing?.logFactor, ofDecoding?.logFactor].filter((weight) => weight !== undefined);
    expect(weights.length).toBeGreaterThan(0);
    if (ofDrawing) expect(ofDrawing.logFactor).toBeLessThan(0);
    if (ofDecoding) expect(ofDecoding.logFactor).toBeGreaterThan(0);
  });

  it('has only finite figures, the weightiest first', () => {
    for (const card of [...cards, withIdleQuality()]) {
      const belief = believe(card);
      const causes = rankCauses(sharesUnder(belief, [])).map(({ id }) => id);
      for (const list of Object.values(explainBelief(card, belief, [], causes).ofCauses)) {
        const weights = list.map(({ logFactor }) => Math.abs(logFactor));
        expect(weights.every(Number.isFinite)).toBe(true);
        expect(weights).toEqual([...weights].sort((a, b) => b - a));
      }
    }
  });
});

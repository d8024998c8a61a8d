import { beforeAll, describe, expect, it } from 'vitest';
import { loadDemoCards } from '@/demo/load-demo-cards';
import { applyCommand, createReading, type JobCard } from '../card';
import type { CauseId } from '../causes';
import { type ExplainOptions, explainInSteps } from './explain';
import { forecastUnder } from './forecast-belief';
import { inferPosterior } from './posterior';
import { rankCauses, sharesUnder } from './shares';

let cards: readonly JobCard[] = [];
beforeAll(async () => {
  cards = await loadDemoCards();
});

/** A card on which a lower preview quality was tried and brought nothing. */
function withIdleQuality(): JobCard {
  // On this one drawing is in question as much as what else runs.
  const [, , card] = cards;
  if (!card) throw new Error('no demo card');
  const result = applyCommand(
    { ...card, timeline: { ...card.timeline, stated: [] } },
    {
      type: 'addReading',
      input: {
        reading: createReading({
          id: 'quarter',
          takenAtMs: 0,
          how: 'metered',
          shownFps: card.readings[0]?.shownFps ?? 11,
        }),
        fixes: [{ id: 'lower-preview-quality', level: '1/4' }],
      },
    },
    0,
  );
  if (!result.ok) throw new Error(result.failure.code);
  return result.value;
}

/** All steps of an explanation. */
function explain(card: JobCard, options: ExplainOptions) {
  const steps = explainInSteps(card, options);
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}

describe('explainInSteps', () => {
  it('expects of a reading what would be believed if it had never been taken', () => {
    for (const card of cards) {
      const { expectations } = explain(card, { fixes: [], causeIds: [], sampleCount: 1000 });
      const { shownFps } = forecastUnder(inferPosterior({ ...card, readings: [] }, { sampleCount: 1000 }), []);
      expect(expectations).toHaveLength(card.readings.length);
      for (const name of ['low', 'mid', 'high'] as const)
        expect(expectations[0]?.expectedFps[name]).toBeCloseTo(shownFps[name], 9);
    }
  });

  it('lets what was read speak for the cause under which it was to be expected', () => {
    for (const card of cards) {
      const causes = rankCauses(sharesUnder(inferPosterior(card), [])).map(({ id }) => id);
      const { ofCauses } = explain(card, { fixes: [], causeIds: causes });
      const read = card.readings[0]?.shownFps ?? 0;
      const missBy = ({ mid }: { readonly mid: number }) => Math.abs(Math.log(mid / read));
      for (const { source, expected, logFactor } of Object.values(ofCauses).flat()) {
        if (source.kind !== 'readings' || !expected) continue;
        // Where only one of the two middles is near what was read, there is no doubt which way it speaks.
        const [present, absent] = [missBy(expected.present), missBy(expected.absent)];
        if (present < 0.15 && absent > 0.6) expect(logFactor).toBeGreaterThan(0);
        if (absent < 0.15 && present > 0.6) expect(logFactor).toBeLessThan(0);
      }
    }
  });

  it('lets a rate that stays at a quarter of the picture speak against what costs by the pixel', () => {
    const card = withIdleQuality();
    const belief = inferPosterior(card);
    const causes = rankCauses(sharesUnder(belief, [])).map(({ id }) => id);
    const { ofCauses } = explain(card, { fixes: [], causeIds: causes });
    const weightOf = (id: CauseId) =>
      ofCauses[id]?.find(({ source }) => source.kind === 'readings' && source.fixes.length > 0)?.logFactor;
    expect(weightOf('effects-heavy')).toBeLessThan(0);
    expect(weightOf('layers-heavy')).toBeLessThan(0);
    expect(weightOf('programs-busy')).toBeGreaterThan(0);
  });

  it('leaves out a first rate that was to be expected with a cause and without it', () => {
    for (const card of cards) {
      const causes = rankCauses(sharesUnder(inferPosterior(card), [])).map(({ id }) => id);
      const read = card.readings[0]?.shownFps ?? 0;
      for (const { expected, logFactor } of Object.values(
        explain(card, { fixes: [], causeIds: causes }).ofCauses,
      ).flat()) {
        if (!expected || Math.abs(logFactor) >= 0.9) continue;
        const ranges = [expected.present, expected.absent];
        expect(ranges.every(({ low, high }) => read >= low && read <= high)).toBe(false);
      }
    }
  });

  it('has only finite figures, the weightiest first', () => {
    for (const card of [...cards, withIdleQuality()]) {
      const belief = inferPosterior(card);
      const causes = rankCauses(sharesUnder(belief, [])).map(({ id }) => id);
      for (const list of Object.values(explain(card, { fixes: [], causeIds: causes }).ofCauses)) {
        const weights = list.map(({ logFactor }) => Math.abs(logFactor));
        expect(weights.every(Number.isFinite)).toBe(true);
        expect(weights).toEqual([...weights].sort((a, b) => b - a));
      }
    }
  });
});

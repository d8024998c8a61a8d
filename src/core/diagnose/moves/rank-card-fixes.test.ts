import { beforeAll, describe, expect, it } from 'vitest';
import { loadDemoCards } from '@/demo/load-demo-cards';
import { applyAll } from '../../../../tests/stand-ins/commands';
import { type Belief, forecastUnder, gapUnder } from '../../belief';
import { createReading, type JobCard, keptFixes } from '../../card';
import { type Diagnosis, diagnose, forecastSet, rankCardFixes } from '..';

let cards: readonly { readonly card: JobCard; readonly posterior: Belief }[] = [];
beforeAll(async () => {
  cards = (await loadDemoCards()).map((card) => ({ card, posterior: diagnose(card).posterior }));
});

describe('rankCardFixes', () => {
  it('says of each fix what the belief says of it with what is kept', () => {
    for (const { card, posterior } of cards)
      for (const { id, level, gain, after } of rankCardFixes(card, posterior).slice(0, 12)) {
        const use = { id, level };
        expect(after.shownFps).toEqual(forecastUnder(posterior, [use]).shownFps);
        expect(gain).toBeCloseTo(Math.max(0, gapUnder(posterior, []).gap - gapUnder(posterior, [use]).gap), 12);
      }
  });

  it('puts first what closes most for what it costs, and each fix once', () => {
    for (const { card, posterior } of cards) {
      const ranked = rankCardFixes(card, posterior);
      const scores = ranked.map(({ score }) => score);
      expect(scores).toEqual([...scores].sort((a, b) => b - a));
      expect(new Set(ranked.map(({ id }) => id)).size).toBe(ranked.length);
    }
  });

  it('takes another level of a kept fix in its place, not on top of it', () => {
    for (const { card } of cards) {
      const half = { id: 'lower-preview-quality', level: '1/2' };
      const kept = applyAll(
        card,
        { type: 'beginTrial', input: { id: 'half', fix: half, nowMs: 1 } },
        { type: 'addReading', input: { reading: createReading({ id: 'with-half', takenAtMs: 2, shownFps: 9 }) } },
        { type: 'endTrial', input: { id: 'half', outcome: 'kept', nowMs: 3 } },
      );
      expect(keptFixes(kept)).toEqual([half]);
      const { posterior } = diagnose(kept);
      const again = rankCardFixes(kept, posterior).find(({ id }) => id === 'lower-preview-quality');
      if (!again) continue;
      const use = { id: again.id, level: again.level };
      expect(again.after.shownFps).toEqual(forecastUnder(posterior, [use]).shownFps);
    }
  });
});

describe('forecastSet', () => {
  it('takes a frame’s time from what agrees with the last reading, and all else from the whole belief', () => {
    const stagesOf = ({ stages, bindingLane }: Pick<Diagnosis, 'stages' | 'bindingLane'>) => ({ stages, bindingLane });
    const [first, second] = cards;
    if (!first || !second) throw new Error('no demo cards');
    const own = forecastSet(first.posterior, [], []);
    const mixed = forecastSet(first.posterior, [], [], second.posterior);
    expect(mixed.shownFps).toEqual(own.shownFps);
    expect(stagesOf(mixed)).toEqual(stagesOf(forecastSet(second.posterior, [], [])));
  });
});

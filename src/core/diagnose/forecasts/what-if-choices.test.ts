import { beforeAll, describe, expect, it } from 'vitest';
import { loadDemoCards } from '@/demo/load-demo-cards';
import { type Belief, forecastUnder, inferPosterior } from '../../belief';
import type { JobCard } from '../../card';
import type { FixAtLevel } from '../../fixes';
import { averageStages, choicesAsIs, forecastChoices, type WhatIfChoices } from '..';

let cards: readonly JobCard[] = [];
let beliefs: readonly Belief[] = [];
beforeAll(async () => {
  cards = await loadDemoCards();
  beliefs = cards.map((card) => inferPosterior(card, { sampleCount: 800 }));
});

const withEach = (test: (card: JobCard, belief: Belief) => void): void => {
  for (const [i, card] of cards.entries()) test(card, beliefs[i] as Belief);
};

/** What moves each control as far as a fix would. */
const pairs: readonly (readonly [Partial<WhatIfChoices>, FixAtLevel])[] = [
  [{ qualityRatio: 0.25 }, { id: 'lower-preview-quality', level: '1/4' }],
  [{ areEffectsBypassed: true }, { id: 'bypass-effects', level: 'all' }],
  [{ areProgramsClosed: true }, { id: 'close-programs', level: 'all' }],
];

describe('forecastChoices', () => {
  it('says what the belief says where no control is moved', () => {
    withEach((_, belief) => {
      const { shownFps, scrubMs, stages, bindingLane } = forecastChoices(belief, [], {});
      expect({ shownFps, scrubMs }).toEqual(
        (({ shownFps: fps, scrubMs: ms }) => ({ shownFps: fps, scrubMs: ms }))(forecastUnder(belief, [])),
      );
      expect({ stages, bindingLane }).toEqual(averageStages(belief, []));
    });
  });

  it('moves a control as far as its fix does', () => {
    withEach((card, belief) => {
      for (const [moved, fix] of pairs) {
        if (fix.id === 'close-programs' && card.programs.length === 0) continue;
        const control = forecastChoices(belief, [], moved);
        const forecast = forecastUnder(belief, [fix]);
        expect(Math.abs(Math.log(control.shownFps.mid / forecast.shownFps.mid)), fix.id).toBeLessThan(0.05);
      }
    });
  });

  it('moves a control back from where a fix in force has put it', () => {
    withEach((card, belief) => {
      const inForce = [{ id: 'lower-preview-quality', level: '1/4' }];
      const back = forecastChoices(belief, inForce, { qualityRatio: choicesAsIs(card).qualityRatio });
      expect(back.shownFps).toEqual(forecastUnder(belief, []).shownFps);
    });
  });

  it('never expects less of a smaller picture', () => {
    withEach((_, belief) => {
      const mids = [1, 0.5, 0.25, 0.125].map(
        (qualityRatio) => forecastChoices(belief, [], { qualityRatio }).shownFps.mid,
      );
      expect(mids).toEqual([...mids].sort((a, b) => a - b));
    });
  });
});

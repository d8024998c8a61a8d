import { describe, expect, it } from 'vitest';
import { demoCardAt } from '../../../../tests/stand-ins/demo-cards';
import { forecastUnder } from '../../belief';
import { fixesInForce } from '../../card';
import { diagnose, forecastChoices, forecastSet, rankCardFixes } from '..';

const figuresOf = ({ shownFps, scrubMs }: Pick<ReturnType<typeof forecastUnder>, 'shownFps' | 'scrubMs'>) => ({
  shownFps,
  scrubMs,
});

describe('the forecast of a set of fixes', () => {
  it('is the same for findings, fixes, what-if and while-you-work', () => {
    const card = demoCardAt(1);
    const { plans, posterior } = diagnose(card);
    const inForce = fixesInForce(card);
    // Ways out, on the findings page: what-if and the working sets ask for the same set.
    for (const plan of plans) {
      const set = [...inForce, ...plan.fixes];
      expect(figuresOf(plan)).toEqual(figuresOf(forecastSet(posterior, set, inForce)));
      expect(figuresOf(plan)).toEqual(figuresOf(forecastUnder(posterior, set)));
      expect(plan.probability).toBe(forecastUnder(posterior, set).usableProbability);
    }
    // The fixes page, fix by fix, and the controls on the findings page.
    for (const { id, level, after } of rankCardFixes(card, posterior)) {
      const set = forecastUnder(posterior, [...inForce, { id, level }]);
      expect(after.shownFps).toEqual(set.shownFps);
      expect(after.usableProbability).toBe(set.usableProbability);
    }
    const asIs = forecastChoices(posterior, inForce, {});
    expect(figuresOf(asIs)).toEqual(figuresOf(forecastUnder(posterior, inForce)));
    const quarter = forecastChoices(posterior, inForce, { qualityRatio: 0.25 });
    const asFix = forecastUnder(posterior, [...inForce, { id: 'lower-preview-quality', level: '1/4' }]);
    expect(figuresOf(quarter)).toEqual(figuresOf(asFix));
    expect(plans.length).toBeGreaterThan(0);
  });
});

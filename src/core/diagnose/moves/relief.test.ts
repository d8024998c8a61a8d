import { describe, expect, it } from 'vitest';
import { gapUnder, inferPosterior } from '../../belief';
import { type JobCard, statedTimelineFields, targetFpsOf } from '../../card';
import { isGeneralRemedy } from '../../fixes';
import { createCase } from '../../simulate/cases';
import { diagnose } from '../answer/diagnose';
import { listCandidates } from './candidates';
import { chooseMove } from './next-move';
import { findRelief, isHeldUsable } from './relief';

describe('isHeldUsable', () => {
  it('is so where usable is at least as likely as not', () => {
    expect([0, 0.49, 0.5, 0.7, 1].map(isHeldUsable)).toEqual([false, false, true, true, true]);
  });
});

describe('findRelief', () => {
  it('names the share of the gap that its fix closes, and nothing where there is nothing to try', () => {
    for (const seed of [2, 7, 12]) {
      const { card } = createCase(seed);
      const belief = inferPosterior(card, { sampleCount: 400 });
      const candidates = listCandidates(card, belief, []);
      const relief = findRelief(belief, [], candidates);
      if (!relief) throw new Error(`no relief in case ${seed}`);
      const after = gapUnder(belief, [relief.fix]).gap / gapUnder(belief, []).gap;
      expect(relief.closedRatio).toBeCloseTo(1 - after, 9);
      expect(relief.closedRatio).toBeGreaterThan(0.05);
      expect(findRelief(belief, [], [])).toBeNull();
    }
  });

  it('ends with what helps now and then, the quickest first, where nothing is expected to help', () => {
    const { card } = createCase(2);
    const belief = inferPosterior(card, { sampleCount: 400 });
    const before = gapUnder(belief, []).gap;
    const idle = listCandidates(card, belief, []).filter(
      ({ id, level }) => gapUnder(belief, [{ id, level }]).gap > 0.95 * before,
    );
    const relief = findRelief(belief, [], idle);
    const general = idle.filter(({ id }) => isGeneralRemedy(id));
    expect(general.length).toBeGreaterThan(1);
    expect(relief?.closedRatio).toBeNull();
    expect(relief?.minutes).toBe(Math.min(...general.map(({ minutes }) => minutes)));
  });

  it('is there for somebody whose preview should be usable by all that is known, and is not', () => {
    const { card } = createCase(2);
    const [reading] = card.readings;
    if (!reading) throw new Error('case 2 has no reading');
    const light: JobCard = {
      ...card,
      machine: {
        ...card.machine,
        speedClass: { value: 'fast', source: 'typed' },
        coreCount: { value: 12, source: 'typed' },
      },
      symptoms: { moments: [], kinds: [], enough: 'smooth' },
      timeline: { ...card.timeline, stated: statedTimelineFields, videoLayerCount: 1, titleCount: 0, effects: [] },
    };
    const answerTo = (isGoodEnough: 'yes' | 'no') => {
      const read = { ...reading, shownFps: targetFpsOf(card), scrubMs: 60, openingSec: null, isGoodEnough };
      return diagnose({ ...light, refused, readings: [read] }, { sampleCount: 400 });
    };
    // What is offered is passed over, one after another, until nothing is left that cures or tells anything.
    let refused: JobCard['refused'] = [];
    let denied = answerTo('no');
    while (denied.relief === null) {
      const offered = denied.nextTests.map(({ id, level }) => ({ id, level }));
      expect(offered.length).toBeGreaterThan(0);
      refused = [...refused, ...offered];
      denied = answerTo('no');
    }
    expect(isHeldUsable(denied.usableProbability)).toBe(true);
    expect(denied.relief).toMatchObject({ isHeldUsable: true });
    expect(chooseMove(denied).kind).toBe('try');
    expect(answerTo('yes').relief).toBeNull();
  });
});

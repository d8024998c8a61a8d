import { describe, expect, it } from 'vitest';
import { applyAll } from '../../../../tests/stand-ins/commands';
import { demoCardAt } from '../../../../tests/stand-ins/demo-cards';
import { begin, close, end, quarter, read } from '../../../../tests/stand-ins/trials';
import { inferPosterior } from '../../belief';
import { openTrial, type Reading, type Trial } from '../../card';
import { adviseTrial } from '..';

describe('adviseTrial', () => {
  const advise = (
    before: Partial<Omit<Reading, 'id' | 'fixes'>>,
    after: Partial<Omit<Reading, 'id' | 'fixes'>>,
    direction: Trial['direction'] = 'make',
  ) => {
    const kept = applyAll(
      { ...demoCardAt(1), readings: [] },
      read('0', { shownFps: 1 }),
      begin('k', quarter),
      read('k1', { shownFps: 2 }),
      end('k', 'kept'),
    );
    const base = direction === 'make' ? { ...demoCardAt(1), readings: [] } : kept;
    const fix = direction === 'make' ? close : quarter;
    const card = applyAll(base, read('b', before), begin('t', fix, direction), read('a', after));
    const trial = openTrial(card);
    return trial && adviseTrial(card, trial, null);
  };

  it('keeps a sixth more, undoes a loss, and undoes what brought nothing clear', () => {
    expect(advise({ shownFps: 10 }, { shownFps: 11.7 })).toMatchObject({ verdict: 'better', recommended: 'kept' });
    for (const shownFps of [9, 10.5, 11])
      expect(advise({ shownFps: 10 }, { shownFps })).toMatchObject({
        verdict: 'no-clear-change',
        recommended: 'undone',
      });
    expect(advise({ shownFps: 10 }, { shownFps: 8.5 })).toMatchObject({ verdict: 'worse', recommended: 'undone' });
    // Of a few jumps, each to another place, the middle differs by a fifth anyhow.
    expect(advise({ scrubMs: 400 }, { scrubMs: 500 })?.verdict).toBe('no-clear-change');
    expect(advise({ scrubMs: 400 }, { scrubMs: 600 })?.verdict).toBe('worse');
    expect(advise({ shownFps: 0 }, { shownFps: 12 })).toMatchObject({ recommended: 'kept' });
  });

  it('undoes what made one respect worse while nothing is known beside the two readings', () => {
    expect(advise({ shownFps: 10, scrubFeel: 'fine' }, { shownFps: 20, scrubFeel: 'jumpy' })).toMatchObject({
      verdict: 'mixed',
      recommended: 'undone',
      reason: 'mixed',
    });
    expect(advise({ shownFps: 10, openingSec: 20 }, { shownFps: 20, openingSec: 40 })?.recommended).toBe('undone');
    expect(advise({ shownFps: 10, openingSec: 20 }, { shownFps: 10, openingSec: 40 })?.verdict).toBe('worse');
    expect(advise({ scrubFeel: 'unusable' }, { scrubFeel: 'jumpy' })?.recommended).toBe('kept');
  });

  it('weighs what is better and worse by all that is known, whatever the two readings say', () => {
    const adviseKnowing = (fix: { readonly id: string; readonly level: string | number | null }) => {
      const card = applyAll(
        demoCardAt(0),
        read('b', { shownFps: 11, scrubFeel: 'jumpy' }),
        begin('t', fix),
        read('a', { shownFps: 22, scrubFeel: 'unusable' }),
      );
      const trial = openTrial(card);
      return trial && adviseTrial(card, trial, inferPosterior(card, { sampleCount: 800 }));
    };
    expect(adviseKnowing({ id: 'make-proxies', level: 540 })).toMatchObject({
      verdict: 'mixed',
      recommended: 'kept',
      reason: 'better-on-the-whole',
    });
    // Nothing that decodes the footage is touched by it: one of the two readings is off.
    expect(adviseKnowing({ id: 'lower-working-depth', level: null })).toMatchObject({
      verdict: 'mixed',
      recommended: 'undone',
    });
  });

  it('asks for one more reading where all else that is known speaks against the first, and then decides', () => {
    const adviseAfter = (
      fix: { readonly id: string; readonly level: string | number | null },
      ...rates: readonly number[]
    ) => {
      const before = [10.8, 11, 11.2].map((shownFps, i) => read(`b${i}`, { shownFps }));
      const after = rates.map((shownFps, i) => read(`a${i}`, { shownFps }));
      const card = applyAll(demoCardAt(0), ...before, begin('t', fix), ...after);
      const trial = openTrial(card);
      return trial && adviseTrial(card, trial, inferPosterior(card, { sampleCount: 800 }));
    };
    // What decodes takes as long at any depth that pictures are drawn in.
    const depth = { id: 'lower-working-depth', level: null };
    expect(adviseAfter(depth, 16)).toMatchObject({ verdict: 'better', isDoubtful: true });
    expect(adviseAfter(depth, 16, 11)).toMatchObject({ verdict: 'no-clear-change', recommended: 'undone' });
    expect(adviseAfter(depth, 16, 15.6)).toMatchObject({ verdict: 'better', isDoubtful: false });
    const proxies = { id: 'make-proxies', level: 540 };
    expect(adviseAfter(proxies, 7)).toMatchObject({ verdict: 'worse', recommended: 'undone', isDoubtful: true });
    expect(adviseAfter(proxies, 7, 23)).toMatchObject({ verdict: 'better', recommended: 'kept', isDoubtful: false });
    // What nobody complained of is no part of what is believed to be closed.
    const slower = applyAll(
      demoCardAt(0),
      read('b', { shownFps: 11, openingSec: 20 }),
      begin('t', proxies),
      read('a', { shownFps: 11, openingSec: 40 }),
    );
    const slowed = openTrial(slower);
    expect(slowed && adviseTrial(slower, slowed, inferPosterior(slower, { sampleCount: 800 }))).toMatchObject({
      verdict: 'worse',
      reason: 'worse',
      isDoubtful: false,
    });
    // What was to be expected needs no second reading.
    expect(adviseAfter(proxies, 23)).toMatchObject({ verdict: 'better', isDoubtful: false, reason: 'better' });
  });

  it('goes by how it felt and by stutters where there is no figure, and by the person’s own word last', () => {
    expect(advise({ playFeel: 'stumbles' }, { playFeel: 'smooth' })?.verdict).toBe('better');
    const tapped = (stutterCount: number) => ({
      how: 'tapped' as const,
      tapped: { lengthMs: 20_000, stutterCount, freezesMs: [], isTyped: false },
    });
    expect(advise(tapped(12), tapped(3))?.verdict).toBe('better');
    expect(advise({ shownFps: 10, isGoodEnough: 'no' }, { shownFps: 10, isGoodEnough: 'yes' })).toMatchObject({
      recommended: 'kept',
      reason: 'usable-now',
    });
  });

  it('leaves away what is not missed, and sets again what is', () => {
    expect(advise({ shownFps: 24 }, { shownFps: 24.2 }, 'give-back')).toMatchObject({
      recommended: 'kept',
      reason: 'not-missed',
    });
    expect(advise({ shownFps: 24 }, { shownFps: 14 }, 'give-back')).toMatchObject({
      recommended: 'undone',
      reason: 'missed',
    });
    expect(advise({ shownFps: 24 }, { shownFps: 23 }, 'give-back')).toMatchObject({ reason: 'missed' });
  });

  it('keeps a step of a chosen plan that shows nothing yet, as long as others are to follow', () => {
    const planned = applyAll(
      { ...demoCardAt(1), readings: [] },
      { type: 'choosePlan', input: { fixes: [close, quarter] } },
      read('b', { shownFps: 10 }),
      begin('t', close),
      read('a', { shownFps: 10 }),
    );
    const trial = openTrial(planned);
    expect(trial && adviseTrial(planned, trial, null)).toMatchObject({ recommended: 'kept', reason: 'part-of-plan' });
  });
});

import { describe, expect, it } from 'vitest';
import { loadPracticeFiles } from '@/demo/load-practice';
import { applyAll } from '../../../tests/stand-ins/commands';
import { demoCardAt, demoCards } from '../../../tests/stand-ins/demo-cards';
import { begin, close, end, quarter, read } from '../../../tests/stand-ins/trials';
import { forecastUnder, questionCatalogue } from '../belief';
import { type CardCommand, createJobCard, deriveBaseState, fixesInForce, isCardUsable, openTrial } from '../card';
import { findFix, fixIds } from '../fixes';
import { measurePractice } from '../practice';
import { toMeasuredReading } from '../readings';
import {
  adviseTrial,
  chooseStep,
  diagnose,
  findObstacle,
  findRoomLeft,
  forecastSet,
  listPreviewChoices,
  listSwitches,
  listWaysOfWorking,
  minutesSpent,
  nextQuestion,
  remainingPlan,
  suggestSets,
  viewerHeightPx,
} from '.';

describe('the loop on the demo cards, measured on their practice machines', () => {
  it('reaches a usable preview by its own steps and its own advice alone', async () => {
    const practices = await loadPracticeFiles();
    for (const start of demoCards) {
      const practice = practices.find(({ cardId }) => cardId === start.id);
      if (!practice) throw new Error(`no practice file for ${start.id}`);
      let card = start;
      const measure = () => {
        const measured = measurePractice(card, practice, card.readings.length);
        if (!measured.ok) throw new Error(measured.failure.code);
        const { result, scrubMs } = measured.value;
        card = applyAll(
          card,
          read(`m${card.readings.length}`, {
            how: 'metered',
            shownFps: result.shownFps,
            scrubMs,
            measured: toMeasuredReading(result, { source: 'practice', pace: 'unknown', ownLoadRatio: null }),
          }),
        );
      };
      measure();
      for (let step = 0; step < 8 && !isCardUsable(card); step++) {
        const move = chooseStep(card, diagnose(card));
        if (move.kind === 'nothing-left') break;
        if (move.kind === 'ask') {
          card = applyAll(card, { type: 'refuseTest', input: { test: { id: move.test.id, level: null } } });
          continue;
        }
        card = applyAll(card, begin(`t${step}`, move.fix));
        measure();
        const trial = openTrial(card);
        const advice = trial && adviseTrial(card, trial, diagnose(card).posterior);
        if (!advice) throw new Error('no advice');
        card = applyAll(card, end(`t${step}`, advice.recommended));
      }
      expect(isCardUsable(card), start.id).toBe(true);
    }
  });

  it('gives the same findings for a card whether its practice file is there or not', async () => {
    // The file lies beside the card: nothing of it is in the card, and nothing that advises takes one.
    const before = JSON.stringify(diagnose(demoCardAt(0), { sampleCount: 800 }).causes);
    const [practice] = await loadPracticeFiles();
    expect(practice).toBeDefined();
    expect(JSON.stringify(diagnose(demoCardAt(0), { sampleCount: 800 }).causes)).toBe(before);
    expect(JSON.stringify(demoCardAt(0))).not.toContain('practice');
  });
});

describe('chooseStep', () => {
  it('says how long a fix takes to make, as the page of the fix does: without the reading after it', () => {
    const made = demoCards.flatMap((card) => {
      const move = chooseStep(card, diagnose(card, { sampleCount: 800 }));
      return move.kind === 'try' ? [{ card, move }] : [];
    });
    expect(made.length).toBeGreaterThan(0);
    for (const { card, move } of made)
      expect(move.minutes, move.fix.id).toBeCloseTo(
        findFix(move.fix.id)?.effortMinutes(deriveBaseState(card), move.fix.level) ?? Number.NaN,
        6,
      );
  });

  it('follows the person’s own plan before what the belief would take, and goes on when a step is left out', () => {
    const planned = applyAll(demoCardAt(0), { type: 'choosePlan', input: { fixes: [close, quarter] } });
    const diagnosis = diagnose(planned, { sampleCount: 800 });
    expect(chooseStep(planned, diagnosis)).toMatchObject({ kind: 'follow-plan', fix: close, at: 1, of: 2 });
    const refused = applyAll(planned, { type: 'setEditorLacks', input: { fixId: close.id, isLacking: true } });
    expect(chooseStep(refused, diagnosis)).toMatchObject({ kind: 'follow-plan', fix: quarter });
    expect(remainingPlan(applyAll(refused, { type: 'refuseTest', input: { test: quarter } }))).toEqual([]);
  });

  it('offers back what a stronger fix has made needless, once', () => {
    const solved = applyAll(
      demoCardAt(1),
      begin('a', { id: 'lower-preview-quality', level: '1/2' }),
      read('r1', { shownFps: 14 }),
      end('a', 'kept'),
      begin('b', { id: 'smaller-preview-height', level: 270 }),
      read('r2', { shownFps: 25 }),
      end('b', 'kept'),
    );
    const diagnosis = diagnose(solved);
    const move = chooseStep(solved, diagnosis);
    expect(move).toEqual({
      kind: 'give-back',
      fix: { id: 'lower-preview-quality', level: '1/2' },
      isUsable: true,
    });
    const tried = applyAll(
      solved,
      begin('c', { id: 'lower-preview-quality', level: '1/2' }, 'give-back'),
      read('r3', { shownFps: 12 }),
      end('c', 'undone'),
    );
    expect(diagnose(tried).giveBack).not.toContainEqual({ id: 'lower-preview-quality', level: '1/2' });
  });

  it('offers back what brought nothing, where it is not usable and nothing is left to try', () => {
    const idle = { id: 'close-source-panels', level: null } as const;
    const kept = applyAll(demoCardAt(0), begin('a', idle), read('r1', { shownFps: 6 }), end('a', 'kept'));
    expect(diagnose(kept, { sampleCount: 800 }).giveBack).toEqual([]);
    const atAnEnd = applyAll(
      kept,
      ...fixIds.map((fixId) => ({ type: 'setEditorLacks' as const, input: { fixId, isLacking: true } })),
      ...questionCatalogue.map(({ id }) => ({ type: 'refuseTest' as const, input: { test: { id, level: null } } })),
    );
    const diagnosis = diagnose(atAnEnd, { sampleCount: 800 });
    expect(diagnosis).toMatchObject({ plans: [], nextTests: [] });
    expect(chooseStep(atAnEnd, diagnosis)).toEqual({ kind: 'give-back', fix: idle, isUsable: false });
    // Nothing was kept: nothing is left at all.
    const none = applyAll(atAnEnd, { type: 'undoKeptTrial', input: { id: 'a', nowMs: 9 } });
    expect(chooseStep(none, diagnose(none, { sampleCount: 800 })).kind).toBe('nothing-left');
  });

  it('never offers what the editor lacks, nor another way of attaching than the editor’s', () => {
    const card = demoCardAt(0);
    const first = diagnose(card, { sampleCount: 800 }).plans[0]?.fixes[0];
    if (!first) throw new Error('no plan');
    const without = applyAll(card, { type: 'setEditorLacks', input: { fixId: first.id, isLacking: true } });
    const { plans, nextTests } = diagnose(without, { sampleCount: 800 });
    expect([...plans.flatMap(({ fixes }) => fixes), ...nextTests].some(({ id }) => id === first.id)).toBe(false);
    const made = {
      ...applyAll(card, { type: 'setEditorProfile', input: { patch: { attachWay: 'by-name' } } }),
      editor: { ...card.editor, proxies: 'made' as const, proxyHeightPx: 540 },
    };
    const attaching = diagnose(made, { sampleCount: 800 }).nextTests.filter(({ id }) => id === 'attach-proxies');
    expect(attaching.every(({ level }) => level === 'by-name')).toBe(true);
  });
});

describe('what is asked of the posterior', () => {
  it('agrees with the whole belief to a tenth in rate and two tenths in probability', () => {
    for (const card of demoCards) {
      const diagnosis = diagnose(card);
      const { posterior, shownFps, usableProbability } = diagnosis;
      const small = forecastUnder(posterior, fixesInForce(card));
      expect(Math.abs(Math.log(small.shownFps.mid / shownFps.mid)), card.id).toBeLessThan(0.1);
      expect(Math.abs(small.usableProbability - usableProbability), card.id).toBeLessThan(0.2);
      expect(posterior.components.reduce((sum, { weight }) => sum + weight, 0)).toBeCloseTo(1, 6);
    }
  });

  it('forecasts any set, with what it gives up and takes, and finds what hinders a fix', () => {
    const { posterior } = diagnose(demoCardAt(1), { sampleCount: 800 });
    const none = forecastSet(posterior, [], []);
    const set = forecastSet(posterior, [quarter, { id: 'bypass-effects', level: 'all' }], []);
    expect(set.shownFps.mid).toBeGreaterThan(none.shownFps.mid);
    expect(set.sacrifice.picture).toBeGreaterThan(none.sacrifice.picture);
    expect([none.minutes, set.minutes > 0]).toEqual([0, true]);
    const solo = findFix('solo-track');
    const stop = findFix('stop-blending');
    if (!solo || !stop) throw new Error('no such fixes');
    expect(findObstacle(posterior.base, [{ id: 'solo-track', level: null }], stop)).toEqual({
      code: 'excluded',
      by: 'solo-track',
    });
    expect(findObstacle(posterior.base, [], solo)).toBeNull();
  });

  it('lists preview levels from full to smallest, never slower than the one before by more than chance', () => {
    const { posterior } = diagnose(demoCardAt(1), { sampleCount: 800 });
    for (const kind of ['quality', 'height'] as const) {
      const own = kind === 'quality' ? ['1/3'] : [400];
      const choices = listPreviewChoices(posterior, [], kind, own);
      expect(choices[0]).toMatchObject({ fix: null, isNow: true, missingRatio: 0 });
      expect(choices.some(({ fix }) => fix?.level === own[0])).toBe(true);
      const rates = choices.map(({ after }) => after.shownFps.mid);
      expect(rates).toEqual([...rates].sort((a, b) => a - b));
      for (const { drawnHeightPx, missingRatio } of choices)
        expect(missingRatio > 0).toBe(drawnHeightPx < viewerHeightPx(posterior));
    }
  });

  it('finds room only where the preview is usable, and less of it for dearer things', () => {
    const { posterior } = diagnose(demoCardAt(1), { sampleCount: 800 });
    expect(findRoomLeft(posterior, [])).toBeNull();
    const room = findRoomLeft(posterior, [{ id: 'lower-preview-quality', level: '1/8' }]);
    expect(room).not.toBeNull();
    const countOf = (kind: string) => room?.effects.find((effect) => effect.kind === kind)?.layerCount ?? 0;
    expect(countOf('zoom')).toBeGreaterThanOrEqual(countOf('colour-curves'));
  });

  it('shows ways of working only where they bring a tenth, and those that bring more first', () => {
    const card = { ...demoCardAt(1), timeline: { ...demoCardAt(1).timeline, unusedClipCount: 400 } };
    const { posterior } = diagnose(card, { sampleCount: 800 });
    const ways = listWaysOfWorking(card, posterior, []);
    expect(ways.map(({ id }) => id)).toContain('import-less');
    expect(ways.map(({ id }) => id)).toContain('share-one-effect');
    for (const { gain } of ways) expect(gain).toBeGreaterThan(0.095);
    const gains = ways.filter(({ isComplaint }) => isComplaint).map(({ gain }) => gain);
    expect(gains).toEqual([...gains].sort((a, b) => b - a));
    expect(ways.slice(0, gains.length).every(({ isComplaint }) => isComplaint)).toBe(true);
  });
});

describe('working sets', () => {
  it('hold for colour what does not change the look, and list what to switch each way', () => {
    const card = applyAll(
      demoCardAt(1),
      begin('a', quarter),
      read('r1', { shownFps: 20 }),
      end('a', 'kept'),
      begin('b', { id: 'bypass-effects', level: 'all' }),
      read('r2', { shownFps: 25 }),
      end('b', 'kept'),
    );
    const sets = suggestSets(card, []);
    expect(sets.cutting).toHaveLength(2);
    expect(sets.colour).toEqual([quarter]);
    const closely = { id: 'x', name: 'x', fixes: sets['looking-closely'] };
    expect(listSwitches(card, null, closely).map(({ isOn }) => isOn)).toEqual([false, false]);
    expect(listSwitches(card, closely, null).map(({ isOn }) => isOn)).toEqual([true, true]);
    expect(listSwitches(card, null, null)).toEqual([]);
  });
});

describe('nextQuestion', () => {
  const blank = () => createJobCard({ id: 'x', title: 'x', nowMs: 0 });
  const answer = (questionId: string, given: string): CardCommand => ({
    type: 'answerQuestion',
    input: { answer: { id: questionId, questionId, answer: given, takenAtMs: 0 } },
  });

  it('asks when, how, for a rough reading, and then what tells most', () => {
    expect(nextQuestion(blank(), null)).toEqual({ kind: 'moments' });
    const when = applyAll(blank(), { type: 'setSymptoms', input: { patch: { moments: ['playing'] } } });
    expect(nextQuestion(when, null)).toEqual({ kind: 'kinds' });
    const how = applyAll(when, { type: 'setSymptoms', input: { patch: { kinds: ['jumpy'] } } });
    expect(nextQuestion(how, null)).toEqual({ kind: 'reading' });
    const measured = applyAll(how, read('r', { playFeel: 'stumbles' }));
    const asked = nextQuestion(measured, diagnose(measured, { sampleCount: 800 }));
    expect(asked?.kind).toBe('look');
    // A card on which next to nothing is open is not asked more.
    expect(nextQuestion(demoCardAt(0), diagnose(demoCardAt(0), { sampleCount: 800 }))).toBeNull();
  });

  it('asks the one telling question of a complaint that is no lag, and never what was skipped', () => {
    const crashing = applyAll(blank(), {
      type: 'setSymptoms',
      input: { patch: { moments: ['playing'], kinds: ['crashing'] } },
    });
    expect(nextQuestion(crashing, null)).toMatchObject({ kind: 'side', lead: { kind: 'crashing' } });
    expect(nextQuestion(applyAll(crashing, answer('beside-crashing', 'yes')), null)).toEqual({ kind: 'reading' });
    const skipped = applyAll(blank(), answer('when-it-lags', 'unknown'), answer('how-it-lags', 'unknown'));
    expect(nextQuestion(skipped, null)).toEqual({ kind: 'reading' });
  });
});

describe('minutes', () => {
  it('adds up what was done, without long pauses', () => {
    const card = applyAll({ ...demoCardAt(0), readings: [], answers: [] }, read('a', { shownFps: 10, takenAtMs: 0 }));
    expect(minutesSpent(card)).toBe(0);
    const later = applyAll(card, read('b', { shownFps: 10, takenAtMs: 4 * 60_000 }));
    expect(minutesSpent(later)).toBeCloseTo(4);
    expect(minutesSpent(applyAll(later, read('c', { shownFps: 10, takenAtMs: 9e7 })))).toBeCloseTo(4);
  });
});

import { describe, expect, it } from 'vitest';
import { applyAll, failureOf } from '../../../../tests/stand-ins/commands';
import { type CardCommand, createJobCard, createReading, fixesInForce, type JobCard, type Reading } from '..';
import { findReading, isSameFix, keyOfFixes, latestReading, rateUnder, withoutWorkingSet } from '../fixes-in-force';

const empty = createJobCard({ id: 'c', title: 'Pots', nowMs: 0 });
const half = { id: 'lower-preview-quality', level: '1/2' } as const;
const quarter = { id: 'lower-preview-quality', level: '1/4' } as const;
const proxies = { id: 'make-proxies', level: 540 } as const;
const reading = (id: string, shownFps: number | null, known: Partial<Reading> = {}): CardCommand => ({
  type: 'addReading',
  input: { reading: createReading({ id, takenAtMs: 5, shownFps, scrubFeel: 'fine', ...known }) },
});
const idsOf = (things: readonly { readonly id: string }[]) => things.map(({ id }) => id);

describe('what is stated of a card', () => {
  it('changes in its own part, and leaves the rest of that part alone', () => {
    const before = applyAll(
      empty,
      { type: 'setDelivery', input: { patch: { heightPx: 1080 } } },
      { type: 'setPreview', input: { patch: { heightPx: 360 } } },
      { type: 'setEditor', input: { patch: { proxies: 'made' } } },
      { type: 'setSymptoms', input: { patch: { moments: ['at-cuts'] } } },
      { type: 'answerFirstThing', input: { id: 'saved', answer: 'yes' } },
    );
    const after = applyAll(
      before,
      { type: 'setDelivery', input: { patch: { frameRateFps: 25 } } },
      { type: 'setPreview', input: { patch: { qualityRatio: 0.5 } } },
      { type: 'setEditor', input: { patch: { proxyHeightPx: 720 } } },
      { type: 'setSymptoms', input: { patch: { kinds: ['slow'] } } },
      { type: 'answerFirstThing', input: { id: 'restarted', answer: 'no' } },
      { type: 'setTarget', input: { targetFps: 20 } },
      { type: 'setFilmStage', input: { stage: 'finishing' } },
    );
    expect(after.delivery).toEqual({ heightPx: 1080, frameRateFps: 25 });
    expect(after.preview).toEqual({ ...empty.preview, heightPx: 360, qualityRatio: 0.5 });
    expect(after.editor).toEqual({ ...empty.editor, proxies: 'made', proxyHeightPx: 720 });
    expect(after.symptoms).toEqual({ moments: ['at-cuts'], kinds: ['slow'], enough: 'smooth' });
    expect(after.firstThings).toEqual({ ...empty.firstThings, saved: 'yes', restarted: 'no' });
    expect([after.targetFps, after.filmStage]).toEqual([20, 'finishing']);
  });

  it('is stated of the timeline field by field, and of nothing that is none of its fields', () => {
    const one = applyAll(empty, { type: 'setTimeline', input: { patch: { titleCount: 2, cutsPerMinute: 9 } } });
    expect([one.timeline.stated, one.timeline.titleCount]).toEqual([['titleCount'], 2]);
    const two = applyAll(one, { type: 'confirmTimeline', input: { fields: ['effects', 'titleCount'] } });
    expect(two.timeline.stated).toEqual(['titleCount', 'effects']);
    expect(applyAll(two, { type: 'confirmTimeline', input: { fields: ['effects'] } })).toBe(two);
  });

  it('finishes a step once', () => {
    const done = applyAll(empty, { type: 'finishStep', input: { stepId: 'machine' } });
    expect(done.finishedSteps).toEqual(['machine']);
    expect(applyAll(done, { type: 'finishStep', input: { stepId: 'machine' } })).toBe(done);
    expect(applyAll(done, { type: 'finishStep', input: { stepId: 'footage' } }).finishedSteps).toEqual([
      'machine',
      'footage',
    ]);
  });
});

describe('effects on the timeline', () => {
  const effect = (id: string, layerCount = 1) => ({
    id,
    kind: 'blur' as const,
    layerCount,
    strength: 'usual' as const,
  });
  const three = applyAll(
    empty,
    { type: 'addEffect', input: { effect: effect('a') } },
    { type: 'addEffect', input: { effect: effect('b') } },
    { type: 'addEffect', input: { effect: effect('first'), index: 0 } },
  );

  it('come at the end or where they are put, and count as stated', () => {
    expect(idsOf(three.timeline.effects)).toEqual(['first', 'a', 'b']);
    expect(three.timeline.stated).toEqual(['effects']);
    expect(failureOf(three, { type: 'addEffect', input: { effect: effect('b') } })).toEqual({
      code: 'item-exists',
      item: 'effect',
      id: 'b',
    });
  });

  it('change and go one by one', () => {
    const changed = applyAll(three, { type: 'updateEffect', input: { id: 'a', patch: { layerCount: 4 } } });
    expect(changed.timeline.effects.map(({ layerCount }) => layerCount)).toEqual([1, 4, 1]);
    const stronger = applyAll(changed, { type: 'updateEffect', input: { id: 'a', patch: { strength: 'strong' } } });
    expect(stronger.timeline.effects.map(({ strength }) => strength)).toEqual(['usual', 'strong', 'usual']);
    expect(stronger.timeline.effects[1]?.layerCount).toBe(4);
    expect(changed.timeline.stated).toEqual(['effects']);
    expect(idsOf(applyAll(changed, { type: 'removeEffect', input: { id: 'a' } }).timeline.effects)).toEqual([
      'first',
      'b',
    ]);
    for (const command of [
      { type: 'updateEffect', input: { id: 'x', patch: { layerCount: 2 } } },
      { type: 'removeEffect', input: { id: 'x' } },
    ] as const)
      expect(failureOf(changed, command)).toEqual({ code: 'item-missing', item: 'effect', id: 'x' });
  });
});

describe('answers', () => {
  const answer = (id: string, questionId: string, said = 'yes'): CardCommand => ({
    type: 'answerQuestion',
    input: { answer: { id, questionId, answer: said, takenAtMs: 3 } },
  });

  it('stand under the fixes in force, one a question, and leave no trace when they are taken back', () => {
    const card = applyAll(
      empty,
      reading('r', 9),
      { type: 'beginTrial', input: { id: 't', fix: half, nowMs: 1 } },
      answer('one', 'proxy-mark'),
      answer('two', 'source-panel'),
      answer('three', 'proxy-mark', 'no'),
    );
    expect(card.answers).toEqual([
      { id: 'two', questionId: 'source-panel', answer: 'yes', takenAtMs: 3, fixes: [half] },
      { id: 'three', questionId: 'proxy-mark', answer: 'no', takenAtMs: 3, fixes: [half] },
    ]);
    expect(failureOf(card, answer('two', 'memory-full'))).toEqual({ code: 'item-exists', item: 'answer', id: 'two' });
    expect(idsOf(applyAll(card, { type: 'removeAnswer', input: { id: 'two' } }).answers)).toEqual(['three']);
    expect(failureOf(card, { type: 'removeAnswer', input: { id: 'one' } })).toEqual({
      code: 'item-missing',
      item: 'answer',
      id: 'one',
    });
  });

  it('may be refused and allowed again, each fix at its own level', () => {
    const card = applyAll(
      empty,
      { type: 'refuseTest', input: { test: half } },
      { type: 'refuseTest', input: { test: quarter } },
      { type: 'refuseTest', input: { test: proxies } },
    );
    expect(card.refused).toEqual([half, quarter, proxies]);
    expect(applyAll(card, { type: 'refuseTest', input: { test: quarter } })).toBe(card);
    expect(applyAll(card, { type: 'allowTest', input: { test: quarter } }).refused).toEqual([half, proxies]);
  });
});

describe('readings', () => {
  const two = applyAll(empty, reading('a', 9), reading('b', 11, { moment: 'later' }));
  const readingOf = (card: JobCard, id: string): Reading => {
    const found = findReading(card, id);
    if (!found) throw new Error(`no reading ${id}`);
    return found;
  };

  it('say something, each under an id of its own', () => {
    expect(failureOf(empty, reading('x', null, { scrubFeel: null }))).toEqual({ code: 'reading-empty' });
    expect(applyAll(empty, reading('x', null, { scrubFeel: null, isGoodEnough: 'yes' })).readings).toHaveLength(1);
    expect(failureOf(two, reading('b', 12))).toEqual({ code: 'item-exists', item: 'reading', id: 'b' });
  });

  it('go unless a trial rests on them, and come back where they were', () => {
    const without = applyAll(two, { type: 'removeReading', input: { id: 'a' } });
    expect(idsOf(without.readings)).toEqual(['b']);
    const back = applyAll(without, { type: 'restoreReading', input: { reading: readingOf(two, 'a'), index: 0 } });
    expect(idsOf(back.readings)).toEqual(['a', 'b']);
    expect(failureOf(two, { type: 'restoreReading', input: { reading: readingOf(two, 'b'), index: 0 } })).toEqual({
      code: 'item-exists',
      item: 'reading',
      id: 'b',
    });
    expect(failureOf(two, { type: 'removeReading', input: { id: 'x' } })).toEqual({
      code: 'item-missing',
      item: 'reading',
      id: 'x',
    });
    const tried = applyAll(two, { type: 'beginTrial', input: { id: 't', fix: half, nowMs: 1 } }, reading('after', 20));
    for (const id of ['b', 'after'])
      expect(failureOf(tried, { type: 'removeReading', input: { id } })).toEqual({ code: 'reading-in-use' });
    expect(idsOf(applyAll(tried, { type: 'removeReading', input: { id: 'a' } }).readings)).toEqual(['b', 'after']);
  });

  it('are taken from a file once, whatever the order of their fields, and never under an id that is taken', () => {
    const again = Object.fromEntries(Object.entries(readingOf(two, 'a')).toReversed()) as unknown as Reading;
    const same = { ...again, id: 'called otherwise' };
    expect(applyAll(two, { type: 'importReadings', input: { readings: [same] } })).toBe(two);
    const other = { ...readingOf(two, 'a'), shownFps: 30 };
    const third = { ...other, shownFps: 31 };
    const taken = applyAll(two, { type: 'importReadings', input: { readings: [other, third, other] } });
    expect(taken.readings.map(({ id, shownFps }) => `${id} ${shownFps}`)).toEqual(['a 9', 'b 11', 'a-2 30', 'a-3 31']);
    const tapped = { lengthMs: 20_000, stutterCount: 3, freezesMs: [400, 700], isTyped: false };
    const ofTaps = (freezesMs: readonly number[]) => ({ ...other, id: 'taps', tapped: { ...tapped, freezesMs } });
    const both = applyAll(two, {
      type: 'importReadings',
      input: { readings: [ofTaps([400, 700]), ofTaps([700, 400])] },
    });
    expect(both.readings).toHaveLength(4);
  });

  it('are held once', () => {
    const held = applyAll(two, { type: 'holdReading', input: { id: 'b' } });
    expect(held.heldReadings).toEqual(['b']);
    expect(applyAll(held, { type: 'holdReading', input: { id: 'b' } })).toBe(held);
    expect(applyAll(held, { type: 'holdReading', input: { id: 'a' } }).heldReadings).toEqual(['b', 'a']);
    expect(failureOf(two, { type: 'holdReading', input: { id: 'x' } })).toEqual({
      code: 'item-missing',
      item: 'reading',
      id: 'x',
    });
  });

  it('are found: the newest, one by its id, and the middle of what was read of a set-up at a moment', () => {
    expect([latestReading(two)?.id, latestReading(empty), findReading(two, 'x'), findReading(two, null)]).toEqual([
      'b',
      null,
      null,
      null,
    ]);
    const many = applyAll(two, reading('c', 13), reading('d', 30), reading('e', null));
    expect(rateUnder(many.readings, [], 'start')).toBe(13);
    expect(rateUnder(many.readings, [], 'later')).toBe(11);
    expect(rateUnder(many.readings, [half], 'start')).toBeNull();
  });
});

describe('a trial', () => {
  const read = applyAll(empty, reading('before', 9));
  const begin = (id: string, fix: typeof half | typeof quarter | typeof proxies = half): CardCommand => ({
    type: 'beginTrial',
    input: { id, fix, nowMs: 1 },
  });
  const end = (id: string, outcome: 'kept' | 'undone' | 'abandoned'): CardCommand => ({
    type: 'endTrial',
    input: { id, outcome, nowMs: 9 },
  });

  it('is one at a time, of a reading, and gives back only what is kept', () => {
    const open = applyAll(read, begin('t'));
    expect(failureOf(open, begin('t'))).toEqual({ code: 'item-exists', item: 'trial', id: 't' });
    expect(failureOf(open, begin('u'))).toEqual({ code: 'trial-already-open', fix: half });
    expect(failureOf(empty, begin('t'))).toEqual({ code: 'trial-needs-reading' });
    expect(
      failureOf(read, { type: 'beginTrial', input: { id: 't', fix: half, direction: 'give-back', nowMs: 1 } }),
    ).toEqual({ code: 'item-missing', item: 'trial', id: half.id });
    const kept = applyAll(open, reading('after', 20), end('t', 'kept'));
    const giving = applyAll(kept, {
      type: 'beginTrial',
      input: { id: 'g', fix: half, direction: 'give-back', nowMs: 2 },
    });
    expect(fixesInForce(giving)).toEqual([]);
    expect(failureOf(giving, { type: 'markTrialMade', input: { id: 't', madeAtMs: 1 } })).toEqual({
      code: 'trial-not-open',
    });
  });

  it('waits for its change once more where that had not acted: the second reading was of the set-up before', () => {
    const measured = applyAll(
      read,
      begin('t'),
      { type: 'markTrialMade', input: { id: 't', madeAtMs: 4 } },
      reading('after', 9),
    );
    expect(measured.readings.map(({ fixes }) => keyOfFixes(fixes))).toEqual(['', keyOfFixes([half])]);
    const again = applyAll(measured, { type: 'restartTrial', input: { id: 't' } });
    expect(again.readings.map(({ fixes }) => fixes.length)).toEqual([0, 0]);
    expect(again.trials[0]).toMatchObject({ status: 'open', madeAtMs: null, afterReadingId: null });
    const early = applyAll(read, begin('t'), { type: 'restartTrial', input: { id: 't' } });
    expect(early.readings).toEqual(read.readings);
  });

  it('sets what was given up aside, once, and not what was undone', () => {
    const given = applyAll(read, begin('t'), end('t', 'abandoned'));
    expect(given.refused).toEqual([half]);
    expect(applyAll(given, begin('u'), end('u', 'abandoned')).refused).toEqual([half]);
    expect(applyAll(given, begin('v', quarter), end('v', 'abandoned')).refused).toEqual([half, quarter]);
    expect(applyAll(read, begin('t'), reading('after', 8), end('t', 'undone')).refused).toEqual([]);
    expect(failureOf(applyAll(read, begin('t')), end('t', 'kept'))).toEqual({ code: 'trial-needs-reading' });
  });

  const watched = (id: string, fix: typeof half | typeof quarter = half): CardCommand => ({
    type: 'keepWatched',
    input: {
      trialId: id,
      fix,
      before: createReading({ id: `${id}-before`, takenAtMs: 7, shownFps: 12 }),
      after: createReading({ id: `${id}-after`, takenAtMs: 7, shownFps: 24 }),
      nowMs: 8,
    },
  });

  it('is made of a setting that was switched to and fro: both readings, and what holds them against each other', () => {
    const kept = applyAll(empty, watched('w'));
    expect(kept.readings.map(({ id, fixes }) => [id, keyOfFixes(fixes)])).toEqual([
      ['w-before', ''],
      ['w-after', keyOfFixes([half])],
    ]);
    expect(kept.trials).toMatchObject([
      { id: 'w', fix: half, status: 'open', madeAtMs: 8, beforeReadingId: 'w-before', afterReadingId: 'w-after' },
    ]);
  });

  it('takes what was watched where it is under way already, and refuses what is of another fix', () => {
    const open = applyAll(read, begin('t'));
    const kept = applyAll(open, watched('w'));
    expect(kept.trials).toMatchObject([{ id: 't', beforeReadingId: 'w-before', afterReadingId: 'w-after' }]);
    expect(kept.readings.map(({ fixes }) => fixes.length)).toEqual([0, 0, 1]);
    expect(failureOf(open, watched('w', quarter))).toEqual({ code: 'trial-already-open', fix: half });
    expect(failureOf(kept, watched('w'))).toEqual({ code: 'item-exists', item: 'reading', id: 'w-before' });
  });

  it('is ticked off, and loses its tick with the fix', () => {
    const kept = applyAll(
      read,
      begin('t'),
      reading('after', 20),
      end('t', 'kept'),
      begin('u', proxies),
      reading('more', 24),
      end('u', 'kept'),
    );
    const tick = (trialId: string, isDone: boolean): CardCommand => ({
      type: 'tickPutBack',
      input: { trialId, isDone },
    });
    const ticked = applyAll(kept, tick('t', true), tick('u', true), tick('t', true));
    expect(ticked.putBackDone).toEqual(['u', 't']);
    expect(applyAll(ticked, tick('u', false)).putBackDone).toEqual(['t']);
    expect(failureOf(kept, tick('x', true))).toEqual({ code: 'item-missing', item: 'trial', id: 'x' });
    const undone = applyAll(ticked, { type: 'undoKeptTrial', input: { id: 't', nowMs: 12 } });
    expect(undone.putBackDone).toEqual(['u']);
    expect(undone.trials.map(({ status }) => status)).toEqual(['undone', 'kept']);
    expect(failureOf(undone, { type: 'undoKeptTrial', input: { id: 't', nowMs: 13 } })).toEqual({
      code: 'item-missing',
      item: 'trial',
      id: 't',
    });
  });
});

describe('a fix at a level', () => {
  it('is the same by both', () => {
    expect([
      isSameFix(half, { ...half }),
      isSameFix(half, quarter),
      isSameFix(half, { ...proxies, level: '1/2' }),
    ]).toEqual([true, false, false]);
    expect(keyOfFixes([half, proxies])).toBe('lower-preview-quality=1/2+make-proxies=540');
  });

  it('is looked at without the working set that is switched to', () => {
    expect(withoutWorkingSet(empty)).toBe(empty);
    expect(withoutWorkingSet({ ...empty, workingSetId: 's' }).workingSetId).toBeNull();
  });
});

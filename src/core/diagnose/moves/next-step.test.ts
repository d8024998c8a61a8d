import { describe, expect, it } from 'vitest';
import { applyAll } from '../../../../tests/stand-ins/commands';
import { demoCardAt } from '../../../../tests/stand-ins/demo-cards';
import { priorBelief } from '../../belief';
import { type CardCommand, createJobCard, createReading, type FixUse, type JobCard } from '../../card';
import { type FixId, type FixLevel, findFix } from '../../fixes';
import { type Diagnosis, diagnose } from '../answer/diagnose';
import { isChosenPlan, remainingPlan } from '../plan/chosen-plan';
import type { Candidate } from './candidates';
import { chooseStep } from './next-move';
import { findNextStep, isBelieversStep } from './next-step';
import { findRelief } from './relief';

const quarter = { id: 'lower-preview-quality', level: '1/4' } as const;
const half = { id: 'lower-preview-quality', level: '1/2' } as const;
const proxies = { id: 'make-proxies', level: 540 } as const;
const bypass = { id: 'bypass-effects', level: 'all' } as const;

const readAt = (id: string, takenAtMs: number, shownFps: number): CardCommand => ({
  type: 'addReading',
  input: { reading: createReading({ id, takenAtMs, shownFps, scrubFeel: 'fine' }) },
});
const begin = (id: string, fix: FixUse): CardCommand => ({ type: 'beginTrial', input: { id, fix, nowMs: 10 } });
const end = (id: string, outcome: 'kept' | 'undone' | 'abandoned'): CardCommand => ({
  type: 'endTrial',
  input: { id, outcome, nowMs: 30 },
});
/** Made, measured and ended one after another. */
const tried = (card: JobCard, id: string, fix: FixUse, outcome: 'kept' | 'undone', shownFps: number): JobCard =>
  applyAll(card, begin(id, fix), readAt(`after-${id}`, 20, shownFps), end(id, outcome));

const found = applyAll(demoCardAt(0), { type: 'finishStep', input: { stepId: 'findings' } });

describe('findNextStep', () => {
  it('asks for what is missing first, in working order', () => {
    expect(findNextStep(createJobCard({ id: 'c', title: 'c', nowMs: 0 }))).toEqual({
      kind: 'do-step',
      stepId: 'first-things',
    });
    expect(findNextStep({ ...found, clips: [] })).toEqual({ kind: 'do-step', stepId: 'footage' });
  });

  it('goes to the belief once there is a reading of the set-up, and asks for one where it changed since', () => {
    expect(findNextStep(found)).toEqual({ kind: 'choose-fix' });
    const [reading] = found.readings;
    if (!reading) throw new Error('the demo card was read');
    expect(findNextStep({ ...found, readings: [{ ...reading, fixes: [quarter] }] })).toEqual({ kind: 'take-reading' });
  });

  it('leads a trial from making over measuring to deciding', () => {
    const begun = applyAll(found, begin('t', quarter));
    expect(findNextStep(begun)).toEqual({ kind: 'finish-trial', fix: quarter, stage: 'make' });
    const made = applyAll(begun, { type: 'markTrialMade', input: { id: 't', madeAtMs: 11 } });
    expect(findNextStep(made)).toEqual({ kind: 'finish-trial', fix: quarter, stage: 'measure' });
    const measured = applyAll(made, readAt('after', 12, 12));
    expect(findNextStep(measured)).toEqual({ kind: 'finish-trial', fix: quarter, stage: 'decide' });
  });

  it('ends with putting back and the export, and does not mind a working set', () => {
    const usable = tried(found, 't', quarter, 'kept', 60);
    expect(findNextStep(usable)).toEqual({ kind: 'put-back' });
    const ready = applyAll(
      usable,
      { type: 'tickPutBack', input: { trialId: 't', isDone: true } },
      { type: 'answerPointsAtCopies', input: { answer: 'no' } },
    );
    expect(findNextStep(ready)).toEqual({ kind: 'export' });
    const input = { set: { id: 's', name: 'Titles', fixes: [bypass], forKinds: [] } };
    const inSet = applyAll(usable, { type: 'saveWorkingSet', input }, { type: 'useWorkingSet', input: { id: 's' } });
    expect(inSet.workingSetId).toBe('s');
    expect(findNextStep(inSet)).toEqual({ kind: 'put-back' });
  });

  it('leaves to the belief what comes after the findings alone', () => {
    const kinds = ['choose-fix', 'put-back', 'export'] as const;
    for (const kind of kinds) expect(isBelieversStep({ kind })).toBe(true);
    expect(isBelieversStep({ kind: 'take-reading' })).toBe(false);
    expect(isBelieversStep({ kind: 'do-step', stepId: 'footage' })).toBe(false);
    expect(isBelieversStep({ kind: 'finish-trial', fix: quarter, stage: 'make' })).toBe(false);
  });
});

describe('a chosen plan', () => {
  const planned = applyAll(found, { type: 'choosePlan', input: { fixes: [quarter, proxies, bypass] } });

  it('is that with the same fixes, and none is where none was chosen', () => {
    expect(isChosenPlan(planned, [bypass, quarter, proxies])).toBe(true);
    expect(isChosenPlan(planned, [quarter, proxies])).toBe(false);
    expect(isChosenPlan(found, [])).toBe(false);
    expect(remainingPlan(found)).toEqual([]);
  });

  it('has left what is neither kept, nor on trial, nor undone', () => {
    expect(remainingPlan(planned)).toEqual([quarter, proxies, bypass]);
    expect(remainingPlan(applyAll(planned, begin('t', quarter)))).toEqual([proxies, bypass]);
    expect(remainingPlan(tried(planned, 't', quarter, 'kept', 9))).toEqual([proxies, bypass]);
    expect(remainingPlan(tried(planned, 't', proxies, 'undone', 9))).toEqual([quarter, bypass]);
    // Another level of the same fix is not the one that was planned.
    expect(remainingPlan(tried(planned, 't', half, 'kept', 9))).toContainEqual(quarter);
  });
});

describe('chooseStep', () => {
  const whole = diagnose(found, { sampleCount: 200 });
  const nothing = { nextTests: [], plans: [], relief: null, giveBack: [], milder: [] };
  const stepOf = (card: JobCard, change: Partial<Diagnosis> = {}) =>
    chooseStep(card, { ...whole, ...nothing, ...change });
  const planned = applyAll(found, { type: 'choosePlan', input: { fixes: [quarter, bypass] } });

  it('goes on with the plan that was chosen, and says how far it has come', () => {
    expect(stepOf(planned)).toMatchObject({ kind: 'follow-plan', fix: quarter, at: 1, of: 2 });
    const on = stepOf(tried(planned, 't', quarter, 'kept', 9));
    expect(on).toMatchObject({ kind: 'follow-plan', fix: bypass, at: 2, of: 2 });
    expect(on.kind === 'follow-plan' && on.minutes).toBeGreaterThan(0);
  });

  it('has nothing left where nothing helps, but what brought nothing to take back', () => {
    expect(stepOf(found)).toEqual({ kind: 'nothing-left' });
    const kept = tried(found, 't', bypass, 'kept', 9);
    expect(stepOf(kept, { giveBack: [bypass] })).toEqual({ kind: 'give-back', fix: bypass, isUsable: false });
    // A diagnosis of before the fix was taken back.
    expect(stepOf(found, { giveBack: [bypass] })).toEqual({ kind: 'nothing-left' });
  });

  it('gives back, then eases, where it is usable', () => {
    const usable = tried(tried(found, 'a', quarter, 'kept', 9), 'b', bypass, 'kept', 60);
    expect(stepOf(usable, { giveBack: [bypass], milder: [half] })).toEqual({
      kind: 'give-back',
      fix: bypass,
      isUsable: true,
    });
    expect(stepOf(usable, { milder: [half] })).toEqual({ kind: 'ease', fix: half });
    expect(stepOf(usable, { milder: [quarter] })).toEqual({ kind: 'nothing-left' });
    expect(stepOf(usable, { milder: [proxies] })).toEqual({ kind: 'nothing-left' });
    expect(stepOf({ ...usable, refused: [half] }, { milder: [half] })).toEqual({ kind: 'nothing-left' });
    expect(stepOf(usable)).toEqual({ kind: 'nothing-left' });
  });
});

describe('findRelief', () => {
  const prior = priorBelief(found);
  const candidate = (id: FixId, level: FixLevel, minutes: number): Candidate => {
    const fix = findFix(id);
    if (!fix) throw new Error(`no fix ${id}`);
    return { fix, id, level, minutes };
  };

  it('weighs the share of the gap that is closed against the minutes', () => {
    const quick = findRelief(prior, [], [candidate(proxies.id, 540, 400), candidate(proxies.id, 720, 20)]);
    expect(quick).toMatchObject({ fix: { id: proxies.id, level: 720 }, minutes: 20 });
    const strong = findRelief(prior, [], [candidate(proxies.id, 720, 20), candidate(proxies.id, 540, 20)]);
    expect(strong?.closedRatio).toBeGreaterThanOrEqual(quick?.closedRatio ?? 1);
    expect(strong?.isHeldUsable).toBe(false);
  });

  it('weighs minutes with what setting about it takes, and leaves out what closes next to nothing', () => {
    // Twice the minutes for the same: the shorter one; listed first or last.
    const [short, long] = [candidate(proxies.id, 540, 10), candidate(proxies.id, 540, 22)];
    for (const listed of [
      [short, long],
      [long, short],
    ])
      expect(findRelief(prior, [], listed)?.minutes).toBe(10);
    const idle = candidate('update-software', null, 1);
    expect(findRelief(prior, [], [idle, long])?.minutes).toBe(22);
  });

  it('counts what is in force before', () => {
    const closed = (inForce: readonly FixUse[]) =>
      findRelief(prior, inForce, [candidate(proxies.id, 540, 20)])?.closedRatio ?? 0;
    expect(closed([])).toBeGreaterThan(0.3);
    expect(closed([proxies])).toBeLessThan(0.08);
  });

  it('falls back to the quickest of what helps now and then, and to none', () => {
    const bypassed = candidate(bypass.id, 'all', 1);
    const idle = [bypassed, candidate('update-software', null, 20), candidate('reset-editor', null, 4)];
    expect(findRelief(prior, [], idle)).toEqual({
      fix: { id: 'reset-editor', level: null },
      minutes: 4,
      closedRatio: null,
      isHeldUsable: false,
    });
    expect(findRelief(prior, [], [bypassed])).toBeNull();
    const usable = priorBelief({ ...found, clips: [] });
    expect(findRelief(usable, [], idle)?.isHeldUsable).toBe(true);
  });
});

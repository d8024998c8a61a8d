import { describe, expect, it } from 'vitest';
import { demoCardAt } from '../../../../tests/stand-ins/demo-cards';
import { findFix } from '../../fixes';
import { type Diagnosis, diagnose } from '../answer/diagnose';
import type { Plan } from '../plan/plan';
import { chooseMove } from './next-move';
import { leastScore, type NextTest } from './next-tests';

const quarter = { id: 'lower-preview-quality', level: '1/4' } as const;
const proxies = { id: 'make-proxies', level: 540 } as const;

const look = (change: Partial<NextTest> = {}): NextTest => ({
  kind: 'question',
  id: 'core-use',
  level: null,
  bits: 0.5,
  cureProbability: 0,
  minutes: 1,
  score: 10,
  isToFindOut: false,
  otherWays: [],
  ...change,
});
const trial = (change: Partial<NextTest> = {}): NextTest => ({
  kind: 'fix',
  ...quarter,
  bits: 0.1,
  cureProbability: 0.5,
  minutes: 2,
  score: 8,
  isToFindOut: false,
  otherWays: [],
  ...change,
});
/** What a step says of its plan. */
const promiseOf = ({ fixes, probability }: Plan) => ({ fixes, probability });
const plan = (change: Partial<Plan> = {}): Plan => ({
  id: 'quickest',
  fixes: [quarter],
  minutes: 1,
  shownFps: { low: 24, mid: 25, high: 25 },
  scrubMs: { low: 50, mid: 80, high: 120 },
  probability: 0.9,
  ...change,
});

describe('chooseMove', () => {
  const diagnosis = diagnose(demoCardAt(0), { sampleCount: 400 });
  const moveOf = (change: Partial<Diagnosis>) =>
    chooseMove({ ...diagnosis, nextTests: [], plans: [], relief: null, ...change });

  it('looks before it leaps where a look tells more for its minutes than any plan is worth', () => {
    // Forty minutes' worth of cure for sixty minutes' work: 0.6 a minute.
    const dear = plan({ fixes: [proxies], minutes: 60 });
    expect(moveOf({ nextTests: [look(), trial({ ...proxies, minutes: 61, score: 0.5 })], plans: [dear] })).toEqual({
      kind: 'ask',
      test: look(),
    });
  });

  it('follows a plan that is worth more a minute than the best look', () => {
    const move = moveOf({ nextTests: [look(), trial()], plans: [plan()] });
    expect(move).toMatchObject({ kind: 'try', fix: quarter, plan: promiseOf(plan()), minutes: 1 });
  });

  it('is held up by no look that tells next to nothing while a plan is at hand', () => {
    const idle = look({ bits: 0.01, score: 500 });
    expect(moveOf({ nextTests: [idle], plans: [plan()] })).toMatchObject({ kind: 'try', fix: quarter });
    expect(moveOf({ nextTests: [idle] })).toEqual({ kind: 'ask', test: idle });
  });

  it('of several plans takes the one that is worth most a minute, and of it the fix that tells or cures most', () => {
    const long = plan({ fixes: [proxies], minutes: 45, probability: 1 });
    const two = plan({ id: 'best-picture', fixes: [proxies, quarter], minutes: 3 });
    const tests = [trial({ ...proxies, score: 2 }), trial({ score: 1 })];
    expect(moveOf({ nextTests: tests, plans: [long, two] })).toMatchObject({
      kind: 'try',
      fix: proxies,
      plan: promiseOf(two),
    });
    expect(moveOf({ nextTests: [...tests].reverse(), plans: [long, two] })).toMatchObject({ fix: proxies });
  });

  it('takes a plan whose first fix is worth more by itself before one that is worth more as a whole', () => {
    const idle = look({ bits: 0.01, score: 500 });
    const whole = plan({ fixes: [proxies], minutes: 9, probability: 0.8 });
    const step = plan({ id: 'best-picture', fixes: [quarter, { id: 'bypass-effects', level: 'all' }], minutes: 12 });
    const of = (score: number) => moveOf({ nextTests: [idle, trial({ score })], plans: [whole, step] });
    // The whole is worth 3.2 a minute, the one with the step 2.6; its first fix may cure before the second is needed.
    expect(of(5)).toMatchObject({ kind: 'try', fix: quarter, plan: promiseOf(step) });
    expect(of(3)).toMatchObject({ kind: 'try', fix: proxies, plan: promiseOf(whole) });
  });

  it('tries a fix by itself where no plan is there, and says of which plan it is where one is', () => {
    expect(moveOf({ nextTests: [trial()] })).toMatchObject({ kind: 'try', fix: quarter, plan: null, minutes: 1 });
    const slow = plan({ fixes: [quarter, proxies], minutes: 200 });
    expect(moveOf({ nextTests: [trial()], plans: [slow] })).toMatchObject({ fix: quarter, plan: promiseOf(slow) });
    const other = plan({ fixes: [proxies], minutes: 200 });
    expect(moveOf({ nextTests: [trial()], plans: [other] })).toMatchObject({ fix: quarter, plan: null });
  });

  it('falls back to relief where nothing is worth its minutes, and else says that nothing is left', () => {
    const idle = trial({ score: leastScore / 2 });
    expect(moveOf({ nextTests: [idle] })).toEqual({ kind: 'nothing-left' });
    const relief = { fix: quarter, minutes: 1, closedRatio: 0.3, isHeldUsable: false };
    expect(moveOf({ nextTests: [idle], relief })).toMatchObject({ kind: 'try', fix: quarter, plan: null, relief });
  });

  it('goes by a test’s own minutes and ways, and by the fix’s where no test of it is listed', () => {
    const ways = [{ id: 'smaller-preview-height' as const, level: 540 }];
    const listed = moveOf({ nextTests: [trial({ minutes: 6, isToFindOut: true, otherWays: ways })], plans: [plan()] });
    expect(listed).toMatchObject({ kind: 'try', minutes: 5, isToFindOut: true, otherWays: ways, relief: null });
    const unlisted = moveOf({ plans: [plan({ fixes: [proxies] })] });
    expect(unlisted).toMatchObject({ kind: 'try', fix: proxies, isToFindOut: false, otherWays: [] });
    const minutes = findFix(proxies.id)?.effortMinutes(diagnosis.posterior.base, proxies.level);
    expect(unlisted.kind === 'try' && unlisted.minutes).toBe(minutes);
    expect(minutes).toBeGreaterThan(0);
  });

  it('takes the first of a plan’s fixes that tells most, whichever the plan lists first', () => {
    const both = plan({ fixes: [quarter, proxies] });
    const tests = [trial({ score: 1 }), trial({ ...proxies, score: 3 })];
    expect(moveOf({ nextTests: tests, plans: [both] })).toMatchObject({ fix: proxies });
    // One that no test is listed of tells nothing.
    expect(moveOf({ nextTests: [trial({ score: 1 })], plans: [plan({ fixes: [proxies, quarter] })] })).toMatchObject({
      fix: quarter,
    });
  });

  it('takes the fix first by whose very level a plan is weighed, before one that is worth more at another', () => {
    const both = plan({ fixes: [quarter, proxies] });
    const tests = [trial({ ...proxies, level: 720, score: 3 }), trial({ score: 2.5 })];
    expect(moveOf({ nextTests: tests, plans: [both] })).toMatchObject({ fix: quarter, plan: promiseOf(both) });
    // At another level is better than nothing.
    const [first] = tests;
    expect(moveOf({ nextTests: first ? [first] : [], plans: [both] })).toMatchObject({ fix: proxies });
  });

  it('stays with the first of plans that are worth the same, and tells plans by minutes and steps', () => {
    const [first, second] = [plan({ fixes: [proxies] }), plan({ fixes: [quarter] })];
    expect(moveOf({ plans: [first, second] })).toMatchObject({ fix: proxies });
    const short = plan({ fixes: [quarter], minutes: 4, probability: 0.85 });
    const many = plan({ fixes: [proxies, { id: 'bypass-effects', level: 'all' }], minutes: 4, probability: 0.9 });
    expect(moveOf({ plans: [many, short] })).toMatchObject({ fix: quarter });
  });

  it('takes a step that is just worth its minutes, and a look that tells just enough', () => {
    expect(moveOf({ nextTests: [trial({ score: leastScore })] })).toMatchObject({ kind: 'try', fix: quarter });
    const slow = plan({ fixes: [proxies], minutes: 400 });
    const just = look({ bits: 0.04, score: 1 });
    expect(moveOf({ nextTests: [just], plans: [slow] })).toEqual({ kind: 'ask', test: just });
    const idle = look({ bits: 0.039, score: 1 });
    expect(moveOf({ nextTests: [idle], plans: [slow] })).toMatchObject({ kind: 'try', fix: proxies });
    // Nothing listed is worth its minutes: the plan is taken, however slow.
    expect(moveOf({ nextTests: [trial({ score: leastScore / 2 })], plans: [slow] })).toMatchObject({ fix: proxies });
  });
});

import { describe, expect, it } from 'vitest';
import { demoCardAt } from '../../../../tests/stand-ins/demo-cards';
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
});

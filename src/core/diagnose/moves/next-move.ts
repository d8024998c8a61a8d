import { isCardUsable, isSameFix, type JobCard, keptFixes } from '../../card';
import { applyFixes, type FixAtLevel, findFix } from '../../fixes';
import type { Diagnosis } from '../answer/diagnose';
import { remainingPlan } from '../plan/chosen-plan';
import type { Plan } from '../plan/plan';
import { createRefusal } from './candidates';
import { leastScore, type NextTest, readingMinutes, unknownMinutesLeft } from './next-tests';
import type { Relief } from './relief';

/** The step that the belief would take next. */
export type BeliefMove =
  | { readonly kind: 'ask'; readonly test: NextTest }
  /** A fix to try for what it tells and may cure; or as a step of a plan that needs more than one. */
  | {
      readonly kind: 'try';
      readonly fix: FixAtLevel;
      /** Without the reading after it. */
      readonly minutes: number;
      /** The plan that it is a step of, and how likely that makes it usable; null where it is none's. */
      readonly plan: Pick<Plan, 'fixes' | 'probability'> | null;
      /** Where nothing is expected to make it usable, what is expected of this. */
      readonly relief: Relief | null;
      /** A gentler level would cure as surely: it is tried for what it tells, and taken back afterwards. */
      readonly isToFindOut: boolean;
      /** Other fixes that come to the very same. */
      readonly otherWays: readonly FixAtLevel[];
    }
  | { readonly kind: 'nothing-left' };

/** The one step to take next on a card. */
export type NextMove =
  | BeliefMove
  /** The next of the plan that the person chose. */
  | {
      readonly kind: 'follow-plan';
      readonly fix: FixAtLevel;
      readonly minutes: number;
      readonly at: number;
      readonly of: number;
    }
  /** A kept fix that is likely no longer needed, or brings nothing where it is not usable, to be taken away on trial. */
  | { readonly kind: 'give-back'; readonly fix: FixAtLevel; readonly isUsable: boolean }
  /** A kept fix at a milder level, which likely does as well. */
  | { readonly kind: 'ease'; readonly fix: FixAtLevel };

/**
 * What a plan is worth a minute, on the scale of the tests' score: at least what its best fix is by itself, for that one is
 * tried first, and may cure before the others are needed.
 */
const worthOf = (plan: Plan, { nextTests }: Diagnosis): number =>
  nextTests
    .filter((test) => plan.fixes.some((fix) => isSameFix(fix, test)))
    .reduce(
      (worth, test) => Math.max(worth, test.score),
      (plan.probability * unknownMinutesLeft) / (plan.minutes + plan.fixes.length),
    );

/** Where a plan is at hand, a look that tells less than this, in bits, only holds a person up. Weighed on seeds 1 to 120. */
const leastAskedBits = 0.04;

/**
 * The one step to take on this card now. The person's own plan goes before what the belief would choose; where the
 * preview is usable, all that is left is to give back what is no longer needed; and where it is not, and nothing is
 * left to try, what brought nothing.
 */
export function chooseStep(card: JobCard, diagnosis: Diagnosis): NextMove {
  // A diagnosis may be a moment older than the card.
  const needless = diagnosis.giveBack.find((fix) => keptFixes(card).some((kept) => isSameFix(kept, fix)));
  if (isCardUsable(card)) {
    if (needless) return { kind: 'give-back', fix: needless, isUsable: true };
    const isStronger = ({ id, level }: FixAtLevel) =>
      keptFixes(card).some((fix) => fix.id === id && fix.level !== level);
    const isRefused = createRefusal(card);
    const milder = diagnosis.milder.find((fix) => isStronger(fix) && !isRefused(fix));
    return milder ? { kind: 'ease', fix: milder } : { kind: 'nothing-left' };
  }
  const left = remainingPlan(card);
  const [first] = left;
  if (!first) {
    const move = chooseMove(diagnosis);
    return move.kind === 'nothing-left' && needless ? { kind: 'give-back', fix: needless, isUsable: false } : move;
  }
  const state = applyFixes(diagnosis.posterior.base, keptFixes(card));
  return {
    kind: 'follow-plan',
    fix: first,
    minutes: findFix(first.id)?.effortMinutes(state, first.level) ?? 0,
    at: card.chosenPlan.length - left.length + 1,
    of: card.chosenPlan.length,
  };
}

/**
 * The step that is worth most for its minutes: a question, a fix by itself, or the first of a plan whose fixes only
 * together make the preview usable. Buying is never a step.
 */
export function chooseMove(diagnosis: Diagnosis): BeliefMove {
  const [best] = diagnosis.nextTests;
  const plan = diagnosis.plans.reduce<Plan | null>(
    (top, other) => (!top || worthOf(other, diagnosis) > worthOf(top, diagnosis) ? other : top),
    null,
  );
  const planned = plan && firstOf(plan, diagnosis);
  const isIdleLook = best && best.kind !== 'fix' && best.bits < leastAskedBits;
  const isPlanBetter =
    plan !== null && (!best || best.score < leastScore || isIdleLook || worthOf(plan, diagnosis) >= best.score);
  if (plan && planned && isPlanBetter) return toTry(planned, plan, diagnosis);
  if (!best || best.score < leastScore) {
    const { relief } = diagnosis;
    return relief
      ? {
          kind: 'try',
          fix: relief.fix,
          minutes: relief.minutes,
          plan: null,
          relief,
          isToFindOut: false,
          otherWays: [],
        }
      : { kind: 'nothing-left' };
  }
  if (best.kind !== 'fix') return { kind: 'ask', test: best };
  const isOfPlan = plan?.fixes.some((fix) => isSameFix(fix, best)) ?? false;
  return toTry({ id: best.id, level: best.level }, isOfPlan ? plan : null, diagnosis);
}

/** Minutes that making a fix takes, without the reading after it. */
function effortOf({ id, level }: FixAtLevel, { nextTests, posterior }: Diagnosis): number {
  const test = nextTests.find((other) => isSameFix(other, { id, level }));
  return test ? test.minutes - readingMinutes : (findFix(id)?.effortMinutes(posterior.base, level) ?? 0);
}

function toTry(fix: FixAtLevel, plan: Plan | null, diagnosis: Diagnosis): BeliefMove {
  const test = diagnosis.nextTests.find((other) => isSameFix(other, fix));
  return {
    kind: 'try',
    fix,
    minutes: effortOf(fix, diagnosis),
    plan: plan && { fixes: plan.fixes, probability: plan.probability },
    relief: null,
    isToFindOut: test?.isToFindOut ?? false,
    otherWays: test?.otherWays ?? [],
  };
}

/**
 * The fix of a plan that tells and cures most for its minutes: by the very level that the plan is weighed by, and where none
 * of them was weighed, by what the same fix is worth at another.
 */
function firstOf(plan: Plan, { nextTests }: Diagnosis): FixAtLevel | null {
  const exactly = (fix: FixAtLevel): number => nextTests.find((test) => isSameFix(fix, test))?.score ?? 0;
  const roughly = (fix: FixAtLevel): number => nextTests.find((test) => test.id === fix.id)?.score ?? 0;
  return [...plan.fixes].sort((a, b) => exactly(b) - exactly(a) || roughly(b) - roughly(a))[0] ?? null;
}

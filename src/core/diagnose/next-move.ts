import type { FixAtLevel } from '../fixes';
import type { Diagnosis } from './diagnose';
import { leastScore, type NextTest } from './next-tests';
import type { Plan } from './plan';

/** The one step to take next. */
export type NextMove =
  | { readonly kind: 'ask'; readonly test: NextTest }
  /** A fix to try for what it tells and may cure; or as a step of a plan that needs more than one. */
  | { readonly kind: 'try'; readonly fix: FixAtLevel; readonly minutes: number; readonly plan: Plan | null }
  | { readonly kind: 'nothing-left' };

/** What a plan is worth a minute, on the scale of the tests' score. */
const worthOf = (plan: Plan): number => (plan.probability * planMinutesLeft) / (plan.minutes + plan.fixes.length);

/** As for tests: what is left to do where nothing is known yet, in minutes. */
const planMinutesLeft = 40;

/**
 * The step that is worth most for its minutes: a question, a fix by itself, or the first of a plan whose fixes only
 * together make the preview usable. Buying is never a step.
 */
export function chooseMove(diagnosis: Diagnosis): NextMove {
  const [best] = diagnosis.nextTests;
  const plan = diagnosis.plans.reduce<Plan | null>(
    (top, other) => (!top || worthOf(other) > worthOf(top) ? other : top),
    null,
  );
  const planned = plan && firstOf(plan, diagnosis);
  const isPlanBetter = plan !== null && (!best || best.score < leastScore || worthOf(plan) >= best.score);
  if (plan && planned && isPlanBetter) return toTry(planned, plan, diagnosis);
  if (!best || best.score < leastScore) {
    const { relief } = diagnosis;
    return relief ? { kind: 'try', fix: relief.fix, minutes: relief.minutes, plan: null } : { kind: 'nothing-left' };
  }
  if (best.kind === 'question') return { kind: 'ask', test: best };
  const isOfPlan = plan?.fixes.some((fix) => fix.id === best.id && fix.level === best.level) ?? false;
  return toTry({ id: best.id, level: best.level }, isOfPlan ? plan : null, diagnosis);
}

const toTry = (fix: FixAtLevel, plan: Plan | null, { nextTests }: Diagnosis): NextMove => ({
  kind: 'try',
  fix,
  minutes: nextTests.find((test) => test.id === fix.id)?.minutes ?? plan?.minutes ?? 0,
  plan,
});

/** The fix of a plan that tells and cures most for its minutes. */
function firstOf(plan: Plan, { nextTests }: Diagnosis): FixAtLevel | null {
  const scoreOf = (fix: FixAtLevel): number => nextTests.find((test) => test.id === fix.id)?.score ?? 0;
  return [...plan.fixes].sort((a, b) => scoreOf(b) - scoreOf(a))[0] ?? null;
}

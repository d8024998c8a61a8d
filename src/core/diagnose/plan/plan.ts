import { type Belief, gapUnder, rangesUnder } from '../../belief';
import { type FixUse, keyOfFixes } from '../../card';
import { applyFixes, type FixAtLevel, findFix, type Sacrifice } from '../../fixes';
import { sameCureMargin } from '../../fixes/gentlest-level';
import type { SetupState } from '../../load';
import type { Range } from '../../numbers/percentile';
import { type Candidate, excludeEachOther } from '../moves/candidates';
import { inOrder, RoughForecast } from './rough-forecast';

/** Ways of choosing among plans: what a person minds most. */
export const planIds = ['quickest', 'best-picture', 'least-to-put-back'] as const;
export type PlanId = (typeof planIds)[number];

/** Fixes that together make the preview usable. */
export interface Plan {
  readonly id: PlanId;
  readonly fixes: readonly FixAtLevel[];
  readonly minutes: number;
  readonly shownFps: Range;
  readonly scrubMs: Range;
  /** How likely the preview is usable with it. */
  readonly probability: number;
}

/**
 * What a full sacrifice of each kind, or an hour of doing, costs under each way of choosing. Every way keeps a little
 * of the others, so that no plan wins by giving up something for nothing. Assumptions.
 */
const weightings: Readonly<Record<PlanId, Sacrifice & { readonly doing: number }>> = {
  quickest: { picture: 0.6, functions: 1.2, minutes: 0.6, disk: 0.2, putBack: 0.2, risk: 0.8, doing: 2.4 },
  'best-picture': { picture: 4, functions: 2, minutes: 0.2, disk: 0.15, putBack: 0.3, risk: 0.6, doing: 0.3 },
  'least-to-put-back': { picture: 0.5, functions: 0.8, minutes: 0.2, disk: 0.2, putBack: 4, risk: 1, doing: 0.3 },
};

export interface PlanOptions {
  readonly beamWidth?: number;
  readonly mostFixes?: number;
}

const figuresOfPlan = ['shownFps', 'scrubMs'] as const;
const usualBeamWidth = 8;
const usualMostFixes = 5;
/** A plan is one where the preview is this likely usable. */
export const planProbability = 0.8;
/** A fix that adds less than this is left out again. */
const leastAdded = 0.01;
/** Fixes that are looked at in a plan; the others bring nothing by themselves. */
const mostCandidates = 20;
/** So many of them for what they bring, the others for what they bring for their cost. */
const mostByGain = 4;
/** Levels of one fix among them. */
const mostLevels = 3;
/** A fix that costs nothing is not worth all others. */
const leastCost = 0.05;

const costOf = (id: PlanId, state: SetupState, { fix, level, minutes }: Candidate): number => {
  const weights = weightings[id];
  const sacrifice = fix.sacrifice(state, level);
  const kinds = Object.keys(sacrifice) as (keyof Sacrifice)[];
  return kinds.reduce((sum, kind) => sum + weights[kind] * sacrifice[kind], (weights.doing * minutes) / 60);
};

/** Leaves out, dearest first, what the plan does as well without. */
function withoutNeedless(
  fixes: readonly Candidate[],
  cost: (candidate: Candidate) => number,
  probabilityOf: (fixes: readonly Candidate[]) => number,
): readonly Candidate[] {
  let kept = fixes;
  for (const candidate of [...fixes].sort((a, b) => cost(b) - cost(a))) {
    const others = kept.filter((other) => other !== candidate);
    const without = probabilityOf(others);
    if (without >= planProbability && without >= probabilityOf(kept) - leastAdded) kept = others;
  }
  return kept;
}

/** Each fix at the gentlest level that does about as well and costs no more. */
function atGentlestLevels(
  fixes: readonly Candidate[],
  candidates: readonly Candidate[],
  cost: (candidate: Candidate) => number,
  probabilityOf: (fixes: readonly Candidate[]) => number,
): readonly Candidate[] {
  let chosen = fixes;
  for (const fix of fixes) {
    const levels = candidates.filter(({ id }) => id === fix.id);
    const others = chosen.filter((other) => other !== fix);
    const least = Math.max(planProbability, probabilityOf(chosen) - sameCureMargin);
    const gentler = levels
      .slice(0, levels.indexOf(fix))
      .find((level) => cost(level) <= cost(fix) + 1e-9 && probabilityOf([...others, level]) >= least);
    if (gentler) chosen = [...others, gentler];
  }
  return chosen;
}

interface Node {
  readonly fixes: readonly Candidate[];
  readonly cost: number;
  readonly gap: number;
}

/** Sets that a rough look finds this much short of likely usable are looked at on all samples too. */
const roughMargin = 0.05;
const mostFinalists = 24;
/**
 * Where all that can be done together is no likelier to make it usable than this, by a rough look, no few of it do. Of 81
 * cards of the case generator the 12 with less than 0.6 had no plan; of two between 0.74 and 0.8 one had.
 */
const hopelessProbability = 0.5;

/** One more fix on top of a set that was looked at. */
interface Step {
  readonly node: Node;
  readonly fixes: readonly Candidate[];
  readonly spent: number;
}

/** Every fix on top of every set that it does not exclude, the cheapest sum first. */
const listSteps = (
  beam: readonly Node[],
  candidates: readonly Candidate[],
  cost: (candidate: Candidate) => number,
): readonly Step[] =>
  beam
    .flatMap((node) =>
      candidates
        .filter((candidate) => !node.fixes.some((held) => excludeEachOther(held.fix, candidate.fix)))
        .map((candidate) => ({
          node,
          fixes: inOrder([...node.fixes, candidate]),
          spent: node.cost + cost(candidate),
        })),
    )
    .sort((a, b) => a.spent - b.spent);

/** Sets that are likely usable by a rough look, the cheapest first. Beam search over sets of fixes. */
function searchCheapest(
  candidates: readonly Candidate[],
  cost: (candidate: Candidate) => number,
  rough: RoughForecast,
  exactly: (fixes: readonly Candidate[]) => number,
  { beamWidth = usualBeamWidth, mostFixes = usualMostFixes }: PlanOptions,
): readonly (readonly Candidate[])[] {
  const whole = Math.max(1e-6, rough.of([]).gap);
  // What a gap is worth in cost: closing all of it may cost about as much as a full sacrifice.
  const worth = ({ cost: spent, gap }: Node): number => spent + (2 * gap) / whole;
  let beam: readonly Node[] = [{ fixes: [], cost: 0, gap: whole }];
  const finalists: Node[] = [];
  let sureCost = Number.POSITIVE_INFINITY;
  for (let depth = 0; depth < mostFixes; depth++) {
    const next = new Map<string, Node>();
    // The cheapest first: once a set is surely usable, no dearer one need be looked at.
    for (const { node, fixes, spent } of listSteps(beam, candidates, cost)) {
      if (spent >= sureCost) break;
      const key = keyOfFixes(fixes);
      if (next.has(key)) continue;
      const { probability, gap } = rough.of(fixes);
      // A step that closes nothing is no step.
      if (gap > node.gap - 1e-4 * whole) continue;
      const reached = { fixes, cost: spent, gap };
      if (probability >= planProbability - roughMargin) finalists.push(reached);
      const isSure = probability >= planProbability + roughMargin && exactly(fixes) >= planProbability;
      if (isSure) sureCost = spent;
      else next.set(key, reached);
    }
    beam = [...next.values()].sort((a, b) => worth(a) - worth(b)).slice(0, beamWidth);
    if (beam.length === 0) break;
  }
  return finalists
    .sort((a, b) => a.cost - b.cost)
    .slice(0, mostFinalists)
    .map(({ fixes }) => fixes);
}

const asUse = ({ id, level }: Candidate): FixAtLevel => ({ id, level });

interface Gaining {
  readonly candidate: Candidate;
  readonly gain: number;
}

/** The fixes that bring anything by themselves, the most first. */
function listGaining(candidates: readonly Candidate[], rough: RoughForecast): readonly Gaining[] {
  const before = rough.of([]).gap;
  return candidates
    .map((candidate) => ({ candidate, gain: before - rough.of([candidate]).gap }))
    .filter(({ gain }) => gain > 1e-3)
    .sort((a, b) => b.gain - a.gain);
}

/**
 * How likely the preview is usable with everything that can be made together, whatever it costs: each fix that brings
 * more on top of those before it, at the level that brings most.
 */
function probabilityOfAll(gaining: readonly Gaining[], rough: RoughForecast): number {
  let all: readonly Candidate[] = [];
  for (const { candidate } of gaining) {
    if (all.some((held) => excludeEachOther(held.fix, candidate.fix))) continue;
    const more = [...all, candidate];
    if (rough.of(more).gap < rough.of(all).gap) all = more;
  }
  return rough.of(all).probability;
}

/**
 * Those that bring most, and of the others those that bring most for what they cost. Of one fix three levels at most, the
 * one that brings most among them: many levels of one would leave no room for what brings little and costs next to nothing.
 */
function chooseCandidates(gaining: readonly Gaining[], cost: (candidate: Candidate) => number): readonly Candidate[] {
  const worthOf = ({ candidate, gain }: Gaining): number => gain / (leastCost + cost(candidate));
  const byWorth = (some: readonly Gaining[]) => [...some].sort((a, b) => worthOf(b) - worthOf(a));
  const levels = [...new Set(gaining.map(({ candidate }) => candidate.id))].flatMap((id) => {
    const ofFix = gaining.filter(({ candidate }) => candidate.id === id);
    return [...ofFix.slice(0, 1), ...byWorth(ofFix.slice(1)).slice(0, mostLevels - 1)];
  });
  const byGain = [...levels].sort((a, b) => b.gain - a.gain);
  const chosen = [...byGain.slice(0, mostByGain), ...byWorth(byGain.slice(mostByGain))];
  return chosen.slice(0, mostCandidates).map(({ candidate }) => candidate);
}

/**
 * Up to three plans on top of the fixes in force: the quickest, the one with the best picture, the one with the least
 * to put back. In each the preview is at least 80 % likely usable, and every fix is needed. Equal plans are one, under
 * the first name. Empty where nothing within reach gets there.
 */
export function findPlans(
  belief: Belief,
  inForce: readonly FixUse[],
  candidates: readonly Candidate[],
  options: PlanOptions = {},
): readonly Plan[] {
  const rough = new RoughForecast(belief, inForce);
  const exact = new Map<string, number>();
  const exactly = (fixes: readonly Candidate[]): number => {
    const ordered = inOrder(fixes);
    const key = keyOfFixes(ordered);
    const known = exact.get(key) ?? gapUnder(belief, [...inForce, ...ordered]).usableProbability;
    exact.set(key, known);
    return known;
  };
  const state = applyFixes(belief.base, inForce);
  const gaining = listGaining(candidates, rough);
  if (probabilityOfAll(gaining, rough) < hopelessProbability) return [];
  const plans: Plan[] = [];
  for (const id of planIds) {
    const costs = new Map(candidates.map((candidate) => [candidate, costOf(id, state, candidate)]));
    const cost = (candidate: Candidate): number => costs.get(candidate) ?? Number.POSITIVE_INFINITY;
    const chosen = chooseCandidates(gaining, cost);
    // The finalists are looked at on all samples; the first of them that holds is the cheapest.
    const found = searchCheapest(chosen, cost, rough, exactly, options).find(
      (fixes) => exactly(fixes) >= planProbability,
    );
    if (!found) continue;
    const needed = inOrder(atGentlestLevels(withoutNeedless(found, cost, exactly), candidates, cost, exactly));
    const fixes = needed.map(asUse);
    if (plans.some((plan) => sameFixes(plan.fixes, fixes))) continue;
    const { shownFps, scrubMs, usableProbability } = rangesUnder(belief, [...inForce, ...fixes], figuresOfPlan);
    plans.push({
      id,
      fixes,
      minutes: needed.reduce((sum, { minutes }) => sum + minutes, 0),
      shownFps,
      scrubMs,
      probability: usableProbability,
    });
  }
  return plans;
}

const sameFixes = (a: readonly FixAtLevel[], b: readonly FixAtLevel[]): boolean =>
  a.length === b.length && a.every((fix, i) => fix.id === b[i]?.id && fix.level === b[i]?.level);

/** What plans are compared by, for a test against all sets. */
export const planCost = (id: PlanId, state: SetupState, fixes: readonly FixAtLevel[]): number =>
  fixes.reduce((sum, { id: fixId, level }) => {
    const fix = findFix(fixId);
    if (!fix) throw new Error(`planCost: no fix ${fixId}`);
    return sum + costOf(id, state, { fix, id: fix.id, level, minutes: fix.effortMinutes(state, level) });
  }, 0);

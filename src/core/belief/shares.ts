import {
  type CauseId,
  type ConfigurationCause,
  causeIds,
  configurationCauses,
  fetchingCauseId,
  loadCauses,
  openingCauseId,
} from '../causes';
import { applyFixes, type FixAtLevel } from '../fixes/apply-fixes';
import { type Coefficients, compile } from '../load/compile';
import { createOutcomes, type Extent, evaluate, type Outcomes } from '../load/evaluate';
import type { SetupState } from '../load/types';
import { compileWithoutTerm } from '../load/without-term';
import { type Complaint, extentOfComplaint, fillAllGaps, fillGaps, type Respect } from '../usable';
import { usableGap } from './forecast-belief';
import type { Belief, BeliefComponent } from './posterior';

/** A cause with what is believed of it. */
export interface CauseBelief {
  readonly id: CauseId;
  /** Its part of the gap, weighted over all samples; shares add up to 1 where there is any gap. */
  readonly share: number;
  /** How likely it is present with at least a tenth of the gap; several causes can be likely. */
  readonly probability: number;
}

/** Shares of one component: for each of its samples, the part of the gap that each cause has. */
export interface ComponentShares {
  readonly component: BeliefComponent;
  readonly gaps: Float64Array;
  /** One array a cause that has any share here. */
  readonly shares: ReadonlyMap<CauseId, Float64Array>;
}

/** A cause counts as present where it has at least this part of the gap. */
export const presentRatio = 0.1;
/** More than three present causes are not told apart: the weakest are left out. */
const mostPlayers = 3;
/** Less than this, in logarithms, is left to no load cause where a switch has been put right: no reading tells it from nothing. */
const leastLeft = 0.05;

/** The gaps of one component under compiled set-ups; outcomes are written over each time. */
class Gaps {
  private readonly out: Outcomes;
  private readonly extent: Extent;

  constructor(
    private readonly complaint: Complaint,
    private readonly component: BeliefComponent,
  ) {
    this.out = createOutcomes(component.count);
    this.extent = extentOfComplaint(complaint);
  }

  /** Of everything that is complained of. */
  of(state: SetupState, coefficients: Coefficients = compile(state, 'heaviest')): Float64Array {
    evaluate(coefficients, this.component.samples, this.out, { extent: this.extent });
    return fillAllGaps(this.complaint, state, this.out, this.component.count, new Float64Array(this.component.count));
  }

  get isOpening(): boolean {
    return this.complaint.includes('opening');
  }

  /** In one respect, of what `of` was asked last. */
  inRespect(respect: Respect, state: SetupState): Float64Array {
    return fillGaps(respect, state, this.out, this.component.count, new Float64Array(this.component.count));
  }
}

/** The causes with a switch that are present in a state, and matter most there; three at most. */
function choosePlayers(state: SetupState, gaps: Gaps, whole: Float64Array): readonly ConfigurationCause[] {
  const present = configurationCauses.filter((cause) => cause.isPresent(state));
  if (present.length <= mostPlayers) return present;
  return present
    .map((cause) => {
      const repaired = gaps.of(cause.repair(state));
      return { cause, gain: repaired.reduce((sum, gap, i) => sum + Math.max(0, (whole[i] as number) - gap), 0) };
    })
    .sort((a, b) => b.gain - a.gain)
    .slice(0, mostPlayers)
    .map(({ cause }) => cause);
}

/** Weight of a coalition of `size` others in the Shapley value of `count` players. */
const shapleyWeights: Readonly<Record<number, readonly number[]>> = {
  1: [1],
  2: [1 / 2, 1 / 2],
  3: [1 / 3, 1 / 6, 1 / 3],
};

/** What repairs of the causes with a switch take away, shared among them by Shapley value. */
function shareAmongPlayers(
  players: readonly ConfigurationCause[],
  gapOfCoalition: readonly Float64Array[],
  count: number,
): Map<CauseId, Float64Array> {
  const shares = new Map<CauseId, Float64Array>();
  const weights = shapleyWeights[players.length] ?? [];
  for (const [k, cause] of players.entries()) {
    const values = new Float64Array(count);
    for (let coalition = 0; coalition < gapOfCoalition.length; coalition++) {
      if (coalition & (1 << k)) continue;
      const weight = weights[players.filter((_, other) => coalition & (1 << other)).length] ?? 0;
      const without = gapOfCoalition[coalition] as Float64Array;
      const withIt = gapOfCoalition[coalition | (1 << k)] as Float64Array;
      for (let i = 0; i < count; i++)
        values[i] = (values[i] as number) + weight * ((without[i] as number) - (withIt[i] as number));
    }
    shares.set(cause.id, values);
  }
  return shares;
}

/**
 * What each load cause would close of what is left if its term took no time. Of a slow opening, what nothing of that
 * would close belongs to the pictures that are made of every clip.
 */
function listClosed(gaps: Gaps, repaired: SetupState, left: Float64Array): ReadonlyMap<CauseId, Float64Array> {
  const closed = new Map<CauseId, Float64Array>();
  const pictures = new Float64Array(left.length).fill(Number.POSITIVE_INFINITY);
  for (const { id, term } of loadCauses) {
    const after = gaps.of(repaired, compileWithoutTerm(repaired, term, 'heaviest'));
    closed.set(
      id,
      left.map((gap, i) => Math.max(0, gap - (after[i] as number))),
    );
    if (!gaps.isOpening) continue;
    for (const [i, gap] of gaps.inRespect('opening', repaired).entries())
      pictures[i] = Math.min(pictures[i] as number, gap);
  }
  if (gaps.isOpening) closed.set(openingCauseId, pictures);
  return closed;
}

/**
 * Adds what is left after all repairs, shared among the load causes by what each would close. What none of them closes
 * is the reading of files that no drive is quick enough for.
 */
function addLoads(shares: Map<CauseId, Float64Array>, gaps: Gaps, repaired: SetupState, left: Float64Array): void {
  if (left.every((gap) => gap <= leastLeft)) return;
  const closed = listClosed(gaps, repaired, left);
  for (const [id, closedBy] of closed) {
    const values = shares.get(id) ?? new Float64Array(left.length);
    shares.set(id, values);
    for (let i = 0; i < left.length; i++) {
      const gap = left[i] as number;
      if (gap <= leastLeft) continue;
      let all = 0;
      for (const others of closed.values()) all += others[i] as number;
      const ratio = all > 0 ? (closedBy[i] as number) / all : id === fetchingCauseId ? 1 : 0;
      values[i] = (values[i] as number) + gap * ratio;
    }
  }
}

/** Makes the shares of each sample add up to 1 where there is a gap; a repair that makes it worse has no part in it. */
function normalise(shares: ReadonlyMap<CauseId, Float64Array>, gaps: Float64Array): void {
  for (let i = 0; i < gaps.length; i++) {
    let positive = 0;
    for (const values of shares.values()) positive += Math.max(0, values[i] as number);
    const isShared = (gaps[i] as number) > usableGap && positive > 0;
    for (const values of shares.values()) values[i] = isShared ? Math.max(0, values[i] as number) / positive : 0;
  }
}

/**
 * Shares of one component under some fixes. What repairs take away is shared among the causes with a switch by Shapley
 * value; what is left after all are repaired is shared among the load causes.
 */
export function sharesOfComponent(
  complaint: Complaint,
  component: BeliefComponent,
  fixes: readonly FixAtLevel[],
): ComponentShares {
  const state = applyFixes(component.hypothesis.state, fixes);
  const gaps = new Gaps(complaint, component);
  const whole = gaps.of(state);
  const players = choosePlayers(state, gaps, whole);
  const gapOfCoalition = [whole];
  let repaired = state;
  for (let coalition = 1; coalition < 2 ** players.length; coalition++) {
    repaired = players.reduce((current, cause, k) => (coalition & (1 << k) ? cause.repair(current) : current), state);
    gapOfCoalition.push(gaps.of(repaired));
  }
  const shares = shareAmongPlayers(players, gapOfCoalition, component.count);
  addLoads(shares, gaps, repaired, gapOfCoalition.at(-1) as Float64Array);
  normalise(shares, whole);
  // Most causes have no share under most hypotheses.
  for (const [id, values] of shares) if (values.every((share) => share === 0)) shares.delete(id);
  return { component, gaps: whole, shares };
}

/** Shares of all components of a belief under some fixes. */
export const sharesUnder = (belief: Belief, fixes: readonly FixAtLevel[]): readonly ComponentShares[] =>
  belief.components.map((component) => sharesOfComponent(belief.complaint, component, fixes));

/** Every cause with any share, the largest first. */
export function rankCauses(components: readonly ComponentShares[]): readonly CauseBelief[] {
  const share = new Map<CauseId, number>();
  const probability = new Map<CauseId, number>();
  let total = 0;
  for (const { component, shares } of components) {
    const weight = component.weight / component.count;
    for (const [id, values] of shares)
      for (const value of values) {
        if (value <= 0) continue;
        total += value * weight;
        share.set(id, (share.get(id) ?? 0) + value * weight);
        if (value >= presentRatio) probability.set(id, (probability.get(id) ?? 0) + weight);
      }
  }
  if (total <= 0) return [];
  return causeIds
    .map((id) => ({
      id,
      share: (share.get(id) ?? 0) / total,
      probability: Math.min(1, probability.get(id) ?? 0),
    }))
    .filter((cause) => cause.share > 0.001)
    .sort((a, b) => b.share - a.share);
}

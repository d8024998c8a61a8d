import {
  type CauseId,
  type ConfigurationCause,
  causeIds,
  configurationCauses,
  type LoadCause,
  loadCauses,
  openingCauseId,
} from '../causes';
import { applyFixes, type FixAtLevel } from '../fixes/apply-fixes';
import { compile } from '../load/compile';
import { createOutcomes, evaluate, type Outcomes } from '../load/evaluate';
import type { SetupState } from '../load/types';
import type { Belief, BeliefPart } from './believe';
import { type Complaint, fillAllGaps, fillGaps } from './complaint';
import { usableGap } from './forecast-belief';

/** A cause with what is believed of it. */
export interface CauseBelief {
  readonly id: CauseId;
  /** Its part of the gap, weighted over all samples; shares add up to 1 where there is any gap. */
  readonly share: number;
  /** How likely it is present with at least a tenth of the gap; several causes can be likely. */
  readonly probability: number;
}

/** Shares of one part: for each of its samples, the part of the gap that each cause has. */
export interface PartShares {
  readonly part: BeliefPart;
  readonly gaps: Float64Array;
  /** One array a cause that has any share here. */
  readonly shares: ReadonlyMap<CauseId, Float64Array>;
}

/** A cause counts as present where it has at least this part of the gap. */
export const presentRatio = 0.1;
/** More than three present causes are not told apart: the weakest are left out. */
const mostPlayers = 3;

function gapsOf(complaint: Complaint, state: SetupState, part: BeliefPart, out: Outcomes): Float64Array {
  evaluate(compile(state, 'heaviest'), part.samples, out);
  return fillAllGaps(complaint, state, out, part.count, new Float64Array(part.count));
}

/** How much of what is left a load cause has, by where the time goes. */
function loadRatio(cause: LoadCause, respectRatio: number, out: Outcomes, i: number): number {
  const decode = respectRatio;
  const drawing = 1 - decode;
  const playing = 1 - (out.decodeRatio[i] as number);
  const effects = playing > 1e-9 ? (out.effectsRatio[i] as number) / playing : 0;
  const layers = playing > 1e-9 ? (out.layersRatio[i] as number) / playing : 0;
  switch (cause.part) {
    case 'decode':
      return decode;
    case 'effects':
      return drawing * effects;
    case 'layers':
      return drawing * layers;
    case 'size':
      return drawing * Math.max(0, 1 - effects - layers);
    default:
      return cause.part satisfies never;
  }
}

/** The causes with a switch that are present in a state, and matter most there; three at most. */
function choosePlayers(
  complaint: Complaint,
  state: SetupState,
  part: BeliefPart,
  gaps: Float64Array,
  out: Outcomes,
): readonly ConfigurationCause[] {
  const present = configurationCauses.filter((cause) => cause.isPresent(state));
  if (present.length <= mostPlayers) return present;
  return present
    .map((cause) => {
      const repaired = gapsOf(complaint, cause.repair(state), part, out);
      return { cause, gain: repaired.reduce((sum, gap, i) => sum + Math.max(0, (gaps[i] as number) - gap), 0) };
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

/**
 * Shares of one part under some fixes. What repairs take away is shared among the causes with a switch by Shapley
 * value; what is left after all are repaired is shared among the load causes by where the time goes.
 */
export function sharesOfPart(complaint: Complaint, part: BeliefPart, fixes: readonly FixAtLevel[]): PartShares {
  const state = applyFixes(part.hypothesis.state, fixes);
  const out = createOutcomes(part.count);
  const gaps = gapsOf(complaint, state, part, out);
  const players = choosePlayers(complaint, state, part, gaps, out);
  const full = 2 ** players.length - 1;
  const gapOfCoalition: Float64Array[] = [gaps];
  let repaired = state;
  for (let coalition = 1; coalition <= full; coalition++) {
    repaired = players.reduce((current, cause, k) => (coalition & (1 << k) ? cause.repair(current) : current), state);
    gapOfCoalition[coalition] = gapsOf(complaint, repaired, part, out);
  }
  if (full === 0) evaluate(compile(state, 'heaviest'), part.samples, out);
  const shares = new Map<CauseId, Float64Array>();
  const weights = shapleyWeights[players.length] ?? [];
  for (const [k, cause] of players.entries()) {
    const values = new Float64Array(part.count);
    for (let coalition = 0; coalition <= full; coalition++) {
      if (coalition & (1 << k)) continue;
      const size = players.filter((_, other) => coalition & (1 << other)).length;
      const without = gapOfCoalition[coalition] as Float64Array;
      const withIt = gapOfCoalition[coalition | (1 << k)] as Float64Array;
      for (let i = 0; i < part.count; i++)
        values[i] = (values[i] as number) + (weights[size] ?? 0) * ((without[i] as number) - (withIt[i] as number));
    }
    shares.set(cause.id, values);
  }
  // `out` still holds the outcomes with everything repaired.
  const left = new Map(
    complaint.map((respect) => [respect, fillGaps(respect, repaired, out, part.count, new Float64Array(part.count))]),
  );
  for (const cause of loadCauses) {
    const values = new Float64Array(part.count);
    for (const [respect, gapsLeft] of left) {
      if (respect === 'opening') continue;
      const ratios = respect === 'playing' || respect === 'later' ? out.decodeRatio : out.scrubDecodeRatio;
      for (let i = 0; i < part.count; i++) {
        const gap = gapsLeft[i] as number;
        if (gap > 0) values[i] = (values[i] as number) + gap * loadRatio(cause, ratios[i] as number, out, i);
      }
    }
    shares.set(cause.id, values);
  }
  const openingLeft = left.get('opening');
  if (openingLeft) {
    const values = shares.get(openingCauseId) ?? new Float64Array(part.count);
    for (let i = 0; i < part.count; i++) values[i] = (values[i] as number) + (openingLeft[i] as number);
    shares.set(openingCauseId, values);
  }
  for (let i = 0; i < part.count; i++) {
    const gap = gaps[i] as number;
    // A repair that makes it worse has no part in the gap.
    let positive = 0;
    for (const values of shares.values()) positive += Math.max(0, values[i] as number);
    for (const values of shares.values())
      values[i] = gap <= usableGap || positive <= 0 ? 0 : Math.max(0, values[i] as number) / positive;
  }
  // Most causes have no share under most hypotheses.
  for (const [id, values] of shares) if (values.every((share) => share === 0)) shares.delete(id);
  return { part, gaps, shares };
}

/** Shares of all parts of a belief under some fixes. */
export const sharesUnder = (belief: Belief, fixes: readonly FixAtLevel[]): readonly PartShares[] =>
  belief.parts.map((part) => sharesOfPart(belief.complaint, part, fixes));

/** Every cause with any share, the largest first. */
export function rankCauses(parts: readonly PartShares[]): readonly CauseBelief[] {
  const share = new Map<CauseId, number>();
  const probability = new Map<CauseId, number>();
  let total = 0;
  for (const { part, shares } of parts) {
    const weight = part.weight / part.count;
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

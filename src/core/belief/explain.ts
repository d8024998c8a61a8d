import type { JobCard } from '../card/types';
import type { CauseId } from '../causes';
import type { FixAtLevel } from '../fixes/apply-fixes';
import { createOutcomes, evaluate } from '../load/evaluate';
import type { Range } from '../numbers/percentile';
import { weightedRangeOf } from '../numbers/weighted';
import { type Belief, type BeliefPart, groupEvidence } from './believe';
import { listEvidence } from './evidence';
import { type PartShares, presentRatio, sharesUnder } from './shares';
import { type Evidence, type EvidenceSource, viewSamples } from './weighing';

/** What one thing that is known says of a cause. */
export interface CauseEvidence {
  readonly source: EvidenceSource;
  /**
   * Natural logarithm of how many times likelier it is where the cause is present than where it is not, given all else
   * that is known; above zero it speaks for the cause.
   */
  readonly logFactor: number;
  /** For readings of a rate: what would be read with the cause, and without it. */
  readonly expected: { readonly present: Range; readonly absent: Range } | null;
}

/** How a reading lies to what was to be expected of it without it. */
export interface Expectation {
  readonly source: Extract<EvidenceSource, { readonly kind: 'readings' }>;
  /** From all other readings and answers, not from this one. */
  readonly expectedFps: Range;
}

/** Why what is believed is believed. Plain data. */
export interface Explanation {
  /** The weightiest first; causes without any evidence of weight have none. */
  readonly ofCauses: Readonly<Partial<Record<CauseId, readonly CauseEvidence[]>>>;
  readonly expectations: readonly Expectation[];
}

/** Causes rarer than this, or almost everywhere, have too little on one side to compare with; so have few samples. */
const leastSide = { weight: 0.0003, sampleCount: 20 } as const;
/** Below this a thing says next to nothing: one time and a quarter as likely. */
const leastLogFactor = 0.22;

/** Likelihoods of one source for the samples of one part, and what would be read there. */
interface PartLikelihoods {
  readonly part: BeliefPart;
  readonly shares: PartShares;
  readonly logLikelihoods: Float64Array;
  readonly fps: Float64Array;
}

const sameSource = (source: EvidenceSource): string => JSON.stringify(source);

function likelihoodsOf(shares: PartShares, evidence: readonly Evidence[], isLater: boolean): PartLikelihoods {
  const { part } = shares;
  const logLikelihoods = new Float64Array(part.count);
  const out = createOutcomes(part.count);
  for (const group of groupEvidence(part.hypothesis, evidence)) {
    evaluate(group.coefficients, part.samples, out);
    const view = viewSamples(group.state, part.samples, out);
    for (const { addTo } of group.evidence) addTo(logLikelihoods, view, part.count);
  }
  return { part, shares, logLikelihoods, fps: isLater ? out.laterFps : out.shownFps };
}

/** Weights of the samples as they would be without the source: the posterior divided by its likelihood. */
function weightsWithout(parts: readonly PartLikelihoods[]): readonly Float64Array[] {
  let most = Number.NEGATIVE_INFINITY;
  for (const { logLikelihoods } of parts) for (const value of logLikelihoods) most = Math.max(most, value);
  return parts.map(({ part, logLikelihoods }) =>
    logLikelihoods.map((value) => (part.weight / part.count) * Math.exp(Math.min(12, most - value))),
  );
}

/** Mean likelihood, up to a common factor, among samples that are chosen: their weight over that without the source. */
function sideOf(
  parts: readonly PartLikelihoods[],
  without: readonly Float64Array[],
  isChosen: (part: PartLikelihoods, i: number) => boolean,
) {
  let [held, before] = [0, 0];
  const fps: number[] = [];
  const weights: number[] = [];
  for (const [p, each] of parts.entries())
    for (let i = 0; i < each.part.count; i++) {
      if (!isChosen(each, i)) continue;
      const weight = (without[p] as Float64Array)[i] as number;
      held += each.part.weight / each.part.count;
      before += weight;
      fps.push(each.fps[i] as number);
      weights.push(weight);
    }
  return {
    isEnough: held >= leastSide.weight && fps.length >= leastSide.sampleCount,
    logMean: Math.log(held / before),
    range: () => rangeOfWeighted(fps, weights),
  };
}

const rangeOfWeighted = (values: readonly number[], weights: readonly number[]): Range =>
  weightedRangeOf(values.map((value, i) => ({ values: [value], weight: weights[i] as number })));

const isPresent = (id: CauseId, { shares }: PartLikelihoods, i: number): boolean =>
  (shares.shares.get(id)?.[i] ?? 0) >= presentRatio;

/**
 * What each thing that is known says for and against causes, and what each reading was expected to be. Each is weighed
 * with all others in place: its likelihood is divided out of the posterior. O(sources × samples).
 */
export function explainBelief(
  card: JobCard,
  belief: Belief,
  fixes: readonly FixAtLevel[],
  causeIds: readonly CauseId[],
): Explanation {
  const shares = sharesUnder(belief, fixes);
  const bySource = new Map<string, Evidence[]>();
  for (const evidence of listEvidence(card)) {
    const key = sameSource(evidence.source);
    bySource.set(key, [...(bySource.get(key) ?? []), evidence]);
  }
  const ofCauses: Partial<Record<CauseId, CauseEvidence[]>> = {};
  const expectations: Expectation[] = [];
  for (const evidence of bySource.values()) {
    const { source } = evidence[0] as Evidence;
    const isLater = source.kind === 'readings' && source.moment === 'later';
    const parts = shares.map((each) => likelihoodsOf(each, evidence, isLater));
    const without = weightsWithout(parts);
    if (source.kind === 'readings')
      expectations.push({ source, expectedFps: sideOf(parts, without, () => true).range() });
    for (const id of causeIds) {
      const present = sideOf(parts, without, (part, i) => isPresent(id, part, i));
      const absent = sideOf(parts, without, (part, i) => !isPresent(id, part, i));
      if (!present.isEnough || !absent.isEnough) continue;
      const logFactor = present.logMean - absent.logMean;
      if (Math.abs(logFactor) < leastLogFactor) continue;
      const expected = source.kind === 'readings' ? { present: present.range(), absent: absent.range() } : null;
      ofCauses[id] = [...(ofCauses[id] ?? []), { source, logFactor, expected }];
    }
  }
  for (const list of Object.values(ofCauses)) list.sort((a, b) => Math.abs(b.logFactor) - Math.abs(a.logFactor));
  return { ofCauses, expectations };
}

import { rateUnder } from '../card/fixes-in-force';
import type { JobCard } from '../card/types';
import type { CauseId } from '../causes';
import type { FixAtLevel } from '../fixes/apply-fixes';
import { createOutcomes, evaluate } from '../load/evaluate';
import type { Range } from '../numbers/percentile';
import { weightedRangeOf } from '../numbers/weighted';
import { listEvidence } from './evidence';
import { compileGroups, type EvidenceOfOne, groupEvidence } from './evidence-groups';
import { inferPosterior } from './posterior';
import { type ComponentShares, presentRatio, sharesUnder } from './shares';
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
/** A rate read before any change that was to be expected with a cause and without it tells a person nothing below this. */
const leastOfExpected = 0.9;
/** Samples of what would be believed without one thing: ranges and factors are read as rough ones. */
const usualSampleCount = 1500;

/** What one component of a belief says of a source that it knows nothing of. */
interface ComponentView {
  readonly shares: ComponentShares;
  readonly sampleWeight: number;
  /** Logarithm of how likely what the source says is for each sample, and what would be read there. */
  readonly logLikelihoods: Float64Array;
  readonly fps: Float64Array;
}

function viewComponent(shares: ComponentShares, evidence: readonly EvidenceOfOne[], isLater: boolean): ComponentView {
  const { component } = shares;
  const logLikelihoods = new Float64Array(component.count);
  const out = createOutcomes(component.count);
  for (const group of compileGroups(component.hypothesis, evidence)) {
    evaluate(group.coefficients, component.samples, out);
    const view = viewSamples(group.state, component.samples, out);
    for (const { addTo } of group.evidence) addTo(logLikelihoods, view, component.count);
  }
  return {
    shares,
    sampleWeight: component.weight / component.count,
    logLikelihoods,
    fps: isLater ? out.laterFps : out.shownFps,
  };
}

/** Mean likelihood, up to the factor of `most`, among samples that are chosen, and what would be read there. */
function sideOf(views: readonly ComponentView[], most: number, isChosen: (view: ComponentView, i: number) => boolean) {
  let [held, likely] = [0, 0];
  const fps: number[] = [];
  const weights: number[] = [];
  for (const view of views)
    for (let i = 0; i < view.logLikelihoods.length; i++) {
      if (!isChosen(view, i)) continue;
      held += view.sampleWeight;
      likely += view.sampleWeight * Math.exp((view.logLikelihoods[i] as number) - most);
      fps.push(view.fps[i] as number);
      weights.push(view.sampleWeight);
    }
  return {
    isEnough: held >= leastSide.weight && fps.length >= leastSide.sampleCount && likely > 0,
    logMean: Math.log(likely / held),
    range: () => rangeOfWeighted(fps, weights),
  };
}

const rangeOfWeighted = (values: readonly number[], weights: readonly number[]): Range =>
  weightedRangeOf(values.map((value, i) => ({ values: [value], weight: weights[i] as number })));

/** The rate that a source states of the set-up before any fix; null where it states none, or is about a change. */
const plainFpsOf = ({ readings }: JobCard, source: EvidenceSource): number | null =>
  source.kind === 'readings' && source.fixes.length === 0 ? rateUnder(readings, [], source.moment) : null;

const isIn = (value: number, { low, high }: Range): boolean => value >= low && value <= high;

const isPresent = (id: CauseId, { shares }: ComponentView, i: number): boolean =>
  (shares.shares.get(id)?.[i] ?? 0) >= presentRatio;

/** What is known, by where it comes from. */
function listSources(card: JobCard): readonly (readonly [EvidenceSource, readonly Evidence[]])[] {
  const bySource = new Map<string, [EvidenceSource, Evidence[]]>();
  for (const evidence of listEvidence(card)) {
    const key = JSON.stringify(evidence.source);
    const known = bySource.get(key);
    if (known) known[1].push(evidence);
    else bySource.set(key, [evidence.source, [evidence]]);
  }
  return [...bySource.values()];
}

/** What to explain, and with what care. */
export interface ExplainOptions {
  /** Fixes in force, under which causes are looked for. */
  readonly fixes: readonly FixAtLevel[];
  readonly causeIds: readonly CauseId[];
  readonly sampleCount?: number;
}

/**
 * What each thing that is known says for and against causes, and what each reading was expected to be. Each is held
 * against what would be believed without it: dividing its likelihood out of the posterior would rest on the few samples
 * that agree with it least. Stops after each source, so that whoever asks can break off. O(sources × inferPosterior).
 */
export function* explainInSteps(
  card: JobCard,
  { fixes, causeIds, sampleCount = usualSampleCount }: ExplainOptions,
): Generator<void, Explanation> {
  const ofCauses: Partial<Record<CauseId, CauseEvidence[]>> = {};
  const expectations: Expectation[] = [];
  for (const [source, evidence] of listSources(card)) {
    const isLater = source.kind === 'readings' && source.moment === 'later';
    const plainFps = plainFpsOf(card, source);
    const without = sharesUnder(inferPosterior(card, { sampleCount, without: source }), fixes);
    const grouped = groupEvidence(evidence);
    const views = without.map((shares) => viewComponent(shares, grouped, isLater));
    if (source.kind === 'readings') expectations.push({ source, expectedFps: sideOf(views, 0, () => true).range() });
    let most = Number.NEGATIVE_INFINITY;
    for (const { logLikelihoods } of views) for (const value of logLikelihoods) most = Math.max(most, value);
    for (const id of causeIds) {
      const present = sideOf(views, most, (view, i) => isPresent(id, view, i));
      const absent = sideOf(views, most, (view, i) => !isPresent(id, view, i));
      if (!present.isEnough || !absent.isEnough) continue;
      const logFactor = present.logMean - absent.logMean;
      if (Math.abs(logFactor) < leastLogFactor) continue;
      const expected = source.kind === 'readings' ? { present: present.range(), absent: absent.range() } : null;
      const isNoNews =
        plainFps !== null && expected !== null && Object.values(expected).every((range) => isIn(plainFps, range));
      if (isNoNews && Math.abs(logFactor) < leastOfExpected) continue;
      ofCauses[id] = [...(ofCauses[id] ?? []), { source, logFactor, expected }];
    }
    yield;
  }
  for (const list of Object.values(ofCauses)) list.sort((a, b) => Math.abs(b.logFactor) - Math.abs(a.logFactor));
  return { ofCauses, expectations };
}

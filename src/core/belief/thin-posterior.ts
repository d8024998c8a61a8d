import { parameterNames } from '../load/parameters';
import type { ParameterSamples } from '../load/types';
import type { Belief, BeliefPart } from './posterior';

/** A belief of this many samples answers in a millisecond or two, and is small enough to be handed to the page. */
const usualSampleCount = 320;
/** Hypotheses that together hold less than this of the weight are left out of it. */
const leftOutRatio = 0.1;
const mostParts = 12;

/** The same part with some of its samples, each as often as it is named. */
export function pickSamples(part: BeliefPart, indexes: readonly number[]): BeliefPart {
  const entries = parameterNames.map((name) => {
    const values = part.samples[name];
    return [name, Float64Array.from(indexes, (i) => values[i] as number)] as const;
  });
  return { ...part, count: indexes.length, samples: Object.fromEntries(entries) as ParameterSamples };
}

/** Every so many samples of a part, so that what moved together stays together. */
function thinned(part: BeliefPart, wanted: number): BeliefPart {
  const kept = Math.max(1, Math.min(part.count, wanted));
  const step = part.count / kept;
  return pickSamples(
    part,
    Array.from({ length: kept }, (_, i) => Math.floor(i * step)),
  );
}

/**
 * The likeliest of a belief, small: for what is asked of it on the page, where a control moves at once. Its ranges are
 * those of the whole to about a reading's spread.
 */
export function thinPosterior(belief: Belief, sampleCount = usualSampleCount): Belief {
  const ordered = [...belief.parts].sort((a, b) => b.weight - a.weight);
  let held = 0;
  const kept = ordered.slice(0, mostParts).filter(({ weight }) => {
    const isKept = held < 1 - leftOutRatio;
    held += weight;
    return isKept;
  });
  const total = kept.reduce((sum, { weight }) => sum + weight, 0);
  const parts = kept.map((part) => {
    const weight = part.weight / total;
    return { ...thinned(part, Math.round(sampleCount * weight)), weight };
  });
  return { ...belief, parts, sampleCount: parts.reduce((sum, { count }) => sum + count, 0) };
}

import { parameterNames } from '../load/parameters';
import type { ParameterSamples } from '../load/types';
import type { Belief, BeliefPart } from './believe';

/** A belief of this many samples answers in a millisecond or two, and is small enough to be handed to the page. */
const usualSampleCount = 320;
/** Hypotheses that together hold less than this of the weight are left out of it. */
const leftOutRatio = 0.1;
const mostParts = 12;

/** Every so many samples of a part, so that what moved together stays together. */
function thinned({ hypothesis, weight, count, samples }: BeliefPart, wanted: number): BeliefPart {
  const kept = Math.max(1, Math.min(count, wanted));
  const step = count / kept;
  const entries = parameterNames.map((name) => {
    const values = samples[name];
    return [name, Float64Array.from({ length: kept }, (_, i) => values[Math.floor(i * step)] as number)] as const;
  });
  return { hypothesis, weight, count: kept, samples: Object.fromEntries(entries) as ParameterSamples };
}

/**
 * The likeliest of a belief, small: for what is asked of it on the page, where a control moves at once. Its ranges are
 * those of the whole to about a reading's spread.
 */
export function sketchBelief(belief: Belief, sampleCount = usualSampleCount): Belief {
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

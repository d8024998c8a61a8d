import { parameterNames } from '../load/parameters';
import type { ParameterSamples } from '../load/types';
import type { Belief, BeliefComponent } from './posterior';

/** A belief of this many samples answers in a millisecond or two, and is small enough to be handed to the page. */
const usualSampleCount = 320;
/** Hypotheses that together hold less than this of the weight are left out of it. */
const leftOutRatio = 0.1;
const mostComponents = 12;

/** The same component with some of its samples, each as often as it is named. */
export function pickSamples(component: BeliefComponent, indexes: readonly number[]): BeliefComponent {
  const entries = parameterNames.map((name) => {
    const values = component.samples[name];
    return [name, Float64Array.from(indexes, (i) => values[i] as number)] as const;
  });
  return { ...component, count: indexes.length, samples: Object.fromEntries(entries) as ParameterSamples };
}

/** Every so many samples of a component, so that what moved together stays together. */
function thinned(component: BeliefComponent, wanted: number): BeliefComponent {
  const kept = Math.max(1, Math.min(component.count, wanted));
  const step = component.count / kept;
  return pickSamples(
    component,
    Array.from({ length: kept }, (_, i) => Math.floor(i * step)),
  );
}

/**
 * The likeliest of a belief, small: for what is asked of it on the page, where a control moves at once. Its ranges are
 * those of the whole to about a reading's spread.
 */
export function thinPosterior(belief: Belief, sampleCount = usualSampleCount): Belief {
  const ordered = [...belief.components].sort((a, b) => b.weight - a.weight);
  let held = 0;
  const kept = ordered.slice(0, mostComponents).filter(({ weight }) => {
    const isKept = held < 1 - leftOutRatio;
    held += weight;
    return isKept;
  });
  const total = kept.reduce((sum, { weight }) => sum + weight, 0);
  const components = kept.map((component) => {
    const weight = component.weight / total;
    return { ...thinned(component, Math.round(sampleCount * weight)), weight };
  });
  return { ...belief, components, sampleCount: components.reduce((sum, { count }) => sum + count, 0) };
}

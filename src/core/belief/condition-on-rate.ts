import type { FixAtLevel } from '../fixes/apply-fixes';
import { outcomesUnder } from './forecast-belief';
import type { Belief } from './posterior';
import { pickSamples } from './thin-posterior';

/** Agreement is as close as two readings by the meter. */
const spread = 0.05;
/** A rate this near the most that can be shown says only "at least". */
const fullRatio = 0.97;
/** Where less than this of the belief agrees, the reading is odd, and the belief stays as it is. */
const leastAgreement = 1e-3;

/** How well a rate that is expected agrees with one that was read, 0 to 1. */
function agreementOf(expectedFps: number, readFps: number, targetFps: number): number {
  const fullFps = fullRatio * targetFps;
  const offBy = Math.log(Math.min(expectedFps, fullFps) / Math.min(readFps, fullFps)) / spread;
  return Math.exp(-0.5 * offBy * offBy);
}

/** Indexes of so many samples, each taken as often as its weight says; the same for the same weights. */
function drawByWeight(weights: Float64Array, total: number, count: number): readonly number[] {
  const picked: number[] = [];
  const step = total / count;
  let held = 0;
  for (let i = 0; i < weights.length; i++) {
    held += weights[i] as number;
    while (picked.length < count && (picked.length + 0.5) * step <= held) picked.push(i);
  }
  while (picked.length < count) picked.push(weights.length - 1);
  return picked;
}

/**
 * What of a belief agrees with the rate that was read under some fixes. For showing where the time of a preview goes
 * that somebody has just seen: a budget over the line beside a usable reading would puzzle. Not for weighing causes or
 * plans, in which the reading counts already, with the doubt that it and the cost model deserve. O(samples).
 *
 * @param shownFps frames a second that were read, above 0
 */
export function conditionOnRate(belief: Belief, fixes: readonly FixAtLevel[], shownFps: number): Belief {
  const { targetFps } = belief.base.setup;
  const weighed = outcomesUnder(belief, fixes, { extent: 'playing' }).map(({ component, out, sampleWeight }) => {
    const weights = Float64Array.from({ length: component.count }, (_, i) =>
      agreementOf(out.shownFps[i] as number, shownFps, targetFps),
    );
    const total = weights.reduce((sum, weight) => sum + weight, 0);
    return { component, weights, total, weight: total * sampleWeight };
  });
  const agreement = weighed.reduce((sum, { weight }) => sum + weight, 0);
  if (agreement < leastAgreement) return belief;
  const components = weighed.flatMap(({ component, weights, total, weight }) => {
    const ratio = weight / agreement;
    const count = Math.round(ratio * belief.sampleCount);
    return count === 0 ? [] : [{ ...pickSamples(component, drawByWeight(weights, total, count)), weight: ratio }];
  });
  const kept = components.reduce((sum, { weight }) => sum + weight, 0);
  return {
    ...belief,
    components: components.map((component) => ({ ...component, weight: component.weight / kept })),
    sampleCount: components.reduce((sum, { count }) => sum + count, 0),
  };
}

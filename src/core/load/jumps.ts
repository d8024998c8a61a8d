import { addTo, type ClipCost, type FetchCost, noWork, rankingMsOf, type WeightedCost } from './clip-cost';
import type { Setup } from './types';

/**
 * Jumps into one clip, by the milliseconds by which they are ranked: even from the shortest, to a key frame, to the
 * longest, to the last picture before the next one.
 */
interface Landings {
  readonly cost: ClipCost;
  readonly weight: number;
  readonly shortestMs: number;
  readonly spanMs: number;
}

/** Where every picture is a key frame, or a still, all jumps are alike; so small a span keeps them in one order with all others. */
const leastSpanRatio = 1e-6;
/** A share this near to the wanted one is it, and steps, every other one a halving, after which a time is exact to the last bits. */
const nearShare = 1e-9;
const mostSteps = 120;

/** Jumps to every place of the footage. */
export const listLandings = (costs: readonly WeightedCost[], setup: Setup): readonly Landings[] =>
  costs.map(({ cost, weight }) => {
    const [one, way] = [rankingMsOf(cost.picture, setup), rankingMsOf(cost.way, setup)];
    const shortestMs = one.decodeMs + one.readMs;
    // `way` is that to the middle between two key frames.
    const spanMs = Math.max(2 * (way.decodeMs + way.readMs), leastSpanRatio * Math.max(1, shortestMs));
    return { cost, weight, shortestMs, spanMs };
  });

/** The share of a clip's jumps that take less than a time, 0 to 1. */
const shareBelow = (clip: Landings, ms: number): number =>
  Math.min(1, Math.max(0, (ms - clip.shortestMs) / clip.spanMs));

/**
 * The time that a share of all jumps stays below. It grows in straight pieces from one time to the next, so that every
 * other step goes where a straight line would have it, and the steps between halve what is left.
 */
function quantileMs(landings: readonly Landings[], share: number): number {
  let total = 0;
  let high = 0;
  for (const clip of landings) {
    total += clip.weight;
    high = Math.max(high, clip.shortestMs + clip.spanMs);
  }
  const wanted = share * total;
  let low = 0;
  let [belowLow, belowHigh] = [0, total];
  for (let step = 0; step < mostSteps; step++) {
    const at = step % 2 === 0 ? (wanted - belowLow) / (belowHigh - belowLow) : 0.5;
    const middle = low + (high - low) * at;
    let below = 0;
    for (const clip of landings) below += clip.weight * shareBelow(clip, middle);
    if (Math.abs(below - wanted) <= nearShare * total) return middle;
    if (below < wanted) [low, belowLow] = [middle, below];
    else [high, belowHigh] = [middle, below];
  }
  return high;
}

/** The mean of the jumps that are longer than the share `from` of all and shorter than the share `to`, 0 to 1. */
export function meanJump(landings: readonly Landings[], from: number, to: number): FetchCost {
  const [low, high] = [quantileMs(landings, from), quantileMs(landings, to)];
  const sum = noWork();
  let total = 0;
  for (const clip of landings) {
    const [first, last] = [shareBelow(clip, low), shareBelow(clip, high)];
    if (last <= first) continue;
    const count = clip.weight * (last - first);
    addTo(sum, clip.cost.picture, count);
    // The middle of the way that these jumps go; `way` is half of the longest.
    addTo(sum, clip.cost.way, count * (first + last));
    sum.latencyMs += clip.cost.latencyMs * count;
    total += count;
  }
  const mean = noWork();
  if (total <= 0) return mean;
  addTo(mean, sum, 1 / total);
  mean.latencyMs = sum.latencyMs / total;
  return mean;
}

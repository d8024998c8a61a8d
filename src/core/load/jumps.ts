import { addFetches, type ClipCost, type FetchCost, jumpTo, rankingMsOf } from './clip-cost';
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

/** Where every picture is a key frame all jumps are alike; so small a span keeps them in one order with all others. */
const leastSpanRatio = 1e-6;
/** Halvings after which a time is exact to the last bits. */
const halvings = 60;

/** Jumps to every place of the footage. */
export const listLandings = (
  parts: readonly { readonly cost: ClipCost; readonly weight: number }[],
  setup: Setup,
): readonly Landings[] =>
  parts.map(({ cost, weight }) => {
    const [one, way] = [rankingMsOf(cost.picture, setup), rankingMsOf(cost.way, setup)];
    const shortestMs = one.decodeMs + one.readMs;
    // `way` is that to the middle between two key frames.
    const spanMs = Math.max(2 * (way.decodeMs + way.readMs), leastSpanRatio * shortestMs, Number.MIN_VALUE);
    return { cost, weight, shortestMs, spanMs };
  });

/** The share of a clip's jumps that take less than a time, 0 to 1. */
const shareBelow = ({ shortestMs, spanMs }: Landings, ms: number): number =>
  Math.min(1, Math.max(0, (ms - shortestMs) / spanMs));

/** The time that a share of all jumps stays below. */
function quantileMs(landings: readonly Landings[], share: number): number {
  let total = 0;
  let high = 0;
  for (const { weight, shortestMs, spanMs } of landings) {
    total += weight;
    high = Math.max(high, shortestMs + spanMs);
  }
  let low = 0;
  for (let i = 0; i < halvings; i++) {
    const middle = (low + high) / 2;
    let below = 0;
    for (const clip of landings) below += clip.weight * shareBelow(clip, middle);
    if (below < share * total) low = middle;
    else high = middle;
  }
  return high;
}

/** The mean of the jumps that are longer than the share `from` of all and shorter than the share `to`, 0 to 1. */
export function meanJump(landings: readonly Landings[], from: number, to: number): FetchCost {
  const [low, high] = [quantileMs(landings, from), quantileMs(landings, to)];
  const taken = landings.flatMap((clip) => {
    const [first, last] = [shareBelow(clip, low), shareBelow(clip, high)];
    // The middle of the way that these jumps go; `way` is half of the longest.
    return last > first ? [{ fetch: jumpTo(clip.cost, first + last), count: clip.weight * (last - first) }] : [];
  });
  const total = taken.reduce((sum, { count }) => sum + count, 0);
  const shares = taken.map(({ fetch, count }) => [fetch, count / total] as const);
  return {
    ...addFetches(shares),
    latencyMs: shares.reduce((sum, [{ latencyMs }, share]) => sum + latencyMs * share, 0),
  };
}

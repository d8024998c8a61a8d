import { addWork, type ClipCost, type FetchCost, jumpTo, rankingMsOf } from './clip-cost';
import type { Setup } from './types';

/** A jump to one place of the footage, with how much of all footage lies there. */
interface Landing {
  readonly fetch: FetchCost;
  readonly weight: number;
  readonly rankingMs: number;
}

/** Places at which jumps land between two key frames of a clip, evenly spread. */
const placeCount = 10;

/** Jumps to every place of the footage, the shortest first. */
export function listLandings(
  parts: readonly { readonly cost: ClipCost; readonly weight: number }[],
  setup: Setup,
): readonly Landing[] {
  const landings = parts.flatMap(({ cost, weight }) =>
    Array.from({ length: placeCount }, (_, place): Landing => {
      // The way to the middle of a group is once its way; that to its end, twice.
      const fetch = jumpTo(cost, (2 * (place + 0.5)) / placeCount);
      const { decodeMs, readMs } = rankingMsOf(fetch, setup);
      return { fetch, weight: weight / placeCount, rankingMs: decodeMs + readMs };
    }),
  );
  return landings.sort((a, b) => a.rankingMs - b.rankingMs);
}

/** The mean of the jumps that are longer than the share `low` of all and shorter than the share `high`, 0 to 1. */
export function meanJump(landings: readonly Landing[], low: number, high: number): FetchCost {
  const total = landings.reduce((sum, { weight }) => sum + weight, 0);
  const taken: (readonly [fetch: FetchCost, share: number])[] = [];
  const [from, to] = [low * total, high * total];
  let at = 0;
  for (const { fetch, weight } of landings) {
    const inside = Math.min(to, at + weight) - Math.max(from, at);
    if (inside > 0) taken.push([fetch, inside / (to - from)]);
    at += weight;
  }
  return { ...addWork(taken), latencyMs: taken.reduce((sum, [{ latencyMs }, share]) => sum + latencyMs * share, 0) };
}

import type { BeliefComponent, ComponentShares } from '../../belief';
import type { CauseId } from '../../causes';

/** Bits of not knowing which of several masses holds, out of `total`. */
export const entropyOf = (masses: Iterable<number>, total: number): number => {
  let sum = 0;
  for (const mass of masses) if (mass > 0) sum -= (mass / total) * Math.log2(mass / total);
  return sum;
};

/** Samples that tests are weighed on; enough to order them by. */
export const weighedSampleCount = 512;

/** How many of a component's samples are looked at: by its weight, and a few of each. */
export const weighedCount = (component: BeliefComponent): number =>
  Math.min(component.count, Math.max(4, Math.round(component.weight * weighedSampleCount)));

/** What two readings of the same thing differ by, as weights of neighbouring columns (a normal spread of 0.19). */
const blur = [0.06, 0.24, 0.4, 0.24, 0.06] as const;

/** Shares of every cause in each column of a histogram of what would be read or answered. */
export class ShareHistogram {
  private readonly columns = new Map<CauseId, Float64Array>();

  constructor(private readonly count: number) {}

  /** Adds one component: `columnOf` gives the column of each sample, with which share `massOf` it falls there. */
  add({ component, shares }: ComponentShares, massOf: Float64Array, columnOf: Int32Array): void {
    const count = weighedCount(component);
    const weight = component.weight / count;
    for (const [id, values] of shares) {
      let masses = this.columns.get(id);
      if (!masses) {
        masses = new Float64Array(this.count);
        this.columns.set(id, masses);
      }
      for (let i = 0; i < count; i++) {
        const column = columnOf[i] as number;
        masses[column] = (masses[column] as number) + (values[i] as number) * (massOf[i] as number) * weight;
      }
    }
  }

  /** The same histogram as it would be read, with the spread of a reading. */
  blurred(): ShareHistogram {
    const result = new ShareHistogram(this.count);
    for (const [id, masses] of this.columns) {
      const spread = new Float64Array(this.count);
      for (let at = 0; at < this.count; at++)
        for (let k = 0; k < blur.length; k++) {
          const to = Math.max(0, Math.min(this.count - 1, at + k - 2));
          spread[to] = (spread[to] as number) + (masses[at] as number) * (blur[k] as number);
        }
      result.columns.set(id, spread);
    }
    return result;
  }

  /** Bits that the column tells of the cause, and how certain the likeliest column is, its neighbours included. */
  tell(): { readonly bits: number; readonly certainty: number } {
    const totals = new Float64Array(this.count);
    const sums: number[] = [];
    let all = 0;
    for (const masses of this.columns.values()) {
      let sum = 0;
      for (let at = 0; at < this.count; at++) {
        totals[at] = (totals[at] as number) + (masses[at] as number);
        sum += masses[at] as number;
      }
      sums.push(sum);
      all += sum;
    }
    if (all <= 0) return { bits: 0, certainty: 1 };
    let after = 0;
    let most = 0;
    for (let at = 0; at < this.count; at++) {
      const total = totals[at] as number;
      most = Math.max(most, total + (totals[at - 1] ?? 0) + (totals[at + 1] ?? 0));
      if (total <= 1e-12) continue;
      let entropy = 0;
      for (const masses of this.columns.values()) {
        const share = (masses[at] as number) / total;
        if (share > 0) entropy -= share * Math.log2(share);
      }
      after += (total / all) * entropy;
    }
    return { bits: Math.max(0, entropyOf(sums, all) - after), certainty: most / all };
  }
}

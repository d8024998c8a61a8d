/** Spread of a reading's logarithm by how it was taken, and what the model itself is off by for each set-up (docs/model.md). */
export const readingSpread = {
  metered: 0.05,
  typed: 0.15,
  tapped: 0.35,
  felt: 0.35,
  timed: 0.12,
  testPlay: 0.08,
} as const;
const modelSpread = 0.12;
/**
 * Of a rate most of that is common to all that plays on one machine, and a parameter of each sample (`frameFactor`, 0.1): what is
 * left is each set-up's own. √(0.1² + 0.07²) = 0.12.
 */
export const ownRateSpread = 0.07;

/** Degrees of freedom of Student's t: one reading in ten is an outlier, and must not decide alone. */
const degrees = 4;

const totalSpread = (measured: number, ofModel = modelSpread): number => Math.hypot(measured, ofModel);

/** Logarithm of Student's t density, up to a constant that is the same for all samples. */
const logStudent = (residual: number): number => (-(degrees + 1) / 2) * Math.log(1 + (residual * residual) / degrees);

/** Cumulative distribution of Student's t with four degrees of freedom, in closed form. */
export function studentBelow(t: number): number {
  const r = t / Math.sqrt(degrees + t * t);
  return 0.5 + r * (0.75 - 0.25 * r * r);
}

/** Weighs a predicted figure by how well it agrees with one thing that was read; made once, used for every sample. */
export type Weigher = (predicted: number) => number;

const logOf = (figure: number): number => Math.log(Math.max(figure, 1e-9));

/** How well a predicted figure agrees with one that was read. */
export function createValueWeigher(read: number, spread: number, ofModel?: number): Weigher {
  const logRead = logOf(read);
  const sigma = totalSpread(spread, ofModel);
  return (predicted) => logStudent((logOf(predicted) - logRead) / sigma);
}

/** Nobody reads a certainty: the smallest chance that any answer is given. */
const leastChance = 0.02;

/** How well a predicted figure agrees with a reading that says only that it lies between two bounds. */
export function createBoundsWeigher(low: number, high: number, spread: number, ofModel?: number): Weigher {
  const sigma = totalSpread(spread, ofModel);
  const [logLow, logHigh] = [low <= 0 ? null : Math.log(low), Number.isFinite(high) ? Math.log(high) : null];
  return (predicted) => {
    const at = logOf(predicted);
    const above = logLow === null ? 0 : studentBelow((logLow - at) / sigma);
    const below = logHigh === null ? 1 : studentBelow((logHigh - at) / sigma);
    return Math.log(leastChance + (1 - leastChance) * Math.max(0, below - above));
  };
}

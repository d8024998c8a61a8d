import type { ParameterSamples, Parameters, SetupMachine } from './types';

/** What of a machine bounds its parameters. */
export type DrawnMachine = Pick<SetupMachine, 'decodeThreadCount' | 'isSpeedMeasured'>;

type Draw = (rank: number, machine: DrawnMachine) => number;

/**
 * A factor around 1 with log-logistic spread: `spread` is about the standard deviation of its logarithm.
 * Its inverse has a closed form, and its tails are a little heavier than the normal's, which suits unknown factors.
 * Ranks at the very ends are drawn in, so that no factor leaves a plausible range.
 */
const factor =
  (spread: number): Draw =>
  (rank) => {
    const inner = 0.005 + 0.99 * rank;
    return Math.exp(Math.log(inner / (1 - inner)) * spread * (Math.sqrt(3) / Math.PI));
  };

const between =
  (low: number, high: number): Draw =>
  (rank) =>
    low + (high - low) * rank;

/** Most editors decode with about as many threads as there are cores; some use one until told. Assumption: one in ten. */
const threads: Draw = (rank, machine) => {
  if (rank < 0.1) return 1;
  const most = Math.min(machine.decodeThreadCount, 16);
  return 1 + (most - 1) * (0.6 + 0.4 * ((rank - 0.1) / 0.9));
};

/** A core's speed by its class is a guess; measured by test-play it repeats to some per cent. Assumption. */
const classSpeed = factor(0.15);
const measuredSpeed = factor(0.06);

/** How each parameter is drawn from a rank between 0 and 1. Spreads are assumptions of 2026-11, to be learned from readings. */
const draws: { readonly [K in keyof Parameters]: Draw } = {
  coreSpeedFactor: (rank, machine) => (machine.isSpeedMeasured ? measuredSpeed : classSpeed)(rank, machine),
  decodeFactor: factor(0.12),
  drawFactor: factor(0.2),
  graphicsFactor: factor(0.3),
  driveFactor: factor(0.3),
  busyFactor: factor(0.2),
  memoryFactor: factor(0.15),
  overlapRatio: between(0.7, 1),
  decodeThreadCount: threads,
  hardwareDecodeRank: between(0, 1),
  graphicsDrawingRank: between(0, 1),
};

/** Parameter names in a fixed order; each keeps its own sequence whatever else is drawn. */
export const parameterNames = Object.keys(draws) as readonly (keyof Parameters)[];

/** Positive root of x^(d+1) = x + 1, whose powers give a d-dimensional additive recurrence with low discrepancy (Roberts 2018). */
function recurrenceBase(dimensions: number): number {
  let root = 1.5;
  for (let i = 0; i < 60; i++) root = (1 + root) ** (1 / (dimensions + 1));
  return root;
}

/** The same draws serve every set-up of a machine; a handful of counts and machines ever occur. */
const drawn = new Map<string, ParameterSamples>();

/**
 * `count` quasi-random samples of all parameters, the same ones at every call; callers only read them.
 * The machine bounds the decoding threads, and how uncertain its speed is.
 */
export function drawParameterSamples(count: number, machine: DrawnMachine): ParameterSamples {
  const key = `${count}:${machine.decodeThreadCount}:${machine.isSpeedMeasured}`;
  const known = drawn.get(key);
  if (known) return known;
  const base = recurrenceBase(parameterNames.length);
  const entries = parameterNames.map((name, dimension) => {
    const step = (1 / base) ** (dimension + 1) % 1;
    const values = Float64Array.from({ length: count }, (_, i) => draws[name]((0.5 + (i + 1) * step) % 1, machine));
    return [name, values] as const;
  });
  const samples = Object.fromEntries(entries) as ParameterSamples;
  drawn.set(key, samples);
  return samples;
}

/** The middle of every parameter's range. */
export function middleParameters(machine: DrawnMachine): Parameters {
  const entries = parameterNames.map((name) => [name, draws[name](0.5, machine)] as const);
  return Object.fromEntries(entries) as unknown as Parameters;
}

/** One sample out of many. */
export function pickSample(samples: ParameterSamples, index: number): Parameters {
  const entries = parameterNames.map((name) => [name, samples[name][index] as number] as const);
  return Object.fromEntries(entries) as unknown as Parameters;
}

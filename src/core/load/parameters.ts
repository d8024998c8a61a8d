import type { KnownFrom, ParameterSamples, Parameters, SetupMachine } from './types';

/** What of a machine bounds its parameters. */
export type DrawnMachine = Pick<
  SetupMachine,
  'decodeThreadCount' | 'speedFrom' | 'areGraphicsStated' | 'isHardwareMeasured'
>;

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

const rankItself = between(0, 1);

/** Most editors decode with about as many threads as there are cores; some use one until told. Assumption: one in ten. */
const threads: Draw = (rank, machine) => {
  if (rank < 0.1) return 1;
  const most = Math.min(machine.decodeThreadCount, 16);
  return 1 + (most - 1) * (0.6 + 0.4 * ((rank - 0.1) / 0.9));
};

/** Some editors do one thing after another; most run them as a production line. Assumption: one in four. */
const overlap: Draw = (rank) => (rank < 0.25 ? 0.2 * (rank / 0.25) : 0.8 + 0.2 * ((rank - 0.25) / 0.75));

/**
 * A core's speed by its class is a guess, and where nobody gave a class it may be anything; measured by test-play it
 * repeats to some per cent. Assumption.
 */
const speeds: Readonly<Record<KnownFrom, Draw>> = {
  measured: factor(0.06),
  stated: factor(0.22),
  assumed: factor(0.45),
};
/** Graphics of one kind differ; where nobody gave a kind, so do the kinds. Assumption. */
const statedGraphics = factor(0.36);
const assumedGraphics = factor(0.6);
/** Decoders of one kind of graphics differ by their year and clock; a test-play of one tells its own. Assumption. */
const kindOfHardware = factor(0.27);
const measuredHardware = factor(0.08);

/** How each parameter is drawn from a rank between 0 and 1. Spreads are assumptions of 2026-11, learned from by readings. */
const draws: { readonly [K in keyof Parameters]: Draw } = {
  coreSpeedFactor: (rank, machine) => speeds[machine.speedFrom](rank, machine),
  decodeFactor: factor(0.2),
  drawFactor: factor(0.24),
  hardwareDecodeFactor: (rank, machine) =>
    (machine.isHardwareMeasured ? measuredHardware : kindOfHardware)(rank, machine),
  graphicsFactor: (rank, machine) => (machine.areGraphicsStated ? statedGraphics : assumedGraphics)(rank, machine),
  driveFactor: factor(0.36),
  busyFactor: factor(0.2),
  memoryFactor: factor(0.22),
  overlapRatio: overlap,
  decodeThreadCount: threads,
  hardwareDecodeRank: rankItself,
  graphicsDrawingRank: rankItself,
  effectsAtRank: rankItself,
  playsByRank: rankItself,
  unlistedEffectsRank: rankItself,
  unlistedLayersRank: rankItself,
  idleBlendRank: rankItself,
  layerFactor: factor(0.4),
  showFactor: factor(0.6),
  openingFactor: factor(0.3),
  frameFactor: factor(0.1),
  graphicsMemoryFactor: factor(0.4),
  programsSeverity: rankItself,
  powerSeverity: rankItself,
  heatSeverity: rankItself,
  hardwareDecodeSeverity: rankItself,
  graphicsDrawingSeverity: rankItself,
  graphicsMemorySeverity: rankItself,
  driveSeverity: rankItself,
  systemDriveSeverity: rankItself,
  cacheSeverity: rankItself,
  memorySeverity: rankItself,
  buildsSeverity: rankItself,
  softwareSeverity: rankItself,
  unexplainedSeverity: rankItself,
};

/** Parameter names in a fixed order; each keeps its own sequence whatever else is drawn. */
export const parameterNames = Object.keys(draws) as readonly (keyof Parameters)[];

/** The value of one parameter at a rank between 0 and 1. */
export const drawParameter = (name: keyof Parameters, rank: number, machine: DrawnMachine): number =>
  draws[name](rank, machine);

/** The middle of every parameter's range; of what nobody listed there is nothing, because nobody said that it is there. */
export function middleParameters(machine: DrawnMachine): Parameters {
  const entries = parameterNames.map((name) => [name, draws[name](0.5, machine)] as const);
  const middle = Object.fromEntries(entries) as unknown as Parameters;
  return { ...middle, unlistedEffectsRank: 0, unlistedLayersRank: 0 };
}

/** One sample out of many. */
export function pickSample(samples: ParameterSamples, index: number): Parameters {
  const entries = parameterNames.map((name) => [name, samples[name][index] as number] as const);
  return Object.fromEntries(entries) as unknown as Parameters;
}

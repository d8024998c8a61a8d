/**
 * Kinds of machine parts that a person can tell apart without a measuring program, with what the cost
 * model makes of each. All figures here are assumptions of 2026-11 until the machine bench measures them;
 * the parameter draws (core/load/parameters.ts) carry their uncertainty.
 */

/** Speed of one core, relative to the reference core (docs/model.md: a 2.5 GHz server core). */
export const speedClasses = [
  { id: 'slow', coreSpeedRatio: 0.6 },
  { id: 'modest', coreSpeedRatio: 0.9 },
  { id: 'usual', coreSpeedRatio: 1.25 },
  { id: 'fast', coreSpeedRatio: 1.8 },
] as const satisfies readonly { readonly id: string; readonly coreSpeedRatio: number }[];
export type SpeedClass = (typeof speedClasses)[number]['id'];

/** How much faster drawing runs on the graphics than on one reference core, and what they decode. */
export const graphicsKinds = [
  { id: 'none', graphicsRatio: 1, decodeMegapixelPerSec: 0 },
  { id: 'shared', graphicsRatio: 5, decodeMegapixelPerSec: 450 },
  { id: 'separate', graphicsRatio: 16, decodeMegapixelPerSec: 900 },
] as const satisfies readonly {
  readonly id: string;
  readonly graphicsRatio: number;
  readonly decodeMegapixelPerSec: number;
}[];
export type GraphicsKind = (typeof graphicsKinds)[number]['id'];

/** Share of its full speed that the processor keeps. */
export const powerModes = [
  { id: 'saving', powerRatio: 0.55 },
  { id: 'balanced', powerRatio: 0.85 },
  { id: 'full', powerRatio: 1 },
] as const satisfies readonly { readonly id: string; readonly powerRatio: number }[];
export type PowerMode = (typeof powerModes)[number]['id'];

/** Sustained reading and the wait before a read begins. */
export const driveKinds = [
  { id: 'internal-solid-state', readMegabytePerSec: 900, latencyMs: 0.1 },
  { id: 'internal-spinning', readMegabytePerSec: 110, latencyMs: 12 },
  { id: 'external-solid-state', readMegabytePerSec: 380, latencyMs: 0.3 },
  { id: 'external-spinning', readMegabytePerSec: 95, latencyMs: 14 },
  { id: 'memory-card', readMegabytePerSec: 60, latencyMs: 1 },
  { id: 'network', readMegabytePerSec: 45, latencyMs: 8 },
  // Not on this computer yet: each read waits for the line.
  { id: 'cloud', readMegabytePerSec: 4, latencyMs: 150 },
] as const satisfies readonly {
  readonly id: string;
  readonly readMegabytePerSec: number;
  readonly latencyMs: number;
}[];
export type DriveKind = (typeof driveKinds)[number]['id'];

const rowOf = <T extends { readonly id: string }>(rows: readonly T[], id: T['id']): T => {
  const row = rows.find((candidate) => candidate.id === id);
  if (!row) throw new Error(`machine catalogue: no row "${id}"`);
  return row;
};

/** Speed of one core of this class, relative to the reference core. */
export const coreSpeedRatioOf = (id: SpeedClass): number => rowOf(speedClasses, id).coreSpeedRatio;
/** What graphics of this kind can do. */
export const graphicsOf = (id: GraphicsKind): (typeof graphicsKinds)[number] => rowOf(graphicsKinds, id);
/** Whether footage on such a drive may arrive too slowly; solid-state drives are quick enough for any camera. */
export const isDriveSlow = (id: DriveKind): boolean => !id.endsWith('solid-state');
/** Share of full speed in this power mode. */
export const powerRatioOf = (id: PowerMode): number => rowOf(powerModes, id).powerRatio;
/** Reading speed and latency of this kind of drive. */
export const driveOf = (id: DriveKind): (typeof driveKinds)[number] => rowOf(driveKinds, id);

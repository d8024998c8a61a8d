import { createRandom, type Random, seedOf } from '../numbers/random';
import { type DrawnMachine, drawParameter, parameterNames } from './parameters';
import type { ParameterSamples } from './types';

/**
 * `count` ranks of one parameter: however many of the first 2^k are taken, each of as many equal parts of 0 to 1 holds
 * one of them. Every doubling puts a rank into each half that is still empty, in an order of its own, so that no two
 * parameters move together. (An additive recurrence in thirty dimensions does the opposite: neighbours march in step
 * until thousands are drawn.)
 */
function drawProgressively(count: number, random: Random): Float64Array {
  let ranks: readonly number[] = [random.next()];
  while (ranks.length < count) {
    const partCount = 2 * ranks.length;
    const added = ranks.map((rank) => {
      const other = Math.floor(rank * partCount) ^ 1;
      return (other + random.next()) / partCount;
    });
    ranks = [...ranks, ...random.shuffle(added)];
  }
  return Float64Array.from(ranks.slice(0, count));
}

const drawnRanks = new Map<number, ParameterSamples>();

/** `count` stratified ranks for every parameter, keyed by its name; the same ones at every call, only to be read. */
export function drawRanks(count: number): ParameterSamples {
  const known = drawnRanks.get(count);
  if (known) return known;
  const entries = parameterNames.map((name) => [name, drawProgressively(count, createRandom(seedOf(name)))] as const);
  const ranks = Object.fromEntries(entries) as ParameterSamples;
  drawnRanks.set(count, ranks);
  return ranks;
}

/** The same draws serve every set-up of a machine; a handful of counts and machines ever occur. */
const drawn = new Map<string, ParameterSamples>();

/**
 * `count` stratified samples of all parameters, the same ones at every call; callers only read them.
 * The machine bounds the decoding threads, and how uncertain its speed is.
 */
export function drawParameterSamples(count: number, machine: DrawnMachine): ParameterSamples {
  const key = `${count}:${machine.decodeThreadCount}:${machine.speedFrom}:${machine.areGraphicsStated}:${machine.isHardwareMeasured}`;
  const known = drawn.get(key);
  if (known) return known;
  const ranks = drawRanks(count);
  const entries = parameterNames.map(
    (name) => [name, ranks[name].map((rank) => drawParameter(name, rank, machine))] as const,
  );
  const samples = Object.fromEntries(entries) as ParameterSamples;
  drawn.set(key, samples);
  return samples;
}

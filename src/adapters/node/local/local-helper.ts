import { setTimeout as wait } from 'node:timers/promises';
import type { ReadMachine } from '@/core/machine';
import type { SampledPrograms } from '@/core/programs';
import { listLocalProcesses } from './list-processes';
import { ProgramSampler } from './program-sampler';
import { readLocalMachine } from './read-machine';

const sampler = new ProgramSampler({
  list: listLocalProcesses,
  nowMs: () => performance.now(),
  wait: (ms) => wait(ms),
  ownProcessorSec: () => {
    const { user, system } = process.cpuUsage();
    return (user + system) / 1e6;
  },
});

/** What runs, averaged over the last half minute at most. */
export const readProgramsNow = (): Promise<SampledPrograms> => sampler.read();

/** Reading drives and graphics starts programs of the system: often asked, it is still done this seldom. */
const machineLastsMs = 10_000;
let machine: { readonly atMs: number; readonly read: Promise<ReadMachine> } | null = null;

/** What this computer is, read at most once in ten seconds however often it is asked. */
export function readMachineOnce(): Promise<ReadMachine> {
  const nowMs = performance.now();
  if (!machine || nowMs - machine.atMs > machineLastsMs) {
    const read = readLocalMachine();
    const kept = { atMs: nowMs, read };
    machine = kept;
    // What failed is tried again by the next who asks.
    read.catch(() => {
      if (machine === kept) machine = null;
    });
  }
  return machine.read;
}

import type { ProcessRow, ProcessSystem } from './types';

/** All processes at one time, with the core use of the seconds before. */
export interface ProcessSample {
  readonly atMs: number;
  readonly coversSec: number;
  readonly system: ProcessSystem;
  readonly coreCount: number;
  readonly memoryMib: number;
  readonly memoryFreeMib: number;
  readonly rows: readonly ProcessRow[];
}

/** What ran over some seconds. */
export interface SampledPrograms {
  readonly system: ProcessSystem;
  readonly coversSec: number;
  readonly coreCount: number;
  readonly memoryMib: number;
  readonly memoryFreeMib: number;
  /** Cores that looking itself takes. */
  readonly ownBusyCores: number;
  readonly rows: readonly ProcessRow[];
}

/**
 * The processes of the newest sample with their core use averaged over all samples, each weighed by the seconds it covers; one
 * that did not run in a sample took nothing then. Needs one sample. O(samples × processes).
 */
export function averageSamples(samples: readonly ProcessSample[]): Omit<SampledPrograms, 'ownBusyCores'> {
  const newest = samples.at(-1);
  if (!newest) throw new Error('averageSamples: no sample');
  const coversSec = samples.reduce((sum, sample) => sum + sample.coversSec, 0);
  const coreSecondsById = new Map<number, number>();
  for (const sample of samples)
    for (const { processId, busyCores } of sample.rows)
      coreSecondsById.set(processId, (coreSecondsById.get(processId) ?? 0) + (busyCores ?? 0) * sample.coversSec);
  const { system, coreCount, memoryMib, memoryFreeMib } = newest;
  return {
    system,
    coversSec,
    coreCount,
    memoryMib,
    memoryFreeMib,
    rows: newest.rows.map((row) => ({ ...row, busyCores: (coreSecondsById.get(row.processId) ?? 0) / coversSec })),
  };
}

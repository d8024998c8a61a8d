import { groupPrograms } from './group-programs';
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

/** One moment of the last half minute. */
export interface LoadMoment {
  readonly secondsAgo: number;
  /** Cores that all processes kept busy. */
  readonly busyCores: number;
  readonly memoryFreeMib: number;
  /** Cores of the programs in `LoadCourse.names`, in that order. */
  readonly busyCoresByName: readonly number[];
}

/** How busy the machine was, oldest first, with the programs that took most over all of it. */
export interface LoadCourse {
  readonly names: readonly string[];
  readonly moments: readonly LoadMoment[];
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
  readonly course: LoadCourse;
}

/** The processes as they are by the newest sample alone: for what was changed just now. */
export const newestRows = ({ rows }: Pick<SampledPrograms, 'rows'>): readonly ProcessRow[] =>
  rows.map((row) => ({ ...row, busyCores: row.courseCores?.at(-1) ?? row.busyCores }));

/** What is added up of one process over all samples. */
interface ProcessCourse {
  coreSeconds: number;
  readonly courseCores: number[];
  driveMegabytes: number | null;
}

/**
 * The processes of the newest sample with their core and drive use averaged over all samples, each weighed by the seconds it
 * covers; one that did not run in a sample took nothing then. Needs one sample. O(samples × processes).
 */
export function averageSamples(samples: readonly ProcessSample[]): Omit<SampledPrograms, 'ownBusyCores'> {
  const newest = samples.at(-1);
  if (!newest) throw new Error('averageSamples: no sample');
  const coversSec = samples.reduce((sum, sample) => sum + sample.coversSec, 0);
  const courseById = new Map<number, ProcessCourse>(
    newest.rows.map(({ processId }) => [
      processId,
      { coreSeconds: 0, courseCores: samples.map(() => 0), driveMegabytes: null },
    ]),
  );
  for (const [i, sample] of samples.entries())
    for (const { processId, busyCores, driveMegabytePerSec } of sample.rows) {
      const course = courseById.get(processId);
      if (!course) continue;
      course.coreSeconds += (busyCores ?? 0) * sample.coversSec;
      course.courseCores[i] = busyCores ?? 0;
      if (driveMegabytePerSec !== undefined)
        course.driveMegabytes = (course.driveMegabytes ?? 0) + driveMegabytePerSec * sample.coversSec;
    }
  const { system, coreCount, memoryMib, memoryFreeMib } = newest;
  return {
    system,
    coversSec,
    coreCount,
    memoryMib,
    memoryFreeMib,
    rows: newest.rows.map((row) => {
      const { coreSeconds, courseCores, driveMegabytes } = courseById.get(row.processId) as ProcessCourse;
      return {
        ...row,
        busyCores: coreSeconds / coversSec,
        courseCores,
        ...(driveMegabytes !== null && { driveMegabytePerSec: driveMegabytes / coversSec }),
      };
    }),
    course: courseOf(samples, newest.atMs),
  };
}

/** Programs whose course is told one by one; the others are what is left of all. */
const namedCount = 5;

function courseOf(samples: readonly ProcessSample[], nowMs: number): LoadCourse {
  const grouped = samples.map(
    ({ rows }) => new Map(groupPrograms(rows).map(({ name, busyCores }) => [name, busyCores ?? 0])),
  );
  const totals = new Map<string, number>();
  for (const programs of grouped)
    for (const [name, busyCores] of programs) totals.set(name, (totals.get(name) ?? 0) + busyCores);
  const names = [...totals]
    .toSorted((a, b) => b[1] - a[1] || a[0].localeCompare(b[0], 'en'))
    .slice(0, namedCount)
    .map(([name]) => name);
  return {
    names,
    moments: samples.map(({ atMs, memoryFreeMib }, i) => {
      const programs = grouped[i] ?? new Map<string, number>();
      return {
        secondsAgo: (nowMs - atMs) / 1000,
        busyCores: [...programs.values()].reduce((sum, busyCores) => sum + busyCores, 0),
        memoryFreeMib,
        busyCoresByName: names.map((name) => programs.get(name) ?? 0),
      };
    }),
  };
}

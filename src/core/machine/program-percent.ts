/**
 * What 100 % stands for beside a program in the system's own monitor: one core on macOS and Linux, all of them on
 * Windows. The figure for the whole processor is of all cores everywhere.
 */
export const programPercents = ['one-core', 'all-cores'] as const;
export type ProgramPercent = (typeof programPercents)[number];

/** The percentage that stands for so many busy cores. */
export const percentOfCores = (busyCores: number, of: ProgramPercent, coreCount: number): number =>
  (100 * busyCores) / (of === 'one-core' ? 1 : coreCount);

/** The busy cores that a percentage stands for. */
export const coresOfPercent = (percent: number, of: ProgramPercent, coreCount: number): number =>
  (percent / 100) * (of === 'one-core' ? 1 : coreCount);

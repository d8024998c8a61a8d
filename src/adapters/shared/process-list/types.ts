import type { ProcessList } from '@/core/programs';

/** Which tool wrote a list. */
export type ListFormat = 'tasklist-csv' | 'get-process' | 'ps';

/** A list that was read, and how much of it could not be. */
export interface ReadList extends ProcessList {
  readonly format: ListFormat;
  /** Lines that are no process: a cut-off end, or words in between. */
  readonly skippedLineCount: number;
}

/** One process as a list has it, before it is known which block of several it stands in. */
export interface ListedProcess {
  readonly processId: number;
  readonly parentId: number | null;
  /** The program file, with its folder where the list gives one. */
  readonly file: string;
  /** As the list states it; null where it only adds up the processor's time. */
  readonly busyCores: number | null;
  readonly processorSec: number | null;
  readonly memoryMib: number | null;
  /** When the list was taken, where it says so. */
  readonly atMs: number | null;
}

/** What a reader of one format makes of a text. */
export interface ListedProcesses {
  readonly processes: readonly ListedProcess[];
  readonly skippedLineCount: number;
}

import papaparse from 'papaparse';
import { readProcessorSec, readWhole } from './numbers';
import type { ListedProcess, ListedProcesses } from './types';

/** Name, number, session, its number, memory, status, user, processor's time, title: the order is the same in every language. */
const columns = { name: 0, processId: 1, memory: 4, processorTime: 7 } as const;
const leastColumns = 5;

/** "12,345 K", "12.345 K" and "12 345 Ko" in MiB; null where a cell is none. */
function readMemoryMib(cell: string | undefined): number | null {
  const match = /^\s*([\d.,'’\s\u00a0\u202f\ufffd]{1,24})\s*\p{L}{1,3}\s*$/u.exec(cell ?? '');
  const digits = match?.[1]?.replace(/\D/g, '') ?? '';
  return digits === '' ? null : Number(digits) / 1024;
}

/** Whether a line is one that `tasklist /fo csv` writes, with or without `/v`. */
const isRow = (cells: readonly string[]): boolean =>
  cells.length >= leastColumns &&
  readWhole(cells[columns.processId]) !== null &&
  readMemoryMib(cells[columns.memory]) !== null;

/** Reads what `tasklist /fo csv` writes; the head, in whatever language, is told by its not being a process. Null where nothing is one. */
export function readTasklist(text: string): ListedProcesses | null {
  const lines = papaparse.parse<string[]>(text, { header: false, skipEmptyLines: 'greedy' }).data;
  const processes = lines.filter(isRow).map(
    (cells): ListedProcess => ({
      processId: Number(cells[columns.processId]),
      parentId: null,
      file: cells[columns.name] ?? '',
      busyCores: null,
      processorSec: readProcessorSec(cells[columns.processorTime]),
      memoryMib: readMemoryMib(cells[columns.memory]),
      atMs: null,
    }),
  );
  if (processes.length === 0) return null;
  const isHead = lines[0] !== undefined && !isRow(lines[0]) ? 1 : 0;
  return { processes, skippedLineCount: lines.length - processes.length - isHead };
}

import papaparse from 'papaparse';
import { readDecimal, readWhole } from './numbers';
import type { ListedProcess, ListedProcesses } from './types';

const bytesPerMib = 2 ** 20;
/** More than any computer of a person runs, also in two lists. */
const mostProcesses = 20_000;

const idNames = ['id', 'pid', 'processid', 'idprocess'] as const;
const fileNames = ['processname', 'name'] as const;

type Cells = Readonly<Record<string, unknown>>;

/** The first of some properties that a row has, whatever the case of its name. */
function cellOf(cells: Cells, names: readonly string[]): string | undefined {
  const found = Object.keys(cells).find((key) => names.includes(key.trim().toLowerCase()));
  const value = found === undefined ? undefined : cells[found];
  return typeof value === 'string' ? value : typeof value === 'number' ? String(value) : undefined;
}

/** A process by its properties, which have the same names in every language; null where they are of none. */
function toProcess(cells: Cells): ListedProcess | null {
  const processId = readWhole(cellOf(cells, idNames));
  const file = cellOf(cells, fileNames);
  if (processId === null || file === undefined || file.trim() === '') return null;
  const memoryBytes = readDecimal(
    cellOf(cells, ['workingset64', 'workingset', 'ws', 'privatememorysize64', 'workingsetprivate']),
  );
  const percent = readDecimal(cellOf(cells, ['percentprocessortime']));
  return {
    processId,
    parentId: readWhole(cellOf(cells, ['parentid', 'parentprocessid', 'creatingprocessid'])),
    file,
    busyCores: percent === null ? null : percent / 100,
    processorSec: readDecimal(cellOf(cells, ['cpu', 'totalprocessortime'])),
    memoryMib: memoryBytes === null ? null : memoryBytes / bytesPerMib,
    atMs: readWhole(cellOf(cells, ['at', 'atms'])),
  };
}

const isRecord = (value: unknown): value is Cells =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

function toListed(all: readonly unknown[]): ListedProcesses | null {
  const rows = all.slice(0, mostProcesses);
  const processes = rows.flatMap((row) => (isRecord(row) ? (toProcess(row) ?? []) : []));
  return processes.length === 0 ? null : { processes, skippedLineCount: rows.length - processes.length };
}

function parseOrNull(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}

/** Reads `Get-Process … | ConvertTo-Json`: one object or an array of them, also where its end is missing. Null where it is none. */
export function readGetProcessJson(text: string): ListedProcesses | null {
  if (!/^\s*(?:\[\s*)?\{/.test(text.slice(0, 200))) return null;
  const whole = parseOrNull(text);
  const document = whole ?? parseOrNull(`${text.slice(0, text.lastIndexOf('}') + 1)}]`);
  const listed = toListed(Array.isArray(document) ? document : [document]);
  // The process in which it was cut off is the one that is missing.
  return listed && whole === null ? { ...listed, skippedLineCount: listed.skippedLineCount + 1 } : listed;
}

/** Whether the cells of a line are the names of properties, of a number and of a program among them. */
function isHead(cells: readonly string[]): boolean {
  const names = cells.map((cell) => cell.trim().toLowerCase());
  return idNames.some((name) => names.includes(name)) && fileNames.some((name) => names.includes(name));
}

/**
 * Reads `Get-Process … | ConvertTo-Csv`, also two of them one after the other, or the end of one and the whole of the next:
 * each line is read by the head before it. Null where there is no head.
 */
export function readGetProcessCsv(text: string): ListedProcesses | null {
  const body = text.replace(/^#TYPE [^\n]*\n/gm, '');
  let head: readonly string[] | null = null;
  let skippedLineCount = 0;
  const rows: Cells[] = [];
  for (const cells of papaparse.parse<string[]>(body, { header: false, skipEmptyLines: 'greedy' }).data) {
    if (isHead(cells)) head = cells.map((cell) => cell.trim());
    else if (head) rows.push(Object.fromEntries(head.map((key, i) => [key, cells[i] ?? ''])));
    else skippedLineCount++;
  }
  const listed = toListed(rows);
  return listed && { ...listed, skippedLineCount: listed.skippedLineCount + skippedLineCount };
}

/** A line of the table that `Get-Process` prints when it is told nothing else; the processor's seconds may be missing. */
const tableLine =
  /^\s*(\d{1,9})\s+([\d.,]{1,15})\s+([\d.,]{1,15})\s+([\d.,]{1,15})\s+(?:([\d.,]{1,15})\s+)?(\d{1,9})\s+(\d{1,4})\s+(\S.{0,200})$/;

/** Reads the table that `Get-Process` prints. Null where no line is of one. */
export function readGetProcessTable(text: string): ListedProcesses | null {
  if (!/processname/i.test(text.slice(0, 4000))) return null;
  const lines = text.split(/\r?\n/).filter((line) => /\d/.test(line));
  const processes = lines.flatMap((line): readonly ListedProcess[] => {
    const match = tableLine.exec(line.slice(0, 400));
    if (!match) return [];
    const [, , , , workingSetKib, processorSec, processId, , file] = match;
    return [
      {
        processId: Number(processId),
        parentId: null,
        file: (file ?? '').trim(),
        busyCores: null,
        processorSec: readDecimal(processorSec),
        memoryMib: Number((workingSetKib ?? '').replace(/\D/g, '')) / 1024,
        atMs: null,
      },
    ];
  });
  return processes.length === 0 ? null : { processes, skippedLineCount: lines.length - processes.length };
}

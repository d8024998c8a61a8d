import { readDecimal, readProcessorSec, readWhole } from './numbers';
import type { ListedProcess, ListedProcesses } from './types';

type Field = 'processId' | 'parentId' | 'percent' | 'memoryKib' | 'processorTime' | 'file' | 'other';

const fieldOf: Readonly<Record<string, Field>> = {
  PID: 'processId',
  PPID: 'parentId',
  '%CPU': 'percent',
  CPU: 'percent',
  PCPU: 'percent',
  RSS: 'memoryKib',
  RSZ: 'memoryKib',
  TIME: 'processorTime',
  CPUTIME: 'processorTime',
  TIMES: 'processorTime',
  COMM: 'file',
  COMMAND: 'file',
  CMD: 'file',
  UCOMM: 'file',
  UCMD: 'file',
  ARGS: 'file',
};

/** Columns of a head of `ps`, or null where a line is none. */
function readHead(line: string): readonly Field[] | null {
  const words = line.trim().split(/\s+/);
  const fields = words.map((word): Field => fieldOf[word] ?? 'other');
  const isHead =
    words.length >= 2 &&
    fields.includes('processId') &&
    fields.at(-1) === 'file' &&
    words.every((word) => /^[%A-Z]+$/.test(word));
  return isHead ? fields : null;
}

/** "@1795253400000": when what follows was taken, as the command that is given here writes it. */
const timeLine = /^@(\d{10,15})\s*$/;

/** Whether commands stand there with what they were started with, as in `ps aux`, and not as names alone. */
const haveOptions = (commands: readonly string[]): boolean =>
  commands.some((command) => /\s--?[a-z]/i.test(command)) || commands.some((command) => /^\/\S+\s/.test(command));

/**
 * The program's file of a command, without what it was started with, which may hold a secret: on macOS all up to the
 * program inside its bundle, else the first word.
 */
function withoutOptions(command: string): string {
  const bundle = /^.*?\.app\//.exec(command)?.[0];
  if (bundle) return bundle;
  return (command.split(/\s/)[0] ?? '').replace(/^-(?=\w)/, '').replace(/:$/, '');
}

function toProcess(cells: readonly string[], fields: readonly Field[], atMs: number | null): ListedProcess | null {
  const cell = (field: Field): string | undefined => {
    const at = fields.indexOf(field);
    return at < 0 ? undefined : cells[at];
  };
  const processId = readWhole(cell('processId'));
  const file = (cell('file') ?? '').trim();
  if (processId === null || file === '') return null;
  const percent = readDecimal(cell('percent'));
  const memoryKib = readDecimal(cell('memoryKib'));
  return {
    processId,
    parentId: readWhole(cell('parentId')),
    file,
    busyCores: percent === null ? null : percent / 100,
    processorSec: readProcessorSec(cell('processorTime')) ?? readWhole(cell('processorTime')),
    memoryMib: memoryKib === null ? null : memoryKib / 1024,
    atMs,
  };
}

/** Reads what `ps` prints with a head: its columns are told by their names, in any order, the command last. Null where there is no head. */
export function readPs(text: string): ListedProcesses | null {
  let fields: readonly Field[] | null = null;
  let isOfFiles = false;
  let atMs: number | null = null;
  let skippedLineCount = 0;
  const processes: ListedProcess[] = [];
  for (const line of text.split(/\r?\n/)) {
    if (line.trim() === '') continue;
    const time = timeLine.exec(line.trim());
    if (time) {
      atMs = Number(time[1]);
      continue;
    }
    const head = readHead(line);
    if (head) {
      fields = head;
      isOfFiles = /COMM\s*$/.test(line);
      continue;
    }
    if (!fields) {
      skippedLineCount++;
      continue;
    }
    const cells = line.trim().split(/\s+/);
    const last = fields.length - 1;
    const row = [...cells.slice(0, last), cells.slice(last).join(' ')];
    const process = cells.length > last ? toProcess(row, fields, atMs) : null;
    if (!process) skippedLineCount++;
    // One that has ended stays on the list until whoever started it has noticed.
    else if (!process.file.endsWith('<defunct>')) processes.push(process);
  }
  if (processes.length === 0) return null;
  // A head of COMM is of files alone, whatever spaces are in them.
  const areCommands = !isOfFiles && haveOptions(processes.map(({ file }) => file));
  return {
    processes: areCommands
      ? processes.map((process) => ({ ...process, file: withoutOptions(process.file) }))
      : processes,
    skippedLineCount,
  };
}

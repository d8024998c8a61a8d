import {
  markKernelThreads,
  type ProcessListFailure,
  type ProcessRow,
  type ProcessSystem,
  roleOf,
} from '@/core/programs';
import { fail, type Result, succeed } from '@/core/result';
import { decodeList } from './decode-list';
import { readGetProcessCsv, readGetProcessJson, readGetProcessTable } from './get-process';
import { readPs } from './ps';
import { readTasklist } from './tasklist';
import type { ListedProcess, ListedProcesses, ListFormat, ReadList } from './types';

/** A list of ten thousand processes is a megabyte; more than this is something else. */
const mostMegabytes = 20;
/** JSON cannot be read in part; the properties that are needed of a thousand processes are a fifth of a megabyte. */
const mostJsonMegabytes = 8;
/** More processes than any computer of a person runs; what follows is left out. */
const mostLines = 20_000;
const mostLineLength = 2000;
/** How far a list may have gaps between two of its own times, in seconds, to be taken for one measurement. */
const mostGapSec = 3600;

const readers: readonly {
  readonly format: ListFormat;
  readonly system: ProcessSystem | null;
  readonly read: (text: string) => ListedProcesses | null;
}[] = [
  { format: 'get-process', system: 'windows', read: readGetProcessJson },
  { format: 'tasklist-csv', system: 'windows', read: readTasklist },
  { format: 'ps', system: null, read: readPs },
  { format: 'get-process', system: 'windows', read: readGetProcessTable },
  { format: 'get-process', system: 'windows', read: readGetProcessCsv },
];

/** The text with as many lines, and as long ones, as a list of processes can have. */
function bound(text: string): string {
  const lines: string[] = [];
  for (let at = 0; at < text.length && lines.length < mostLines; ) {
    const end = text.indexOf('\n', at);
    const stop = end < 0 ? text.length : end;
    lines.push(text.slice(at, Math.min(stop, at + mostLineLength)));
    at = stop + 1;
  }
  return lines.join('\n');
}

/** The name of a program's file: the bundle's on macOS, else what follows the last folder, without its ending. */
function nameOfFile(file: string): string {
  const bundle = /\/([^/]+)\.app\//.exec(file)?.[1];
  const last = file.split(/[\\/]/).findLast((part) => part !== '') ?? file;
  const plain = (bundle ?? (/^\[.*\]$/.test(file) ? file : last)).replace(/\.exe$/i, '').trim();
  return (plain === '' ? file : plain).slice(0, 120);
}

/** macOS keeps its own programs under /System, and launchd starts all others; Linux has neither. */
function tellSystem(processes: readonly ListedProcess[]): ProcessSystem {
  if (processes.some(({ file }) => /(?:^|\/)launchd$|^\/System\/|kernel_task$/.test(file))) return 'macos';
  return processes.some(({ file }) => /(?:^|\/)(?:systemd|init|kthreadd|\[kthreadd\])$/.test(file))
    ? 'linux'
    : 'unknown';
}

/** Core use by the processor's time that was added between two lists of one text. */
function withUseBetween(
  earlier: readonly ListedProcess[],
  later: readonly ListedProcess[],
  overSec: number,
): readonly ListedProcess[] {
  const before = new Map(earlier.map((process) => [process.processId, process]));
  return later.map((process) => {
    const was = before.get(process.processId);
    if (process.processorSec === null) return process;
    const fromSec = was?.file === process.file ? (was.processorSec ?? 0) : 0;
    return { ...process, busyCores: Math.max(0, process.processorSec - fromSec) / overSec };
  });
}

/** Splits a text that holds several lists: a process that occurs again begins the next one. */
function splitBlocks(processes: readonly ListedProcess[]): readonly (readonly ListedProcess[])[] {
  const blocks: ListedProcess[][] = [];
  let seen = new Set<number>();
  for (const process of processes) {
    if (blocks.length === 0 || seen.has(process.processId)) {
      blocks.push([]);
      seen = new Set();
    }
    seen.add(process.processId);
    blocks.at(-1)?.push(process);
  }
  return blocks;
}

/** The newest list of a text with its core use, and the seconds that this covers. */
function settle(processes: readonly ListedProcess[]): {
  readonly processes: readonly ListedProcess[];
  readonly coversSec: number | null;
} {
  const blocks = splitBlocks(processes);
  const [later, earlier] = [blocks.at(-1) ?? [], blocks.at(-2)];
  const [fromMs, toMs] = [earlier?.[0]?.atMs ?? null, later[0]?.atMs ?? null];
  const overSec = fromMs !== null && toMs !== null ? (toMs - fromMs) / 1000 : null;
  if (!earlier || overSec === null || overSec <= 0.5 || overSec > mostGapSec)
    return { processes: later, coversSec: null };
  return { processes: withUseBetween(earlier, later, overSec), coversSec: overSec };
}

/**
 * Reads a list of processes that one of the systems' own tools wrote, as bytes of a file or as pasted text. Answers within
 * a second for anything up to 20 MB; never throws. Where the text holds two lists with their times, core use is what was
 * added between them; where it states a share, that; else it is not known. Options that a program was started with, and the
 * folder of its file, are read and dropped.
 */
export function readProcessList(source: string | Uint8Array): Result<ReadList, ProcessListFailure> {
  if (source.length > mostMegabytes * 1e6) return fail({ code: 'list-too-large', mostMegabytes });
  const decoded = typeof source === 'string' ? source : decodeList(source);
  const text = decoded.replace(/^\ufeff/, '');
  if (text.trim() === '') return fail({ code: 'list-empty' });
  const isJson = /^\s*[[{]/.test(text);
  if (isJson && text.length > mostJsonMegabytes * 1e6)
    return fail({ code: 'list-too-large', mostMegabytes: mostJsonMegabytes });
  const bounded = isJson ? text : bound(text);
  for (const { format, system, read } of isJson ? readers.slice(0, 1) : readers.slice(1)) {
    const listed = read(bounded);
    if (!listed) continue;
    const { processes, coversSec } = settle(listed.processes.slice(0, mostLines));
    return succeed({
      format,
      system: system ?? tellSystem(processes),
      coversSec,
      skippedLineCount: listed.skippedLineCount,
      rows: markKernelThreads(processes.map(toProcessRow)),
    });
  }
  return fail({ code: /\d/.test(text) ? 'list-unknown' : 'list-without-processes' });
}

/** What may be kept of a process: nothing of where its file lies. */
const toProcessRow = ({ processId, parentId, file, busyCores, memoryMib }: ListedProcess): ProcessRow => ({
  processId,
  parentId,
  ...describeFile(file),
  busyCores,
  memoryMib,
});

/** Name and role of a program by its file, with its folder where that is known. */
export function describeFile(file: string): Pick<ProcessRow, 'name' | 'role'> {
  const name = nameOfFile(file);
  return { name, role: roleOf(name, file) };
}

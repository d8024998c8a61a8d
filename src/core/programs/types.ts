/**
 * What a program is to somebody who edits video. `system` and `driver-helper` keep the machine going and are never
 * offered to be closed; `unknown` stays unknown: nothing is said to be safe that nobody knows.
 */
export const programRoles = [
  'editor',
  'system',
  'driver-helper',
  'security',
  'sync',
  'backup',
  'browser',
  'chat',
  'updater',
  'launcher',
  'recorder',
  'music',
  'indexer',
  'creative',
  'unknown',
] as const;
export type ProgramRole = (typeof programRoles)[number];

/** Whose rules a list of processes follows. */
export type ProcessSystem = 'windows' | 'macos' | 'linux' | 'unknown';

/** One process of a list: nothing of whose it is, where its file lies or what it was started with. */
export interface ProcessRow {
  readonly processId: number;
  /** Null where the list does not say it. */
  readonly parentId: number | null;
  /** The program file's name, without folder and ending. */
  readonly name: string;
  readonly role: ProgramRole;
  /** Cores that it kept busy; null where the list does not say it. */
  readonly busyCores: number | null;
  readonly memoryMib: number | null;
  /** Megabytes a second that it reads from drives and writes to them; absent where the list does not say it. */
  readonly driveMegabytePerSec?: number;
  /** The same cores moment by moment, oldest first; absent where it was looked at once. */
  readonly courseCores?: readonly number[];
}

/** A list of what ran at one time. */
export interface ProcessList {
  readonly system: ProcessSystem;
  /** The seconds that the core use is an average of; null where the list does not say it. */
  readonly coversSec: number | null;
  readonly rows: readonly ProcessRow[];
}

/** A program: its processes taken together. */
export interface ProgramUse {
  /** The process that started the others; another one means that the program was started anew. */
  readonly rootProcessId: number;
  readonly name: string;
  readonly role: ProgramRole;
  readonly processCount: number;
  /** Null where it is known of none of its processes. */
  readonly busyCores: number | null;
  readonly memoryMib: number | null;
  readonly driveMegabytePerSec: number | null;
  /** Cores of all its processes moment by moment, oldest first; empty where it was looked at once. */
  readonly courseCores: readonly number[];
}

import type { SetupState } from '../load/types';

/**
 * What is given up while a fix is in force; six figures from 0 (nothing) to 1:
 * picture (1: nothing can be judged by eye), functions (1: a main tool is unusable), minutes (1: an hour of
 * waiting), disk (1: 100 GB), putBack (1: forgetting it spoils the film), risk (1: work may be lost).
 */
export interface Sacrifice {
  readonly picture: number;
  readonly functions: number;
  readonly minutes: number;
  readonly disk: number;
  readonly putBack: number;
  readonly risk: number;
}

export const noSacrifice: Sacrifice = { picture: 0, functions: 0, minutes: 0, disk: 0, putBack: 0, risk: 0 };

/** A level as it stands in cards and on the command line; null for a fix without levels. */
export type FixLevel = string | number | null;

/** When a kept fix must be undone. */
export type PutBackTime = 'export' | 'end-of-day';

/**
 * One fix: all of its behaviour. Its effect is never written down; it is computed from the changed set-up.
 * `applyTo` is pure, and undoing is leaving the fix out of the ordered list and deriving again.
 */
export interface FixDefinition<Id extends string = string> {
  readonly id: Id;
  /** The levels worth offering for this set-up, mildest first; `[null]` for a fix without levels, empty where it cannot apply. */
  readonly levelsFor: (state: SetupState) => readonly FixLevel[];
  /** The level that is meant where none is given. */
  readonly defaultLevel: FixLevel;
  /** Reads a level from the command line or a field; null where it is none. */
  readonly parseLevel: (text: string) => FixLevel;
  readonly applyTo: (state: SetupState, level: FixLevel) => SetupState;
  /** Minutes of doing it, with restart, a minute's reading and putting back. */
  readonly effortMinutes: (state: SetupState, level: FixLevel) => number;
  readonly sacrifice: (state: SetupState, level: FixLevel) => Sacrifice;
  readonly putBack: PutBackTime | null;
  /** What must come first. */
  readonly requires: readonly ('save' | 'restart')[];
  /** Fixes that it must not be combined with. */
  readonly excludes: readonly string[];
}

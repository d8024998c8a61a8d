import type { SetupState } from '../load/types';
import type { FixFacts, FixLevel } from './fix-facts';

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

/** What must come first. */
export type FixRequirement = 'save' | 'restart' | 'builds-finished';

/** Files that a fix makes: for how many clips, in how many minutes, of how many gigabytes (10^9 bytes). */
export interface FixWork {
  readonly clipCount: number;
  /** Lines of the smallest of those clips: the size from which clips are worth it. */
  readonly fromLines: number;
  readonly minutes: number;
  readonly gigabytes: number;
}

/**
 * One fix: all of its behaviour. Its effect is never written down; it is computed from the changed set-up.
 * `applyTo` is pure, and undoing is leaving the fix out of the ordered list and deriving again. It must change
 * a state only through `load/change-state`, which keeps what does not change.
 */
export interface FixDefinition<Id extends string = string> extends FixFacts<Id> {
  /** The levels worth offering for this set-up, mildest first; `[null]` for a fix without levels, empty where it cannot apply. */
  readonly levelsFor: (state: SetupState) => readonly FixLevel[];
  readonly applyTo: (state: SetupState, level: FixLevel) => SetupState;
  /** Minutes of doing it, with restart, a minute's reading and putting back. */
  readonly effortMinutes: (state: SetupState, level: FixLevel) => number;
  readonly sacrifice: (state: SetupState, level: FixLevel) => Sacrifice;
  /** What it makes, where it makes files. */
  readonly work: ((state: SetupState, level: FixLevel) => FixWork) | null;
  readonly requires: readonly FixRequirement[];
  /** Fixes that it must not be combined with. */
  readonly excludes: readonly string[];
}

import type { SetupState } from '../load/types';
import { findFix } from './catalogue';
import type { FixLevel } from './fix-facts';

/** A fix at a level. */
export interface FixAtLevel {
  readonly id: string;
  readonly level: FixLevel;
}

/** The state with fixes in force, in order. A fix this version does not know changes nothing. */
export const applyFixes = (state: SetupState, fixes: readonly FixAtLevel[]): SetupState =>
  fixes.reduce((current, { id, level }) => findFix(id)?.applyTo(current, level) ?? current, state);

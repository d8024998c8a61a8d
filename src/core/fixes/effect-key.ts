import { compile } from '../load/compile';
import type { SetupState } from '../load/types';
import type { FixLevel } from './fix-facts';
import type { FixDefinition } from './types';

/**
 * Says by one text what a fix at a level makes of some states: two with the same text come to the same, whatever they
 * are called and wherever they are set. O(states) once the clips are mixed.
 */
export const effectKeyOf = (
  states: readonly SetupState[],
  fix: Pick<FixDefinition, 'applyTo'>,
  level: FixLevel,
): string => states.map((state) => JSON.stringify(compile(fix.applyTo(state, level), 'heaviest'))).join();

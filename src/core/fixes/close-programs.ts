import type { FixDefinition } from './types';
import { noSacrifice } from './types';

/** Close the programs that may be closed: their cores and memory come back to the editor. */
export const closePrograms = {
  id: 'close-programs',
  levelsFor: ({ setup }) => (setup.programs.some((program) => program.canClose === 'yes') ? ['all'] : []),
  defaultLevel: 'all',
  parseLevel: (text) => (text === 'all' ? 'all' : null),
  applyTo: (state) => ({
    ...state,
    setup: { ...state.setup, programs: state.setup.programs.filter((program) => program.canClose !== 'yes') },
  }),
  effortMinutes: () => 3,
  sacrifice: () => ({ ...noSacrifice, functions: 0.05, putBack: 0.1 }),
  putBack: 'end-of-day',
  requires: [],
  excludes: [],
} as const satisfies FixDefinition;

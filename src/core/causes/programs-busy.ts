import type { CauseDefinition } from './types';

/** Other programs keep the cores or the memory. Repaired: none of those that may be closed runs. */
export const programsBusy = {
  kind: 'configuration',
  id: 'programs-busy',
  repair: (state) => ({
    ...state,
    setup: { ...state.setup, programs: state.setup.programs.filter((program) => program.canClose === 'no') },
  }),
} as const satisfies CauseDefinition;

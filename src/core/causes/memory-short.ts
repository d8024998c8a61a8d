import type { CauseDefinition } from './types';

/** More memory is wanted than there is. Repaired: enough for anything in range. */
export const memoryShort = {
  kind: 'configuration',
  id: 'memory-short',
  repair: (state) => ({
    ...state,
    setup: { ...state.setup, machine: { ...state.setup.machine, memoryMib: 4_194_304 } },
  }),
} as const satisfies CauseDefinition;

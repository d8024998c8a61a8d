import type { CauseDefinition } from './types';

/** The processor is held below its speed, by a power mode or by heat. */
export const powerOrHeat = {
  kind: 'configuration',
  id: 'power-or-heat',
  repair: (state) => ({ ...state, setup: { ...state.setup, machine: { ...state.setup.machine, powerRatio: 1 } } }),
} as const satisfies CauseDefinition;

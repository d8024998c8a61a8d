import type { CauseDefinition } from './types';

/** Effects take longer than a frame may take. */
export const effectsHeavy = {
  kind: 'load',
  id: 'effects-heavy',
  stages: ['effects'],
} as const satisfies CauseDefinition;

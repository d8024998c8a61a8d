import type { CauseDefinition } from './types';

/** Blending layers and titles takes longer than a frame may take. */
export const layersHeavy = { kind: 'load', id: 'layers-heavy', stages: ['layers'] } as const satisfies CauseDefinition;

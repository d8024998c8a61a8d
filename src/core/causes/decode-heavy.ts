import type { CauseDefinition } from './types';

/** The footage itself takes longer to decode than a frame may take. */
export const decodeHeavy = { kind: 'load', id: 'decode-heavy', stages: ['decode'] } as const satisfies CauseDefinition;

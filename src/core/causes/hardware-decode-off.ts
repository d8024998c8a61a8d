import type { CauseDefinition } from './types';

/** The graphics could decode these clips and are not asked to. */
export const hardwareDecodeOff = {
  kind: 'configuration',
  id: 'hardware-decode-off',
  repair: (state) => ({
    ...state,
    setup: { ...state.setup, preview: { ...state.setup.preview, hardwareDecode: 'yes' } },
  }),
} as const satisfies CauseDefinition;

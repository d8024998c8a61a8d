import type { CauseDefinition } from './types';

/** Getting the picture to the preview's size and onto the screen takes longer than a frame may take. */
export const previewTooLarge = {
  kind: 'load',
  id: 'preview-too-large',
  stages: ['scale', 'show'],
} as const satisfies CauseDefinition;

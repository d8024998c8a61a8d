import type { CauseDefinition } from './types';

/** The editor draws effects and layers on the processor although there are graphics to do it. */
export const graphicsDrawingOff = {
  kind: 'configuration',
  id: 'graphics-drawing-off',
  repair: (state) => ({
    ...state,
    setup: { ...state.setup, preview: { ...state.setup.preview, graphicsDrawing: 'yes' } },
  }),
} as const satisfies CauseDefinition;

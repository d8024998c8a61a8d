import type { FixDefinition } from './types';
import { noSacrifice } from './types';

/** Leave all effects out of the preview while cutting. */
export const bypassEffects = {
  id: 'bypass-effects',
  levelsFor: ({ setup }) => (setup.timeline.effects.length > 0 && !setup.preview.areEffectsBypassed ? ['all'] : []),
  defaultLevel: 'all',
  parseLevel: (text) => (text === 'all' ? 'all' : null),
  applyTo: (state) => ({
    ...state,
    setup: { ...state.setup, preview: { ...state.setup.preview, areEffectsBypassed: true } },
  }),
  effortMinutes: () => 2,
  sacrifice: () => ({ ...noSacrifice, picture: 0.35, functions: 0.2, putBack: 0.6 }),
  putBack: 'export',
  requires: [],
  excludes: [],
} as const satisfies FixDefinition;

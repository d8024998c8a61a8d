import { costOfStream } from '../load/clip-cost';
import type { FixDefinition } from './types';
import { noSacrifice } from './types';

/** Let the graphics decode the clips that they can. Takes a restart of the editor in most cases. */
export const turnOnHardwareDecode = {
  id: 'turn-on-hardware-decode',
  levelsFor: ({ setup }) => {
    const canSome = setup.clips.some(
      (clip) => costOfStream(clip.original, setup.machine, setup.timeline.frameRateFps).hardwareMs > 0,
    );
    return setup.preview.hardwareDecode !== 'yes' && canSome ? [null] : [];
  },
  defaultLevel: null,
  parseLevel: () => null,
  applyTo: (state) => ({
    ...state,
    setup: { ...state.setup, preview: { ...state.setup.preview, hardwareDecode: 'yes' } },
  }),
  effortMinutes: () => 4,
  // A faulty driver can make it worse than software.
  sacrifice: () => ({ ...noSacrifice, risk: 0.1 }),
  putBack: null,
  requires: ['save', 'restart'],
  excludes: [],
} as const satisfies FixDefinition;

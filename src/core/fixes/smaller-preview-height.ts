import { previewHeightPx } from '../load/preview-picture';
import type { SetupState } from '../load/types';
import { seenHeightPx, smallerPictureSacrifice } from './preview-level';
import type { FixDefinition, FixLevel } from './types';

const offeredHeightsPx = [720, 540, 360, 270] as const;

const applyTo = (state: SetupState, level: FixLevel): SetupState => {
  if (typeof level !== 'number' || !(level > 0)) throw new Error(`smaller-preview-height: level ${level} is no height`);
  return { ...state, setup: { ...state.setup, preview: { ...state.setup.preview, heightPx: level } } };
};

/** Draw the preview at a chosen height in lines, whatever the quality says. */
export const smallerPreviewHeight = {
  id: 'smaller-preview-height',
  // The viewer's own height first of all: a picture as high as it is seen costs nothing visible.
  levelsFor: (state) => {
    const { timeline, preview } = state.setup;
    const heights = [...new Set([...offeredHeightsPx, seenHeightPx(state)])].sort((a, b) => b - a);
    return heights.filter((heightPx) => heightPx < previewHeightPx(timeline, preview));
  },
  defaultLevel: 540,
  parseLevel: (text) => {
    const heightPx = Number(text);
    return Number.isInteger(heightPx) && heightPx >= 16 && heightPx <= 32_768 ? heightPx : null;
  },
  applyTo,
  effortMinutes: () => 2,
  sacrifice: (state, level) => smallerPictureSacrifice(applyTo(state, level)),
  putBack: 'export',
  requires: [],
  excludes: [],
} as const satisfies FixDefinition;

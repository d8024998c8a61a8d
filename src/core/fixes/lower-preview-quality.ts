import type { SetupState } from '../load/types';
import { smallerPictureSacrifice } from './preview-level';
import type { FixDefinition, FixLevel } from './types';

const offeredLevels = ['1/2', '1/4', '1/8'] as const;

/** A quality as a fraction of full, from "1/4" or "0.3"; null where it is not above 0 and below 1. */
function qualityRatioOf(level: FixLevel): number | null {
  const [num, den = '1', ...more] = String(level).split('/');
  if (more.length > 0) return null;
  const ratio = Number(num) / Number(den);
  return ratio >= 1 / 64 && ratio < 1 ? ratio : null;
}

const applyTo = (state: SetupState, level: FixLevel): SetupState => {
  const qualityRatio = qualityRatioOf(level);
  if (qualityRatio === null) throw new Error(`lower-preview-quality: level ${level} is no fraction of full`);
  return { ...state, setup: { ...state.setup, preview: { ...state.setup.preview, qualityRatio } } };
};

/** Draw the preview at a fraction of the timeline's size. Shrinks effects, layers and show; not reading and decoding. */
export const lowerPreviewQuality = {
  id: 'lower-preview-quality',
  levelsFor: ({ setup }) => offeredLevels.filter((level) => (qualityRatioOf(level) ?? 1) < setup.preview.qualityRatio),
  defaultLevel: '1/4',
  parseLevel: (text) => (qualityRatioOf(text) === null ? null : text),
  applyTo,
  effortMinutes: () => 2,
  sacrifice: (state, level) => smallerPictureSacrifice(applyTo(state, level)),
  putBack: 'export',
  requires: [],
  excludes: [],
} as const satisfies FixDefinition;

import { previewHeightPx } from '../load/preview-picture';
import type { SetupState } from '../load/types';
import { noSacrifice, type Sacrifice } from './types';

/** Height of a viewer on a laptop's screen where nobody stated it. Assumption. */
export const usualViewerHeightPx = 540;

/** How high the preview is seen on this screen, in lines. */
export const seenHeightPx = (state: SetupState): number => state.setup.preview.viewerHeightPx ?? usualViewerHeightPx;

/** Preview heights worth offering, as shares of the height at which it is seen. Assumption: a little sharper, as seen, and two coarser. */
const offeredOfSeen = [4 / 3, 1, 2 / 3, 1 / 2] as const;
/** Nobody sets a preview to 413 lines. */
const heightStepPx = 10;

/** Preview heights that suit a viewer of this height, the highest first. */
export const suggestedHeightsPx = (seenPx: number): readonly number[] => [
  ...new Set(
    offeredOfSeen.map((share) =>
      share === 1 ? seenPx : Math.max(16, Math.round((seenPx * share) / heightStepPx) * heightStepPx),
    ),
  ),
];

/** The share of the lines seen that a picture of this height lacks, 0 where none is missing. */
export const missingLinesRatio = (state: SetupState, heightPx: number): number =>
  Math.max(0, 1 - heightPx / seenHeightPx(state));

/**
 * What a smaller preview gives up: nothing while the picture is at least as high as it is seen, then the share
 * of the lines that is missing. Everything small must be put back, or the film may be rendered from it.
 */
export function smallerPictureSacrifice(after: SetupState): Sacrifice {
  const heightPx = previewHeightPx(after.setup.timeline, after.setup.preview);
  return { ...noSacrifice, picture: 0.05 + 0.6 * missingLinesRatio(after, heightPx), putBack: 0.3 };
}

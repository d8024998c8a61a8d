/** Usable (docs/model.md): at least this share of the target shown in real time … */
export const usableRateRatio = 0.95;
/** … and a median scrub under this many milliseconds. */
export const usableScrubMs = 250;
/** … in its slowest tenth of jumps under this. */
export const usableScrubSlowMs = 600;
/** How long a stretch must play in one go, where the editor computes first. Assumption. */
export const usableSpanSec = 10;
/** Opening a project: people put up with this much. Assumption. */
export const usableOpeningSec = 40;
/** A picture in the viewer for single clips. Assumption: between a usable scrub and its slowest tenth. */
export const usableLookMs = 400;
/** No picture may stand for longer than this. */
export const usableFreezeMs = 500;

/** A jump as it is felt, in milliseconds: the slow ones as much as the usual ones, whichever is worse by its own limit. */
export const feltScrubMs = (scrubMs: number, slowMs: number): number =>
  Math.max(scrubMs, (slowMs * usableScrubMs) / usableScrubSlowMs);

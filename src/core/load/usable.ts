/** Usable (PRODUCT.md): at least this share of the target shown in real time … */
export const usableRateRatio = 0.95;
/** … and a median scrub under this many milliseconds. */
export const usableScrubMs = 250;

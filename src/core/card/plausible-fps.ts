/** A file may state a rate of zero or thousands; the cost model is given one that a camera could have. */
export const plausibleFps = (fps: number): number => Math.min(500, Math.max(1, fps));

/**
 * Milliseconds of the kernel on the reference core: measured in turn with ffmpeg's one-thread rate of a clip whose
 * reference milliseconds are known, fourteen rounds on 2026-11-30, which gave 63 to 87. It is what decoding is checked
 * by, not what a core's speed is taken from.
 */
export const kernelReferenceMs = 75;

const rows = 540;
const columns = 960;

/**
 * A single-threaded piece of work of a kind that decoders do: a small filter over whole numbers, in place, with sums that
 * depend on each other. Gives a number that depends on all of it, so that nothing of it is left out.
 */
export function runKernel(passCount = 24): number {
  const pixels = new Uint8Array(rows * columns);
  for (let i = 0; i < pixels.length; i++) pixels[i] = (i * 31 + (i >> 7)) & 255;
  let sum = 0;
  for (let pass = 0; pass < passCount; pass++) {
    for (let y = 1; y < rows - 1; y++) {
      const row = y * columns;
      for (let x = 1; x < columns - 1; x++) {
        const at = row + x;
        const around =
          (pixels[at - 1] as number) +
          (pixels[at + 1] as number) +
          (pixels[at - columns] as number) +
          (pixels[at + columns] as number);
        const value = (around + 4 * (pixels[at] as number) + 4) >> 3;
        pixels[at] = value;
        sum = (sum + value) | 0;
      }
    }
  }
  return sum;
}

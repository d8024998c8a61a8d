import type { GreyPicture } from './types';
import { lowBytesMask, pixelsPerWord, wordsOf } from './words';

/** Two lines by two pixels make one. */
const pixelsPerMean = 4;
/** Half of it, in each half of a word, so that dividing rounds to the nearest level. */
const roundBoth = 0x0002_0002;

/** The sums of a word's first two and last two pixels over both lines, divided: two means, in the halves of a word. */
const meansOf = (upper: number, lower: number): number =>
  ((((upper & lowBytesMask) +
    (lower & lowBytesMask) +
    ((upper >>> 8) & lowBytesMask) +
    ((lower >>> 8) & lowBytesMask) +
    roundBoth) >>>
    2) &
    lowBytesMask) as number;

/** Eight pixels of two lines at once make four. */
function halveWords(from: Int32Array, perLine: number, lineCount: number, into: Int32Array): void {
  let at = 0;
  for (let line = 0; line < lineCount; line++) {
    const top = 2 * line * perLine;
    for (let x = top; x < top + perLine; x += 2) {
      const left = meansOf(from[x] as number, from[x + perLine] as number);
      const right = meansOf(from[x + 1] as number, from[x + 1 + perLine] as number);
      into[at++] = (left & 0xff) | ((left >>> 8) & 0xff00) | ((right & 0xff) << 16) | ((right & 0xff_0000) << 8);
    }
  }
}

function halvePixels({ widthPx: stride, pixels }: GreyPicture, widthPx: number, heightPx: number, into: Uint8Array) {
  for (let y = 0; y < heightPx; y++)
    for (let x = 0; x < widthPx; x++) {
      const from = 2 * y * stride + 2 * x;
      const upper = (pixels[from] as number) + (pixels[from + 1] as number);
      const lower = (pixels[from + stride] as number) + (pixels[from + stride + 1] as number);
      into[y * widthPx + x] = (upper + lower + pixelsPerMean / 2) >>> 2;
    }
}

/**
 * A picture of half the width and half the height, in memory of its own; each pixel is the mean of four, rounded. An odd
 * last line or column is left out. O(pixels).
 */
export function halveGrey(picture: GreyPicture): GreyPicture {
  const widthPx = picture.widthPx >> 1;
  const heightPx = picture.heightPx >> 1;
  const pixels = new Uint8Array(widthPx * heightPx);
  const words = widthPx % pixelsPerWord === 0 && wordsOf(picture);
  if (words) halveWords(words, picture.widthPx / pixelsPerWord, heightPx, new Int32Array(pixels.buffer));
  else halvePixels(picture, widthPx, heightPx, pixels);
  return { widthPx, heightPx, pixels };
}

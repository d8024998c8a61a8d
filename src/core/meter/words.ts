import type { GreyPicture } from './types';

// Four pixels at once: bytes lie in words as on every machine that runs a browser, lowest first. A word's first and
// third pixel are the low bytes of its halves, its second and fourth those of the word shifted by a byte.

export const pixelsPerWord = 4;
export const lowBytesMask = 0x00ff_00ff;

/** A picture's pixels as words, or null where its lines do not begin at whole ones. */
export function wordsOf({ widthPx, pixels }: GreyPicture): Int32Array | null {
  const isWhole =
    widthPx % pixelsPerWord === 0 && pixels.byteOffset % pixelsPerWord === 0 && pixels.length % pixelsPerWord === 0;
  return isWhole ? new Int32Array(pixels.buffer, pixels.byteOffset, pixels.length / pixelsPerWord) : null;
}

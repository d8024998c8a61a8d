import type { GreyPicture, PictureRegion } from './types';
import { lowBytesMask, pixelsPerWord, wordsOf } from './words';

/** Scales one region of pictures of one size down, by averaging; never up. Made once, used for every frame. */
export interface GreyScaler {
  readonly widthPx: number;
  readonly heightPx: number;
  /** Fills `into` (widthPx · heightPx values) with the region of the picture. O(pixels of the region). */
  readonly scale: (picture: GreyPicture, into: Float32Array) => void;
}

// The loops over pixels stand in functions of their own: what they use is handed to them, because what a closure holds
// is looked up at every step.

/** So many lines of white fit into sixteen bits. */
const mostLines = 257;

/** Lines of pixels as words, from the one that holds the region's first column. */
interface WordLines {
  readonly words: Int32Array;
  readonly perLine: number;
  readonly first: number;
  readonly count: number;
}

/**
 * Adds up lines of pixels from `top` to `bottom`, and then from left to right: `upTo[x]` is the sum of all columns
 * before `x`, so that any run of columns is the difference of two. A word's first and third pixel lie in the halves of
 * one sum, its second and fourth in those of another. Four lines are written out: going around for each takes as long
 * as adding it.
 */
function addWords({ words, perLine, first, count }: WordLines, top: number, bottom: number, upTo: Int32Array): void {
  const m = lowBytesMask;
  let sum = 0;
  for (let x = 0; x < count; x++) {
    let odds = 0;
    let evens = 0;
    let from = top * perLine + first + x;
    let line = top;
    for (; line + 4 <= bottom; line += 4) {
      const a = words[from] as number;
      const b = words[from + perLine] as number;
      const c = words[from + 2 * perLine] as number;
      const d = words[from + 3 * perLine] as number;
      odds += (a & m) + (b & m) + (c & m) + (d & m);
      evens += ((a >>> 8) & m) + ((b >>> 8) & m) + ((c >>> 8) & m) + ((d >>> 8) & m);
      from += 4 * perLine;
    }
    for (; line < bottom; line++) {
      const word = words[from] as number;
      odds += word & m;
      evens += (word >>> 8) & m;
      from += perLine;
    }
    const at = x * pixelsPerWord;
    sum += odds & 0xffff;
    upTo[at + 1] = sum;
    sum += evens & 0xffff;
    upTo[at + 2] = sum;
    sum += odds >>> 16;
    upTo[at + 3] = sum;
    sum += evens >>> 16;
    upTo[at + 4] = sum;
  }
}

/** The same one pixel after another, for pictures whose lines do not begin at whole words. */
function addPixels(
  { widthPx: stride, pixels }: GreyPicture,
  { xPx, widthPx }: PictureRegion,
  top: number,
  bottom: number,
  upTo: Int32Array,
): void {
  let sum = 0;
  for (let x = 0; x < widthPx; x++) {
    const to = bottom * stride + xPx + x;
    for (let from = top * stride + xPx + x; from < to; from += stride) sum += pixels[from] as number;
    upTo[x + 1] = sum;
  }
}

/** Means of runs of columns: from their sums, the first of which begins at `first`. */
function averageRuns(
  upTo: Int32Array,
  first: number,
  columns: Int32Array,
  perColumn: Float64Array,
  perLine: number,
  into: Float32Array,
  intoAt: number,
): void {
  let before = upTo[first] as number;
  for (let column = 0; column < perColumn.length; column++) {
    const sum = upTo[first + (columns[column + 1] as number)] as number;
    into[intoAt + column] = (sum - before) * perLine * (perColumn[column] as number);
    before = sum;
  }
}

/** First source line of each target line, and one past the last. */
function boundsOf(from: number, length: number, count: number): Int32Array {
  return Int32Array.from({ length: count + 1 }, (_, i) => from + Math.round((i * length) / count));
}

/** The largest size within the limits that keeps the region's shape and does not enlarge it. */
export function createGreyScaler(region: PictureRegion, mostWidthPx: number, mostHeightPx: number): GreyScaler {
  const ratio = Math.min(1, mostWidthPx / region.widthPx, mostHeightPx / region.heightPx);
  const widthPx = Math.max(1, Math.round(region.widthPx * ratio));
  const heightPx = Math.max(1, Math.round(region.heightPx * ratio));
  const rows = boundsOf(region.yPx, region.heightPx, heightPx);
  const columns = boundsOf(0, region.widthPx, widthPx);
  const perColumn = Float64Array.from(
    { length: widthPx },
    (_, i) => 1 / ((columns[i + 1] as number) - (columns[i] as number)),
  );
  const firstWord = Math.floor(region.xPx / pixelsPerWord);
  const wordCount = Math.ceil((region.xPx + region.widthPx) / pixelsPerWord) - firstWord;
  const isLow = Math.ceil(region.heightPx / heightPx) <= mostLines;
  const upTo = new Int32Array(wordCount * pixelsPerWord + 1);
  return {
    widthPx,
    heightPx,
    scale: (picture, into) => {
      const words = isLow ? wordsOf(picture) : null;
      const lines = words && { words, perLine: picture.widthPx / pixelsPerWord, first: firstWord, count: wordCount };
      const first = lines ? region.xPx - firstWord * pixelsPerWord : 0;
      for (let row = 0; row < heightPx; row++) {
        const [top, bottom] = [rows[row] as number, rows[row + 1] as number];
        if (lines) addWords(lines, top, bottom, upTo);
        else addPixels(picture, region, top, bottom, upTo);
        averageRuns(upTo, first, columns, perColumn, 1 / (bottom - top), into, row * widthPx);
      }
    },
  };
}

import type { GreyPicture, PictureRegion } from './types';

/** Scales one part of pictures of one size down, by averaging; never up. Made once, used for every frame. */
export interface GreyScaler {
  readonly widthPx: number;
  readonly heightPx: number;
  /** Fills `into` (widthPx · heightPx values) with the part of the picture. O(pixels of the part). */
  readonly scale: (picture: GreyPicture, into: Float32Array) => void;
}

/** First source line of each target line, and one past the last. */
function boundsOf(from: number, length: number, count: number): Int32Array {
  return Int32Array.from({ length: count + 1 }, (_, i) => from + Math.round((i * length) / count));
}

/**
 * Adds up lines of pixels from `top` to `bottom`, column by column, and then from left to right: `upTo[x]` is the sum of
 * all columns before `x`, so that any run of columns is the difference of two.
 */
interface LineAdder {
  readonly upTo: Float64Array;
  /** Where the part's first column lies in `upTo`. */
  readonly first: number;
  readonly begin: (picture: GreyPicture) => void;
  readonly add: (top: number, bottom: number) => void;
}

/** One pixel after another: for pictures whose lines do not begin at whole words. */
function createPixelAdder(left: number, widthPx: number): LineAdder {
  const sums = new Int32Array(widthPx);
  const upTo = new Float64Array(widthPx + 1);
  let stride = 0;
  let pixels: GreyPicture['pixels'] = new Uint8Array(0);
  return {
    upTo,
    first: 0,
    begin: (picture) => {
      stride = picture.widthPx;
      pixels = picture.pixels;
    },
    add: (top, bottom) => {
      sums.fill(0);
      for (let y = top; y < bottom; y++) {
        const from = y * stride + left;
        for (let x = 0; x < widthPx; x++) sums[x] = (sums[x] as number) + (pixels[from + x] as number);
      }
      let sum = 0;
      for (let x = 0; x < widthPx; x++) {
        sum += sums[x] as number;
        upTo[x + 1] = sum;
      }
    },
  };
}

/** Pixels that are added at once: a word's four bytes, as two pairs of sixteen bits each. */
const perWord = 4;
const pairMask = 0x00ff_00ff;
/** So many lines of white fit into sixteen bits. */
const mostLines = 257;

/**
 * Four pixels at once: a word's first and third pixel lie in the halves of one sum, its second and fourth in those of
 * another. Bytes lie in words as on every machine that runs a browser, lowest first.
 */
function createWordAdder(left: number, widthPx: number): LineAdder {
  const firstWord = Math.floor(left / perWord);
  const wordCount = Math.ceil((left + widthPx) / perWord) - firstWord;
  const upTo = new Float64Array(wordCount * perWord + 1);
  let wordsPerLine = 0;
  let words: Int32Array = new Int32Array(0);
  return {
    upTo,
    first: left - firstWord * perWord,
    begin: ({ widthPx: stride, pixels }) => {
      wordsPerLine = stride / perWord;
      words = new Int32Array(pixels.buffer, pixels.byteOffset, pixels.length / perWord);
    },
    add: (top, bottom) => {
      // What a closure shares is looked up at each use; in here it stays.
      const [held, perLine] = [words, wordsPerLine];
      let sum = 0;
      for (let x = 0; x < wordCount; x++) {
        let odds = 0;
        let evens = 0;
        const to = bottom * perLine + firstWord + x;
        for (let from = top * perLine + firstWord + x; from < to; from += perLine) {
          const word = held[from] as number;
          odds += word & pairMask;
          evens += (word >>> 8) & pairMask;
        }
        const at = x * perWord;
        sum += odds & 0xffff;
        upTo[at + 1] = sum;
        sum += evens & 0xffff;
        upTo[at + 2] = sum;
        sum += odds >>> 16;
        upTo[at + 3] = sum;
        sum += evens >>> 16;
        upTo[at + 4] = sum;
      }
    },
  };
}

const hasWholeWords = ({ widthPx, pixels }: GreyPicture): boolean =>
  widthPx % perWord === 0 && pixels.byteOffset % perWord === 0 && pixels.length % perWord === 0;

/** The largest size within the limits that keeps the part's shape and does not enlarge it. */
export function createGreyScaler(region: PictureRegion, mostWidthPx: number, mostHeightPx: number): GreyScaler {
  const ratio = Math.min(1, mostWidthPx / region.widthPx, mostHeightPx / region.heightPx);
  const widthPx = Math.max(1, Math.round(region.widthPx * ratio));
  const heightPx = Math.max(1, Math.round(region.heightPx * ratio));
  const columns = boundsOf(0, region.widthPx, widthPx);
  const rows = boundsOf(region.yPx, region.heightPx, heightPx);
  const pixelAdder = createPixelAdder(region.xPx, region.widthPx);
  const wordAdder =
    Math.ceil(region.heightPx / heightPx) <= mostLines ? createWordAdder(region.xPx, region.widthPx) : null;
  return {
    widthPx,
    heightPx,
    scale: (picture, into) => {
      const adder = wordAdder && hasWholeWords(picture) ? wordAdder : pixelAdder;
      const { upTo, first } = adder;
      adder.begin(picture);
      let at = 0;
      for (let row = 0; row < heightPx; row++) {
        const top = rows[row] as number;
        const bottom = rows[row + 1] as number;
        adder.add(top, bottom);
        const perLine = 1 / (bottom - top);
        let from = 0;
        let before = upTo[first] as number;
        for (let column = 1; column <= widthPx; column++) {
          const to = columns[column] as number;
          const sum = upTo[first + to] as number;
          into[at++] = ((sum - before) * perLine) / (to - from);
          from = to;
          before = sum;
        }
      }
    },
  };
}

import { meanOf } from '../numbers/mean';

/** Size at which pictures are compared: small enough that noise and compression average out. */
export const comparedWidth = 160;
export const comparedHeight = 90;

/** The luma of a picture, area-averaged to the compared size, row by row, in the units of 8 bits. */
export type Luma = Float32Array;

/** Side of the blocks whose means are compared: noise and compression hardly reach them, what moves does. */
const blockPx = 5;

/** Root mean square around the mean: how much there is to be seen, in units of 8 bits. */
export function contrastOf(values: Luma): number {
  const mean = meanOf(values);
  let squares = 0;
  for (const value of values) squares += (value - mean) ** 2;
  return Math.sqrt(squares / values.length);
}

/** The means of all blocks, row by row. */
export function blockMeans(picture: Luma): Luma {
  const [columns, rows] = [comparedWidth / blockPx, comparedHeight / blockPx];
  const means = new Float32Array(columns * rows);
  for (let y = 0; y < comparedHeight; y++)
    for (let x = 0; x < comparedWidth; x++) {
      const at = Math.floor(y / blockPx) * columns + Math.floor(x / blockPx);
      means[at] = (means[at] as number) + (picture[y * comparedWidth + x] as number) / blockPx ** 2;
    }
  return means;
}

/** How one picture follows from another by brightness alone: `b ≈ gain · a + const`, and what is left then. */
export interface PictureFit {
  readonly gain: number;
  /** Difference of the means. */
  readonly offset: number;
  /** 1 where they are the same but for brightness, 0 where they have nothing in common, -1 for a negative. */
  readonly correlation: number;
  /** Root mean square of what the fit leaves, in units of 8 bits. */
  readonly restRms: number;
  /** What all but the worst hundredth of the values stay below: where something moved that elsewhere stood still. */
  readonly worst: number;
}

/** Fits the brightness of `b` to that of `a` by least squares. Both have the same length. O(n log n). */
export function fitPictures(a: Luma, b: Luma): PictureFit {
  const [meanA, meanB] = [meanOf(a), meanOf(b)];
  let [squaresA, squaresB, products] = [0, 0, 0];
  for (let i = 0; i < a.length; i++) {
    const [da, db] = [(a[i] as number) - meanA, (b[i] as number) - meanB];
    squaresA += da * da;
    squaresB += db * db;
    products += da * db;
  }
  const gain = squaresA > 0 ? products / squaresA : 1;
  const rests = new Float32Array(a.length);
  let squares = 0;
  for (let i = 0; i < a.length; i++) {
    const rest = Math.abs((b[i] as number) - meanB - gain * ((a[i] as number) - meanA));
    rests[i] = rest;
    squares += rest * rest;
  }
  rests.sort();
  const both = Math.sqrt(squaresA * squaresB);
  return {
    gain,
    offset: meanB - meanA,
    correlation: both > 0 ? products / both : 1,
    restRms: Math.sqrt(squares / a.length),
    worst: rests[Math.floor(0.99 * (a.length - 1))] as number,
  };
}

/** The picture as a mirror shows it. */
export const mirrored = (picture: Luma): Luma =>
  picture.map((_, at) => picture[at - 2 * (at % comparedWidth) + comparedWidth - 1] as number);

/** The picture upside down. */
export const turned = (picture: Luma): Luma => picture.toReversed();

/** Size at which pictures are compared: small enough that noise and compression average out. */
export const comparedWidth = 160;
export const comparedHeight = 90;

/** The luma of a picture, area-averaged to the compared size, row by row, in the units of 8 bits. */
export type Luma = Float32Array;

const windowPx = 8;
/** Half a window. */
const windowStepPx = 4;
/** Constants of SSIM for values up to 255 (Wang, Bovik, Sheikh, Simoncelli 2004: K1 0.01, K2 0.03). */
const [c1, c2] = [(0.01 * 255) ** 2, (0.03 * 255) ** 2];
/** A picture of less contrast than this, in units of 8 bits, shows nothing that could be told apart from noise. */
const leastContrast = 1.5;
/** The contrast that pictures are brought to before they are compared. */
const sameContrast = 50;

const meanOf = (values: Luma): number => {
  let sum = 0;
  for (const value of values) sum += value;
  return sum / values.length;
};

/** Mean and standard deviation. */
function spreadOf(values: Luma): { readonly mean: number; readonly contrast: number } {
  const mean = meanOf(values);
  let squares = 0;
  for (const value of values) squares += (value - mean) ** 2;
  return { mean, contrast: Math.sqrt(squares / values.length) };
}

/** The same picture with a mean of 128 and a contrast that all pictures have. */
function levelled(picture: Luma): Luma {
  const { mean, contrast } = spreadOf(picture);
  const gain = sameContrast / Math.max(leastContrast, contrast);
  return picture.map((value) => 128 + gain * (value - mean));
}

/** Mean structural similarity of two pictures of the same size over windows of 8 × 8: 1 where they are the same. */
function structuralSimilarity(a: Luma, b: Luma): number {
  let [sum, count] = [0, 0];
  for (let top = 0; top + windowPx <= comparedHeight; top += windowStepPx)
    for (let left = 0; left + windowPx <= comparedWidth; left += windowStepPx) {
      let [sumA, sumB, sumAA, sumBB, sumAB] = [0, 0, 0, 0, 0];
      for (let y = top; y < top + windowPx; y++)
        for (let at = y * comparedWidth + left; at < y * comparedWidth + left + windowPx; at++) {
          const [va, vb] = [a[at] as number, b[at] as number];
          sumA += va;
          sumB += vb;
          sumAA += va * va;
          sumBB += vb * vb;
          sumAB += va * vb;
        }
      const n = windowPx * windowPx;
      const [meanA, meanB] = [sumA / n, sumB / n];
      const [varA, varB, cov] = [sumAA / n - meanA * meanA, sumBB / n - meanB * meanB, sumAB / n - meanA * meanB];
      sum += ((2 * meanA * meanB + c1) * (2 * cov + c2)) / ((meanA * meanA + meanB * meanB + c1) * (varA + varB + c2));
      count++;
    }
  return sum / count;
}

/** How alike two pictures are once their means and contrasts are the same: 1 where they are the same picture. */
export const similarityOf = (a: Luma, b: Luma): number => structuralSimilarity(levelled(a), levelled(b));

/** How one picture is best told from another: `b ≈ gain · a + offset`, and what is left then. */
export interface PictureFit {
  readonly gain: number;
  /** The difference of the two at the first one's mean. */
  readonly offset: number;
  /** Root mean square of what the fit leaves, in units of 8 bits. */
  readonly restRms: number;
  /** The same of the worst fiftieth of all windows: where something moved that elsewhere stood still. */
  readonly worstRms: number;
}

/** Fits the brightness of `b` to that of `a` by least squares. */
export function fitPictures(a: Luma, b: Luma): PictureFit {
  const [meanA, meanB] = [meanOf(a), meanOf(b)];
  let [squares, products] = [0, 0];
  for (let i = 0; i < a.length; i++) {
    const da = (a[i] as number) - meanA;
    squares += da * da;
    products += da * ((b[i] as number) - meanB);
  }
  const gain = squares > 0 ? products / squares : 1;
  const errors: number[] = [];
  let total = 0;
  for (let top = 0; top + windowPx <= comparedHeight; top += windowPx)
    for (let left = 0; left + windowPx <= comparedWidth; left += windowPx) {
      let error = 0;
      for (let y = top; y < top + windowPx; y++)
        for (let at = y * comparedWidth + left; at < y * comparedWidth + left + windowPx; at++)
          error += ((b[at] as number) - meanB - gain * ((a[at] as number) - meanA)) ** 2;
      errors.push(error / windowPx ** 2);
      total += error / windowPx ** 2;
    }
  errors.sort((x, y) => y - x);
  const worst = errors.slice(0, Math.max(1, Math.round(errors.length / 50)));
  return {
    gain,
    offset: meanB - meanA,
    restRms: Math.sqrt(total / errors.length),
    worstRms: Math.sqrt(worst.reduce((sum, error) => sum + error, 0) / worst.length),
  };
}

/** The picture as a mirror shows it. */
export const mirrored = (picture: Luma): Luma =>
  picture.map((_, at) => picture[at - 2 * (at % comparedWidth) + comparedWidth - 1] as number);

/** The picture upside down. */
export const turned = (picture: Luma): Luma => picture.toReversed();

import type { GreyPicture, PictureRegion } from './types';

/** Scales one part of pictures of one size down, by averaging; never up. Made once, used for every frame. */
export interface GreyScaler {
  readonly widthPx: number;
  readonly heightPx: number;
  /** Fills `into` (widthPx · heightPx values) with the part of the picture. O(pixels of the part); allocates nothing. */
  readonly scale: (picture: GreyPicture, into: Float32Array) => void;
}

/** First source line of each target line, and one past the last. */
function boundsOf(from: number, length: number, count: number): Int32Array {
  return Int32Array.from({ length: count + 1 }, (_, i) => from + Math.round((i * length) / count));
}

/** The largest size within the limits that keeps the part's shape and does not enlarge it. */
export function createGreyScaler(region: PictureRegion, mostWidthPx: number, mostHeightPx: number): GreyScaler {
  const ratio = Math.min(1, mostWidthPx / region.widthPx, mostHeightPx / region.heightPx);
  const widthPx = Math.max(1, Math.round(region.widthPx * ratio));
  const heightPx = Math.max(1, Math.round(region.heightPx * ratio));
  const columns = boundsOf(region.xPx, region.widthPx, widthPx);
  const rows = boundsOf(region.yPx, region.heightPx, heightPx);
  const left = columns[0] as number;
  const lineWidthPx = (columns[widthPx] as number) - left;
  /** Lines added up before they are added across: two plain loops are quicker than one that does both. */
  const line = new Int32Array(lineWidthPx);
  return {
    widthPx,
    heightPx,
    scale: ({ widthPx: stride, pixels }, into) => {
      for (let row = 0; row < heightPx; row++) {
        const top = rows[row] as number;
        const bottom = rows[row + 1] as number;
        let from = top * stride + left;
        for (let x = 0; x < lineWidthPx; x++) line[x] = pixels[from + x] as number;
        for (let y = top + 1; y < bottom; y++) {
          from += stride;
          for (let x = 0; x < lineWidthPx; x++) line[x] = (line[x] as number) + (pixels[from + x] as number);
        }
        let x = 0;
        for (let column = 0; column < widthPx; column++) {
          const start = x;
          const end = (columns[column + 1] as number) - left;
          let sum = 0;
          while (x < end) sum += line[x++] as number;
          into[row * widthPx + column] = sum / ((bottom - top) * (end - start));
        }
      }
    },
  };
}

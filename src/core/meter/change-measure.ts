import { createGreyScaler, type GreyScaler } from './scale-grey';
import type { GreyPicture, PictureRegion } from './types';

/** The part of the picture is compared at this size at most: averaging takes away most of a recorder's own noise. */
const mostWidthPx = 160;
const mostHeightPx = 90;
/** Blocks of so many pixels a side, at that size. */
const blockPx = 5;
/** The share of blocks that change most: a talking head moves no more of the picture. */
const strongestRatio = 0.05;

/** How far each frame differs from the one before it, as one number a frame; keeps two small pictures and no more. */
export class ChangeMeasure {
  private readonly scaler: GreyScaler;
  private readonly columnCount: number;
  private readonly rowCount: number;
  private before: Float32Array;
  private now: Float32Array;
  private readonly blocks: Float32Array;
  private readonly strongestCount: number;
  private isFirst = true;

  constructor(region: PictureRegion) {
    this.scaler = createGreyScaler(region, mostWidthPx, mostHeightPx);
    this.columnCount = Math.max(1, Math.floor(this.scaler.widthPx / blockPx));
    this.rowCount = Math.max(1, Math.floor(this.scaler.heightPx / blockPx));
    this.before = new Float32Array(this.scaler.widthPx * this.scaler.heightPx);
    this.now = new Float32Array(this.scaler.widthPx * this.scaler.heightPx);
    this.blocks = new Float32Array(this.columnCount * this.rowCount);
    this.strongestCount = Math.max(1, Math.ceil(this.blocks.length * strongestRatio));
  }

  /**
   * Mean change, in grey levels, of the blocks that changed most since the frame before; 0 for the first frame. A
   * block's change is that of its mean: what a recorder re-draws within a block cancels out, what moves does not.
   */
  next(picture: GreyPicture): number {
    [this.before, this.now] = [this.now, this.before];
    this.scaler.scale(picture, this.now);
    if (this.isFirst) {
      this.isFirst = false;
      return 0;
    }
    const { before, now, blocks, columnCount, rowCount } = this;
    const stride = this.scaler.widthPx;
    const width = Math.min(blockPx, stride);
    const height = Math.min(blockPx, this.scaler.heightPx);
    for (let row = 0; row < rowCount; row++)
      for (let column = 0; column < columnCount; column++) {
        let sum = 0;
        for (let y = row * blockPx; y < row * blockPx + height; y++) {
          const from = y * stride + column * blockPx;
          for (let at = from; at < from + width; at++) sum += (now[at] as number) - (before[at] as number);
        }
        blocks[row * columnCount + column] = Math.abs(sum) / (width * height);
      }
    blocks.sort();
    let strongest = 0;
    for (let k = blocks.length - this.strongestCount; k < blocks.length; k++) strongest += blocks[k] as number;
    return strongest / this.strongestCount;
  }
}

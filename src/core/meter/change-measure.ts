import { createGreyScaler, type GreyScaler } from './scale-grey';
import type { GreyPicture, PictureRegion } from './types';

/** The region is compared as so many blocks at most: averaging takes away most of a recorder's own noise. */
const mostColumns = 32;
const mostRows = 18;
/** No block is smaller than this many pixels a side: of a region that is itself small, fewer are compared. */
const leastBlockPx = 5;
/** The share of blocks that change most: a talking head moves no more of the picture. */
const strongestRatio = 0.05;

/** How far each frame differs from the one before it, as one number a frame; keeps the blocks of two frames and no picture. */
export class ChangeMeasure {
  private readonly scaler: GreyScaler;
  private before: Float32Array;
  private now: Float32Array;
  private readonly changes: Float32Array;
  private readonly strongestCount: number;
  private isFirst = true;

  /** `enlarged` says how much larger these pictures are than those that the least size of a block is meant for. */
  constructor(region: PictureRegion, enlarged = 1) {
    const leastPx = leastBlockPx * enlarged;
    this.scaler = createGreyScaler(
      region,
      Math.max(1, Math.min(mostColumns, Math.floor(region.widthPx / leastPx))),
      Math.max(1, Math.min(mostRows, Math.floor(region.heightPx / leastPx))),
    );
    const count = this.scaler.widthPx * this.scaler.heightPx;
    this.before = new Float32Array(count);
    this.now = new Float32Array(count);
    this.changes = new Float32Array(count);
    this.strongestCount = Math.max(1, Math.ceil(count * strongestRatio));
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
    const { before, now, changes } = this;
    for (let i = 0; i < changes.length; i++) changes[i] = Math.abs((now[i] as number) - (before[i] as number));
    changes.sort();
    let strongest = 0;
    for (let k = changes.length - this.strongestCount; k < changes.length; k++) strongest += changes[k] as number;
    return strongest / this.strongestCount;
  }
}

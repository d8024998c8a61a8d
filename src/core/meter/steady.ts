import { percentileOfSorted } from '../numbers/percentile';
import { solveSymmetric } from '../numbers/solve';
import { halveGrey } from './halve-grey';
import type { GreyPicture, PictureRegion } from './types';

/** Frames are laid over each other in pictures of this width at most: a hundredth of a pixel is told all the same. */
const mostWidthPx = 320;
/** An anchor serves for so many frames: the light in a room, and what a camera makes of it, changes slowly. */
const anchorFrames = 120;
/** So many pixels with the steepest steps are compared; flat ones tell nothing of movement. */
const mostPoints = 4000;
const mostRounds = 8;
/** With fewer of them in sight, the camera looks at something else. */
const leastSeenRatio = 0.5;
/** In pixels of the small picture: less than any block shows. */
const settledPx = 0.002;
/** Pixels that differ by more than so many usual differences do so for another reason than the hand (Tukey's weights). */
const outlierFactor = 4.7;
/** The usual difference, from the one below which three in ten of every few lie; in grey levels, at least the least. */
const usual = { everyPoints: 4, ratio: 0.3, factor: 2.6, least: 0.8 } as const;
/** What stands still is learned by blocks of so many pixels a side, over about so many frames. */
const blockPx = 8;
const learningFrames = 40;
/** Before anything is learned: what lies inside of the picture's border more likely plays. */
const inner = { weight: 0.3, borderRatio: 0.18 } as const;

/** Displacement along x and along y, each by a constant and what it grows by from the middle to the right, and down. */
const movementLength = 6;

/** The pixels of a small picture that are compared, one value each in every list. */
interface Points {
  readonly count: number;
  readonly x: Float32Array;
  readonly y: Float32Array;
  /** From -1 to 1, from the left to the right and from the top to the bottom. */
  readonly across: Float32Array;
  readonly down: Float32Array;
  readonly block: Int32Array;
  readonly level: Float32Array;
  /** How much the level rises by a pixel to the right, and down. */
  readonly rightward: Float32Array;
  readonly downward: Float32Array;
}

/** Halved until it is small; in memory of its own. */
function smallOf(picture: GreyPicture): GreyPicture {
  let small = picture;
  while (small.widthPx > mostWidthPx) small = halveGrey(small);
  return small === picture ? { ...picture, pixels: picture.pixels.slice() } : small;
}

/** The level between four pixels, or NaN beyond the picture. */
function levelAt({ widthPx, heightPx, pixels }: GreyPicture, x: number, y: number): number {
  const left = Math.floor(x);
  const top = Math.floor(y);
  if (!(left >= 0 && top >= 0 && left < widthPx - 1 && top < heightPx - 1)) return Number.NaN;
  const at = top * widthPx + left;
  const fx = x - left;
  const a = pixels[at] as number;
  const c = pixels[at + widthPx] as number;
  const upper = a + ((pixels[at + 1] as number) - a) * fx;
  const lower = c + ((pixels[at + widthPx + 1] as number) - c) * fx;
  return upper + (lower - upper) * (y - top);
}

/**
 * Lays the frames of a filmed screen over the first, as far as the hand that held the camera moved them: shifted, turned,
 * nearer or leaning. What most of the picture's border does is taken for the hand's; what plays inside moves otherwise, and
 * is left as it is.
 */
export class Steadier {
  private readonly movement = new Float64Array(movementLength);
  private points: Points | null = null;
  private anchorAge = 0;
  /** How far each block differs from where it should be, squared, over the last frames. */
  private restless: Float32Array | null = null;
  private differences = new Float32Array(0);
  private steadied: GreyPicture | null = null;

  /**
   * Takes the next frame, of the same size each, and gives it back where it would have been; only `within` a region of it,
   * where one is given. What is given back is written over by the next. O(pixels).
   */
  next(picture: GreyPicture, within: PictureRegion | null = null): GreyPicture {
    if (!this.steadied) {
      this.steadied = { ...picture, pixels: picture.pixels.slice() };
      this.anchor(this.steadied);
      return this.steadied;
    }
    const small = smallOf(picture);
    const isAnchorDue = !this.follow(small) || ++this.anchorAge >= anchorFrames;
    const all = { xPx: 0, yPx: 0, widthPx: picture.widthPx, heightPx: picture.heightPx };
    const ratio = picture.widthPx / small.widthPx;
    moveBack(
      picture,
      this.movement.map((coefficient) => coefficient * ratio),
      isAnchorDue || !within ? all : within,
      this.steadied.pixels,
    );
    if (isAnchorDue) this.anchor(this.steadied);
    return this.steadied;
  }

  /** From here on, frames are laid over this one, which is steadied. */
  private anchor(steadied: GreyPicture): void {
    const small = smallOf(steadied);
    this.points = listPoints(small);
    this.restless ??= new Float32Array(blocksAcross(small) * Math.ceil(small.heightPx / blockPx));
    this.differences = new Float32Array(this.points.count);
    this.anchorAge = 0;
  }

  /**
   * Moves on from where the frame before lay until the points lie over the anchor's (Gauss and Newton). False where they
   * cannot: the camera has turned to something else.
   */
  private follow(small: GreyPicture): boolean {
    const { points, restless, movement, differences } = this;
    if (!points || !restless) return false;
    const tried = movement.slice();
    for (let round = 0; round < mostRounds; round++) {
      compare(small, points, tried, differences);
      const step = stepOf(points, differences, restless);
      if (!step) return false;
      for (let k = 0; k < movementLength; k++) tried[k] = (tried[k] as number) + (step[k] as number);
      if (step.every((coefficient) => Math.abs(coefficient) < settledPx)) break;
    }
    compare(small, points, tried, differences);
    const seenCount = differences.reduce((count, difference) => count + (Number.isNaN(difference) ? 0 : 1), 0);
    if (seenCount < leastSeenRatio * points.count) return false;
    movement.set(tried);
    learn(points, differences, restless);
    return true;
  }
}

const blocksAcross = ({ widthPx }: GreyPicture): number => Math.ceil(widthPx / blockPx);

/** The pixels with the steepest steps, borders aside. O(pixels · log pixels). */
function listPoints(small: GreyPicture): Points {
  const { widthPx, heightPx, pixels } = small;
  const steps = new Float32Array(widthPx * heightPx);
  const rightwardAt = (at: number): number => ((pixels[at + 1] as number) - (pixels[at - 1] as number)) / 2;
  const downwardAt = (at: number): number => ((pixels[at + widthPx] as number) - (pixels[at - widthPx] as number)) / 2;
  for (let y = 2; y < heightPx - 2; y++)
    for (let x = 2; x < widthPx - 2; x++) {
      const at = y * widthPx + x;
      steps[at] = rightwardAt(at) ** 2 + downwardAt(at) ** 2;
    }
  const sorted = steps.slice().sort();
  const least = Math.max(1, sorted[Math.max(0, sorted.length - mostPoints)] as number);
  const places: number[] = [];
  for (let at = 0; at < steps.length; at++) if ((steps[at] as number) >= least) places.push(at);
  const xOf = (at: number): number => at % widthPx;
  const yOf = (at: number): number => Math.floor(at / widthPx);
  const gather = (pick: (at: number) => number): Float32Array => Float32Array.from(places, pick);
  return {
    count: places.length,
    x: gather(xOf),
    y: gather(yOf),
    across: gather((at) => (2 * (xOf(at) + 0.5)) / widthPx - 1),
    down: gather((at) => (2 * (yOf(at) + 0.5)) / heightPx - 1),
    block: Int32Array.from(
      places,
      (at) => Math.floor(yOf(at) / blockPx) * blocksAcross(small) + Math.floor(xOf(at) / blockPx),
    ),
    level: gather((at) => pixels[at] as number),
    rightward: gather(rightwardAt),
    downward: gather(downwardAt),
  };
}

type AffineCoefficients = readonly [number, number, number, number, number, number];
const coefficientsOf = (movement: Float64Array): AffineCoefficients => {
  const [x0 = 0, x1 = 0, x2 = 0, y0 = 0, y1 = 0, y2 = 0] = movement;
  return [x0, x1, x2, y0, y1, y2];
};

/** By how much each point of the moved frame differs from the anchor's; NaN where it lies beyond the frame. */
function compare(small: GreyPicture, points: Points, movement: Float64Array, into: Float32Array): void {
  const [x0, x1, x2, y0, y1, y2] = coefficientsOf(movement);
  for (let i = 0; i < points.count; i++) {
    const across = points.across[i] as number;
    const down = points.down[i] as number;
    const x = (points.x[i] as number) + x0 + x1 * across + x2 * down;
    const y = (points.y[i] as number) + y0 + y1 * across + y2 * down;
    into[i] = levelAt(small, x, y) - (points.level[i] as number);
  }
}

function usualOf(differences: Float32Array): number {
  const sizes = differences
    .filter((difference, i) => i % usual.everyPoints === 0 && !Number.isNaN(difference))
    .map(Math.abs)
    .sort();
  return sizes.length === 0
    ? usual.least
    : Math.max(usual.least, usual.factor * percentileOfSorted(sizes, usual.ratio));
}

/** What lessens the differences most, or null where the points do not tell. */
function stepOf(points: Points, differences: Float32Array, restless: Float32Array): Float64Array | null {
  const spread = usualOf(differences);
  const limit = outlierFactor * spread;
  const normal = new Float64Array(movementLength ** 2);
  const step = new Float64Array(movementLength);
  const slopes = new Float64Array(movementLength);
  for (let i = 0; i < points.count; i++) {
    const difference = differences[i] as number;
    if (!(Math.abs(difference) < limit)) continue;
    const across = points.across[i] as number;
    const down = points.down[i] as number;
    const isInner = Math.max(Math.abs(across), Math.abs(down)) < 1 - 2 * inner.borderRatio;
    const weight =
      ((isInner ? inner.weight : 1) * (1 - (difference / limit) ** 2) ** 2) /
      (1 + (restless[points.block[i] as number] as number) / spread ** 2);
    const rightward = points.rightward[i] as number;
    const downward = points.downward[i] as number;
    slopes[0] = rightward;
    slopes[1] = rightward * across;
    slopes[2] = rightward * down;
    slopes[3] = downward;
    slopes[4] = downward * across;
    slopes[5] = downward * down;
    for (let row = 0; row < movementLength; row++) {
      const weighted = weight * (slopes[row] as number);
      step[row] = (step[row] as number) - weighted * difference;
      for (let column = 0; column <= row; column++)
        normal[row * movementLength + column] =
          (normal[row * movementLength + column] as number) + weighted * (slopes[column] as number);
    }
  }
  return solveSymmetric(normal, step) ? step : null;
}

/** Blocks whose points differ although the frame lies over the anchor are those that play. */
function learn(points: Points, differences: Float32Array, restless: Float32Array): void {
  const sums = new Float32Array(restless.length);
  const counts = new Float32Array(restless.length);
  for (let i = 0; i < points.count; i++) {
    const difference = differences[i] as number;
    if (Number.isNaN(difference)) continue;
    const block = points.block[i] as number;
    sums[block] = (sums[block] as number) + difference ** 2;
    counts[block] = (counts[block] as number) + 1;
  }
  for (let block = 0; block < restless.length; block++) {
    if (!counts[block]) continue;
    const newest = (sums[block] as number) / (counts[block] as number);
    restless[block] = (restless[block] as number) + (newest - (restless[block] as number)) / learningFrames;
  }
}

/** Sixteen bits behind the point: places of pixels in whole numbers, which are quicker. */
const whole = 65_536;

/** Writes a region of the picture into `into`, moved back; what lies beyond the picture's borders stays as it was there. */
function moveBack(
  { widthPx, heightPx, pixels }: GreyPicture,
  movement: Float64Array,
  region: PictureRegion,
  into: Uint8Array,
): void {
  const [x0, x1, x2, y0, y1, y2] = coefficientsOf(movement);
  const xStep = Math.round(whole * (1 + (2 * x1) / widthPx));
  const yStep = Math.round((whole * (2 * y1)) / widthPx);
  const mostX = (widthPx - 1) * whole;
  const mostY = (heightPx - 1) * whole;
  const across = (2 * (region.xPx + 0.5)) / widthPx - 1;
  for (let line = region.yPx; line < region.yPx + region.heightPx; line++) {
    const down = (2 * (line + 0.5)) / heightPx - 1;
    let x = Math.round(whole * (region.xPx + x0 + x1 * across + x2 * down));
    let y = Math.round(whole * (line + y0 + y1 * across + y2 * down));
    const first = line * widthPx + region.xPx;
    for (let at = first; at < first + region.widthPx; at++, x += xStep, y += yStep) {
      if (x < 0 || y < 0 || x >= mostX || y >= mostY) continue;
      const from = (y >> 16) * widthPx + (x >> 16);
      const fx = (x >> 8) & 0xff;
      const fy = (y >> 8) & 0xff;
      const upper = (pixels[from] as number) * (256 - fx) + (pixels[from + 1] as number) * fx;
      const lower = (pixels[from + widthPx] as number) * (256 - fx) + (pixels[from + widthPx + 1] as number) * fx;
      into[at] = (upper * (256 - fy) + lower * fy + whole / 2) >> 16;
    }
  }
}

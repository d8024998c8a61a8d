import { percentileOfSorted } from '../numbers/percentile';
import { type Box, filmedEdge, grownToEdges, type Levels, sharpEdge } from './picture-edges';
import { createGreyScaler, type GreyScaler } from './scale-grey';
import type { GreyPicture, PictureRegion } from './types';

/** Edges are looked for in a window of this size at most. */
const mostWidthPx = 320;
const mostHeightPx = 180;
/** For this long, movement is looked for. */
export const findingMs = 3000;
/** Movement is looked for in a window this much smaller again: a recorder's noise, and what it costs to look, are a quarter. */
const coarseRatio = 2;
/** Blocks of so many pixels a side, at that size; and at the size of the edges. */
const blockPx = 2;
const blockEdgePx = blockPx * coarseRatio;
/**
 * A block has changed when its pixels differ by this many grey levels on average, and by so many times what half of the
 * blocks do in half of the pairs: of a screen that a camera has filmed, all is noise. More than the most is movement.
 */
const changed = { leastLevels: 1.2, noiseFactor: 3, mostLevels: 4 } as const;
/** Half of a recorded window changes by nothing at all, of 24 filmed ones by 0.16 levels or more. */
const leastCameraNoise = 0.08;
/** Blocks that change this much oftener when many do than when few do belong to the picture. */
const leastLift = 0.25;
/** So many pairs of frames, or this share, may change more than any picture does: a recorder writes all anew. */
const rewritten = { count: 2, ratio: 0.02 } as const;
/**
 * Where nothing is found from frame to frame, frames so far apart are compared: somebody who speaks moves too little
 * from one picture to the next at a high rate.
 */
const slowMs = 125;
/** So many such pairs have to show movement: a recorder that writes a still picture anew does so once or twice. */
const leastSlowPairs = 5;
/** A region smaller than this share of the window is a clock, a cursor or a meter. */
const leastAreaRatio = 0.004;
/** Nor does a picture move in less than this share of the window; a clock does. */
const leastMovingRatio = 0.006;
/** A line at a side of a group that holds less than this share of what its full lines do is not the picture's. */
const leastLineRatio = 0.15;
/** Pictures are from upright to very wide, and nobody watches one this small; a clock or a cursor is neither. */
const shape = { leastAspect: 0.4, mostAspect: 4, leastAreaRatio: 0.04 } as const;
/** Edges are looked for in pictures so far apart: in one alone, a picture that has faded has none against a dark window. */
const edgesMs = 250;
/**
 * A filmed screen's frames never lie quite over each other: what a block's levels rise by from one pixel to the next, times
 * this, is no movement. Blocks of the picture then lie scattered, and so do a few others, so that the picture is where they
 * are dense.
 */
const filmed = { loosenessPx: 0.15, leastDensity: 0.2 } as const;

/** How far each block changed in each pair of frames, for all blocks; beside these it keeps one small picture every quarter of a second. */
export class RegionFinder {
  private readonly fine: GreyScaler;
  private readonly coarse: GreyScaler;
  private readonly ratio: number;
  private readonly columnCount: number;
  private readonly rowCount: number;
  /** Coarse pictures: the one before, the newest, and one that is held for a while. */
  private before: Float32Array;
  private now: Float32Array;
  private readonly held: Float32Array;
  private heldAtMs = Number.NEGATIVE_INFINITY;
  private readonly edges: Levels[] = [];
  private edgesAtMs = Number.NEGATIVE_INFINITY;
  private isFirst = true;
  /** The changes of all blocks for each pair of frames: of frames that follow each other, and of some that lie further apart. */
  private readonly changes: Float32Array[] = [];
  private readonly slowChanges: Float32Array[] = [];
  /** What half of the blocks change by at most in each pair that follow each other, in grey levels: told as they come. */
  private readonly usualChanges: number[] = [];

  constructor(
    private readonly widthPx: number,
    private readonly heightPx: number,
    private readonly isFilmed = false,
  ) {
    const window = { xPx: 0, yPx: 0, widthPx, heightPx };
    this.fine = createGreyScaler(window, mostWidthPx, mostHeightPx);
    this.coarse = createGreyScaler(window, this.fine.widthPx / coarseRatio, this.fine.heightPx / coarseRatio);
    this.ratio = widthPx / this.fine.widthPx;
    this.columnCount = Math.max(1, Math.floor(this.coarse.widthPx / blockPx));
    this.rowCount = Math.max(1, Math.floor(this.coarse.heightPx / blockPx));
    const count = this.coarse.widthPx * this.coarse.heightPx;
    this.before = new Float32Array(count);
    this.now = new Float32Array(count);
    this.held = new Float32Array(count);
  }

  /** Takes one frame of the window; times rise. */
  add(picture: GreyPicture, atMs: number): void {
    [this.before, this.now] = [this.now, this.before];
    this.coarse.scale(picture, this.now);
    if (!this.isFirst) {
      const blocks = this.changesSince(this.before);
      this.changes.push(blocks);
      this.usualChanges.push(percentileOfSorted(blocks.slice().sort(), 0.5));
    }
    if (atMs - this.edgesAtMs >= edgesMs) {
      this.addEdges(picture);
      this.edgesAtMs = atMs;
    }
    if (atMs - this.heldAtMs >= slowMs) {
      if (!this.isFirst) this.slowChanges.push(this.changesSince(this.held));
      this.held.set(this.now);
      this.heldAtMs = atMs;
    }
    this.isFirst = false;
  }

  private addEdges(picture: GreyPicture): void {
    const { widthPx, heightPx } = this.fine;
    const levels = new Float32Array(widthPx * heightPx);
    this.fine.scale(picture, levels);
    this.edges.push({ widthPx, heightPx, levels });
  }

  /** By how many grey levels the blocks of the newest frame differ from those of an earlier one, on average. */
  private changesSince(before: Float32Array): Float32Array {
    const { now, columnCount, rowCount } = this;
    const stride = this.coarse.widthPx;
    const changes = new Float32Array(columnCount * rowCount);
    for (let row = 0; row < rowCount; row++)
      for (let column = 0; column < columnCount; column++) {
        let sum = 0;
        let at = row * blockPx * stride + column * blockPx;
        // The two pixels of a block's line (blockPx) are written out: a loop takes longer.
        for (let line = 0; line < blockPx; line++, at += stride)
          sum +=
            Math.abs((now[at] as number) - (before[at] as number)) +
            Math.abs((now[at + 1] as number) - (before[at + 1] as number));
        changes[row * columnCount + column] = sum / (blockPx * blockPx);
      }
    return changes;
  }

  /**
   * Whether half of the window differs from frame to frame even in the quietest tenth: of a recorded window nothing does,
   * unless the picture fills it and plays nearly as often as it is recorded; of a filmed one, all is a camera's noise.
   */
  get isNeverStill(): boolean {
    return noiseOf(this.usualChanges, 0.1) > leastCameraNoise;
  }

  /** The region of the window whose blocks change together, or null where nothing does. */
  find(): PictureRegion | null {
    const { leastLevels, noiseFactor, mostLevels } = changed;
    const noisy = Math.min(mostLevels, Math.max(leastLevels, noiseFactor * noiseOf(this.usualChanges, 0.5)));
    // What all of a window does is no noise where the picture fills it.
    return this.findOver(noisy) ?? (noisy > leastLevels ? this.findOver(leastLevels) : null);
  }

  private findOver(limit: number): PictureRegion | null {
    const limits = this.limitsFrom(limit);
    return (
      this.findIn(flagsOver(limits, this.changes), 1) ??
      this.findIn(flagsOver(limits, this.slowChanges), leastSlowPairs)
    );
  }

  /** What each block has to change by: the least, and in a filmed screen more where it is steep. */
  private limitsFrom(least: number): Float32Array {
    const { now, columnCount, rowCount } = this;
    const limits = new Float32Array(columnCount * rowCount).fill(least);
    if (!this.isFilmed) return limits;
    const { widthPx: stride, heightPx } = this.coarse;
    const levelAt = (x: number, y: number): number =>
      now[Math.max(0, Math.min(heightPx - 1, y)) * stride + Math.max(0, Math.min(stride - 1, x))] as number;
    return limits.map((limit, block) => {
      const left = (block % columnCount) * blockPx;
      const top = Math.floor(block / columnCount) * blockPx;
      let rise = 0;
      for (let y = top; y < top + blockPx; y++)
        for (let x = left; x < left + blockPx; x++)
          rise += Math.hypot(levelAt(x + 1, y) - levelAt(x - 1, y), levelAt(x, y + 1) - levelAt(x, y - 1)) / 2;
      return Math.max(limit, (filmed.loosenessPx * rise) / (blockPx * blockPx));
    });
  }

  private findIn(changed: readonly Uint8Array[], leastPairs: number): PictureRegion | null {
    const belongs = this.listBelonging(changed, leastPairs);
    const box = belongs && (this.isFilmed ? this.densestBox(belongs) : this.largestGroup(belongs));
    if (!box) return null;
    const [first, ...others] = this.edges;
    if (!first) return null;
    const grown = grownToEdges(box, [first, ...others], this.isFilmed ? filmedEdge : sharpEdge, blockEdgePx);
    const { ratio } = this;
    const xPx = Math.round(grown.left * ratio);
    const yPx = Math.round(grown.top * ratio);
    const widthPx = Math.min(this.widthPx, Math.round(grown.right * ratio)) - xPx;
    const heightPx = Math.min(this.heightPx, Math.round(grown.bottom * ratio)) - yPx;
    const aspect = widthPx / Math.max(1, heightPx);
    const areaRatio = (widthPx * heightPx) / (this.widthPx * this.heightPx);
    const isPicture = aspect >= shape.leastAspect && aspect <= shape.mostAspect && areaRatio >= shape.leastAreaRatio;
    return isPicture ? { xPx, yPx, widthPx, heightPx } : null;
  }

  /** Blocks that change when many do, and not as often when few do: a clock, a cursor or a playhead changes alone. */
  private listBelonging(changed: readonly Uint8Array[], leastPairs: number): Uint8Array | null {
    const counts = changed.map((flags) => flags.reduce((sum, flag) => sum + flag, 0));
    const most =
      [...counts].sort((a, b) => b - a)[Math.max(rewritten.count, Math.floor(counts.length * rewritten.ratio))] ?? 0;
    const blockCount = this.columnCount * this.rowCount;
    if (most < leastAreaRatio * blockCount) return null;
    const together = new Float32Array(blockCount);
    const alone = new Float32Array(blockCount);
    let togetherCount = 0;
    let aloneCount = 0;
    for (const [k, flags] of changed.entries()) {
      const isTogether = (counts[k] as number) > most * 0.25;
      if (isTogether) togetherCount++;
      else aloneCount++;
      const into = isTogether ? together : alone;
      for (let i = 0; i < blockCount; i++) into[i] = (into[i] as number) + (flags[i] as number);
    }
    if (togetherCount < leastPairs) return null;
    return Uint8Array.from({ length: blockCount }, (_, i) => {
      const lift = (together[i] as number) / togetherCount - (aloneCount > 2 ? (alone[i] as number) / aloneCount : 0);
      return lift >= leastLift ? 1 : 0;
    });
  }

  /** The box that holds the most blocks over the least density; in scaled pixels. O(rows² · columns). */
  private densestBox(belongs: Uint8Array): Box | null {
    const { columnCount, rowCount } = this;
    let most = leastMovingRatio * belongs.length;
    let densest: Box | null = null;
    for (let top = 0; top < rowCount; top++) {
      const surplus = new Float32Array(columnCount);
      for (let bottom = top; bottom < rowCount; bottom++) {
        for (let column = 0; column < columnCount; column++)
          surplus[column] =
            (surplus[column] as number) + (belongs[bottom * columnCount + column] as number) - filmed.leastDensity;
        const run = richestRun(surplus);
        if (run.sum <= most) continue;
        most = run.sum;
        densest = {
          left: run.from * blockEdgePx,
          top: top * blockEdgePx,
          right: run.to * blockEdgePx,
          bottom: (bottom + 1) * blockEdgePx,
        };
      }
    }
    return densest;
  }

  /** The box around the largest group of blocks that hang together, gaps of two blocks included; in scaled pixels. */
  private largestGroup(belongs: Uint8Array): Box | null {
    const { columnCount, rowCount } = this;
    const seen = new Uint8Array(belongs.length);
    let best: readonly number[] = [];
    for (let start = 0; start < belongs.length; start++) {
      if (!belongs[start] || seen[start]) continue;
      const group = [start];
      seen[start] = 1;
      // Those found are looked around from in turn, so that the group grows while it is gone through.
      for (const at of group) {
        const [column, row] = [at % columnCount, Math.floor(at / columnCount)];
        for (let y = Math.max(0, row - 3); y <= Math.min(rowCount - 1, row + 3); y++)
          for (let x = Math.max(0, column - 3); x <= Math.min(columnCount - 1, column + 3); x++) {
            const next = y * columnCount + x;
            if (belongs[next] && !seen[next]) {
              seen[next] = 1;
              group.push(next);
            }
          }
      }
      if (group.length > best.length) best = group;
    }
    if (best.length === 0) return null;
    const [left, right] = trimmed(best.map((at) => at % columnCount));
    const [top, bottom] = trimmed(best.map((at) => Math.floor(at / columnCount)));
    if ((right - left) * (bottom - top) < leastMovingRatio * belongs.length) return null;
    return {
      left: left * blockEdgePx,
      top: top * blockEdgePx,
      right: right * blockEdgePx,
      bottom: bottom * blockEdgePx,
    };
  }
}

/** The neighbours whose sum is largest, the last left out, and that sum. */
function richestRun(values: Float32Array): { readonly from: number; readonly to: number; readonly sum: number } {
  let best = { from: 0, to: 0, sum: 0 };
  let from = 0;
  let sum = 0;
  for (let k = 0; k < values.length; k++) {
    if (sum <= 0) {
      from = k;
      sum = 0;
    }
    sum += values[k] as number;
    if (sum > best.sum) best = { from, to: k + 1, sum };
  }
  return best;
}

/** What half of the blocks change by at most in so many of the pairs, those that change least first; in grey levels. */
const noiseOf = (usualChanges: readonly number[], pairRatio: number): number =>
  usualChanges.length === 0 ? 0 : percentileOfSorted(Float64Array.from(usualChanges).sort(), pairRatio);

/** Which blocks changed by more than their limits, in grey levels, in each pair of frames. */
const flagsOver = (limits: Float32Array, changes: readonly Float32Array[]): readonly Uint8Array[] =>
  changes.map((blocks) => {
    const flags = new Uint8Array(blocks.length);
    for (let i = 0; i < flags.length; i++) if ((blocks[i] as number) > (limits[i] as number)) flags[i] = 1;
    return flags;
  });

/**
 * From the first to behind the last line, of columns or rows, that holds its share of a group's blocks: what a recorder
 * writes anew beside the picture hangs on to it by a block here and there.
 */
function trimmed(lines: readonly number[]): readonly [number, number] {
  const counts = new Map<number, number>();
  for (const line of lines) counts.set(line, (counts.get(line) ?? 0) + 1);
  const usual = percentileOfSorted(Float64Array.from(counts.values()).sort(), 0.9);
  const full = [...counts].filter(([, count]) => count >= leastLineRatio * usual).map(([line]) => line);
  return [Math.min(...full), Math.max(...full) + 1];
}

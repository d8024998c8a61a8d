import { percentileOfSorted } from '../numbers/percentile';
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
/** A part smaller than this share of the window is a clock, a cursor or a meter. */
const leastAreaRatio = 0.004;
/** Nor does a picture move in less than this share of the window; a clock does. */
const leastMovingRatio = 0.006;
/** A line at a side of a group that holds less than this share of what its full lines do is not the picture's. */
const leastLineRatio = 0.15;
/** Pictures are from upright to very wide, and nobody watches one this small; a clock or a cursor is neither. */
const shape = { leastAspect: 0.4, mostAspect: 4, leastAreaRatio: 0.04 } as const;
/** Edges are looked for in pictures so far apart: in one alone, a picture that has faded has none against a dark window. */
const edgesMs = 250;
/** An edge is where this share of a side's pixels step by so many grey levels. */
const edge = { ratio: 0.55, levels: 9 } as const;
/** An edge this far off a side that runs along this share of the whole window is a panel's, and not the picture's. */
const panelEdge = { leastBlocks: 2, ratio: 0.8 } as const;

/** In pixels of the picture whose edges are looked for. */
interface Box {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

/** A grey picture as it was averaged. */
interface Levels {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly levels: Float32Array;
}

/** How far each block changed in each pair of frames, for all blocks; beside these it keeps one small picture every quarter of a second. */
export class PartFinder {
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

  constructor(
    private readonly widthPx: number,
    private readonly heightPx: number,
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
    if (!this.isFirst) this.changes.push(this.changesSince(this.before));
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

  /** The part of the window whose blocks change together, or null where nothing does. */
  find(): PictureRegion | null {
    const { leastLevels, noiseFactor, mostLevels } = changed;
    const noisy = Math.min(mostLevels, Math.max(leastLevels, noiseFactor * noiseOf(this.changes)));
    // What all of a window does is no noise where the picture fills it.
    return this.findOver(noisy) ?? (noisy > leastLevels ? this.findOver(leastLevels) : null);
  }

  private findOver(limit: number): PictureRegion | null {
    return (
      this.findIn(flagsOver(limit, this.changes), 1) ?? this.findIn(flagsOver(limit, this.slowChanges), leastSlowPairs)
    );
  }

  private findIn(changed: readonly Uint8Array[], leastPairs: number): PictureRegion | null {
    const belongs = this.listBelonging(changed, leastPairs);
    const box = belongs && this.largestGroup(belongs);
    if (!box) return null;
    const [first, ...others] = this.edges;
    if (!first) return null;
    const grown = grownToEdges(box, [first, ...others]);
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

/** What half of the blocks change by at most in half of the pairs, in grey levels. */
function noiseOf(changes: readonly Float32Array[]): number {
  const usual = Float64Array.from(changes, (blocks) => percentileOfSorted(blocks.slice().sort(), 0.5)).sort();
  return usual.length === 0 ? 0 : percentileOfSorted(usual, 0.5);
}

/** Which blocks changed by more than so many grey levels in each pair of frames. */
const flagsOver = (limit: number, changes: readonly Float32Array[]): readonly Uint8Array[] =>
  changes.map((blocks) => {
    const flags = new Uint8Array(blocks.length);
    for (let i = 0; i < flags.length; i++) if ((blocks[i] as number) > limit) flags[i] = 1;
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

/** The largest share of a line's pixels, from one place up to another, that step by an edge's levels in any picture. */
function stepsAlong(
  pictures: readonly Levels[],
  from: number,
  to: number,
  stepAt: (picture: Levels, at: number) => number,
) {
  let most = 0;
  for (const picture of pictures) {
    let count = 0;
    for (let at = from; at < to; at++) if (Math.abs(stepAt(picture, at)) > edge.levels) count++;
    most = Math.max(most, count);
  }
  return most / Math.max(1, to - from);
}

/** Moves each side outward to the picture's edge, where one runs along it: much of a picture may not move at all. */
function grownToEdges(box: Box, pictures: readonly [Levels, ...Levels[]]): Box {
  const [{ widthPx, heightPx }] = pictures;
  const stepsAcross = (x: number, { top, bottom }: Box): number =>
    stepsAlong(
      pictures,
      top,
      bottom,
      ({ levels }, y) => (levels[y * widthPx + x] as number) - (levels[y * widthPx + x - 1] as number),
    );
  const stepsDown = (y: number, { left, right }: Box): number =>
    stepsAlong(
      pictures,
      left,
      right,
      ({ levels }, x) => (levels[y * widthPx + x] as number) - (levels[(y - 1) * widthPx + x] as number),
    );
  const window: Box = { left: 0, top: 0, right: widthPx, bottom: heightPx };
  /** The first edge from a side outward, a block inside of it included; the side itself where there is none. */
  const firstEdge = (side: number, candidates: readonly number[], box: Box, stepsAt: typeof stepsAcross): number => {
    const found = candidates.findIndex((at) => stepsAt(at, box) > edge.ratio);
    const [at, next] = [candidates[found], candidates[found + 1]];
    if (at === undefined) return side;
    if (Math.abs(at - side) > panelEdge.leastBlocks * blockEdgePx && stepsAt(at, window) > panelEdge.ratio) return side;
    // An edge that scaling has spread over two lines is where it is strongest.
    return next !== undefined && stepsAt(next, box) > stepsAt(at, box) ? next : at;
  };
  const upTo = (from: number, to: number): number[] =>
    Array.from({ length: Math.max(0, to - from) }, (_, i) => from + i);
  const downTo = (to: number): number[] => upTo(1, to).reverse();
  let grown = box;
  // Twice: an edge that is found lets the sides beside it be looked at along their whole length.
  for (let round = 0; round < 2; round++) {
    const { left, top, right, bottom } = grown;
    const now = grown;
    grown = {
      left: firstEdge(left, downTo(left + blockEdgePx), now, stepsAcross),
      right: firstEdge(right, upTo(right - blockEdgePx, widthPx), now, stepsAcross),
      top: firstEdge(top, downTo(top + blockEdgePx), now, stepsDown),
      bottom: firstEdge(bottom, upTo(bottom - blockEdgePx, heightPx), now, stepsDown),
    };
  }
  return grown;
}

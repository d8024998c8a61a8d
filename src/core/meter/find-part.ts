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
/** A block has changed when its pixels differ by this many grey levels on average. */
const changedLevels = 1.2;
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
/** Pictures are from upright to very wide, and nobody watches one this small; a clock or a cursor is neither. */
const shape = { leastAspect: 0.4, mostAspect: 4, leastAreaRatio: 0.04 } as const;
/** Edges are looked for in pictures so far apart: in one alone, a picture that has faded has none against a dark window. */
const edgesMs = 250;
/** An edge is where this share of a side's pixels step by so many grey levels. */
const edge = { ratio: 0.55, levels: 9 } as const;

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

/** Whether one block changed in each pair of frames, for all blocks; kept as bits of how often, not as pictures. */
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
  /** One row of flags a pair of frames: of frames that follow each other, and of some that lie further apart. */
  private readonly changed: Uint8Array[] = [];
  private readonly changedSlowly: Uint8Array[] = [];

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
    if (!this.isFirst) this.changed.push(this.flagsOf(this.before));
    if (atMs - this.edgesAtMs >= edgesMs) {
      this.addEdges(picture);
      this.edgesAtMs = atMs;
    }
    if (atMs - this.heldAtMs >= slowMs) {
      if (!this.isFirst) this.changedSlowly.push(this.flagsOf(this.held));
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

  /** Which blocks of the newest frame differ from those of an earlier one. */
  private flagsOf(before: Float32Array): Uint8Array {
    const { now, columnCount, rowCount } = this;
    const stride = this.coarse.widthPx;
    const flags = new Uint8Array(columnCount * rowCount);
    for (let row = 0; row < rowCount; row++)
      for (let column = 0; column < columnCount; column++) {
        let sum = 0;
        let at = row * blockPx * stride + column * blockPx;
        // The two pixels of a block's line (blockPx) are written out: a loop takes longer.
        for (let line = 0; line < blockPx; line++, at += stride)
          sum +=
            Math.abs((now[at] as number) - (before[at] as number)) +
            Math.abs((now[at + 1] as number) - (before[at + 1] as number));
        if (sum > changedLevels * blockPx * blockPx) flags[row * columnCount + column] = 1;
      }
    return flags;
  }

  /** The part of the window whose blocks change together, or null where nothing does. */
  find(): PictureRegion | null {
    return this.findIn(this.changed, 1) ?? this.findIn(this.changedSlowly, leastSlowPairs);
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
    let best: (Box & { count: number }) | null = null;
    for (let start = 0; start < belongs.length; start++) {
      if (!belongs[start] || seen[start]) continue;
      const group = { left: columnCount, top: rowCount, right: 0, bottom: 0, count: 0 };
      const open = [start];
      seen[start] = 1;
      while (open.length > 0) {
        const at = open.pop() as number;
        const [column, row] = [at % columnCount, Math.floor(at / columnCount)];
        group.left = Math.min(group.left, column);
        group.top = Math.min(group.top, row);
        group.right = Math.max(group.right, column + 1);
        group.bottom = Math.max(group.bottom, row + 1);
        group.count++;
        for (let y = Math.max(0, row - 3); y <= Math.min(rowCount - 1, row + 3); y++)
          for (let x = Math.max(0, column - 3); x <= Math.min(columnCount - 1, column + 3); x++) {
            const next = y * columnCount + x;
            if (belongs[next] && !seen[next]) {
              seen[next] = 1;
              open.push(next);
            }
          }
      }
      if (!best || group.count > best.count) best = group;
    }
    if (!best || (best.right - best.left) * (best.bottom - best.top) < leastMovingRatio * belongs.length) return null;
    return {
      left: best.left * blockEdgePx,
      top: best.top * blockEdgePx,
      right: best.right * blockEdgePx,
      bottom: best.bottom * blockEdgePx,
    };
  }
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
  /** The first edge from a side outward, a block inside of it included; the side itself where there is none. */
  const firstEdge = (side: number, candidates: readonly number[], stepsAt: (at: number) => number): number => {
    const found = candidates.findIndex((at) => stepsAt(at) > edge.ratio);
    if (found < 0) return side;
    // An edge that scaling has spread over two lines is where it is strongest.
    const [at, next] = [candidates[found] as number, candidates[found + 1]];
    return next !== undefined && stepsAt(next) > stepsAt(at) ? next : at;
  };
  const between = (from: number, to: number): number[] =>
    Array.from({ length: Math.max(0, to - from) }, (_, i) => from + i);
  let grown = box;
  // Twice: an edge that is found lets the sides beside it be looked at along their whole length.
  for (let round = 0; round < 2; round++) {
    const current = grown;
    grown = {
      left: firstEdge(current.left, between(1, current.left + blockEdgePx).reverse(), (x) => stepsAcross(x, current)),
      right: firstEdge(current.right, between(current.right - blockEdgePx, widthPx), (x) => stepsAcross(x, current)),
      top: firstEdge(current.top, between(1, current.top + blockEdgePx).reverse(), (y) => stepsDown(y, current)),
      bottom: firstEdge(current.bottom, between(current.bottom - blockEdgePx, heightPx), (y) => stepsDown(y, current)),
    };
  }
  return grown;
}

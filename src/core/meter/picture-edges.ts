/** What counts as an edge: so much of a side's pixels step by so many levels, from so many pixels behind it to so many ahead. */
export interface EdgeKind {
  readonly leastRatio: number;
  readonly leastLevels: number;
  readonly ahead: number;
  readonly back: number;
}

export const sharpEdge: EdgeKind = { leastRatio: 0.55, leastLevels: 9, ahead: 0, back: 1 };
/** A camera softens an edge and tilts it over a pixel or two; then more of what it passes steps as well. */
export const filmedEdge: EdgeKind = { leastRatio: 0.7, leastLevels: 9, ahead: 1, back: 2 };
/** An edge this far off a side that runs along this share of the whole window is a panel's, and not the picture's. */
const panelEdge = { leastTimes: 2, ratio: 0.8 } as const;

/** In pixels of the picture whose edges are looked for. */
export interface Box {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

/** A grey picture as it was averaged. */
export interface Levels {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly levels: Float32Array;
}

/** The largest share of a line's pixels, from one place up to another, that step by an edge's levels in any picture. */
function stepsAlong(
  pictures: readonly Levels[],
  from: number,
  to: number,
  leastLevels: number,
  stepAt: (picture: Levels, at: number) => number,
) {
  let most = 0;
  for (const picture of pictures) {
    let count = 0;
    for (let at = from; at < to; at++) if (Math.abs(stepAt(picture, at)) > leastLevels) count++;
    most = Math.max(most, count);
  }
  return most / Math.max(1, to - from);
}

/**
 * Moves each side outward to the picture's edge, where one runs along it: much of a picture may not move at all. The edge
 * is looked for from `innerPx` inside of the side.
 */
export function grownToEdges(
  box: Box,
  pictures: readonly [Levels, ...Levels[]],
  sought: EdgeKind,
  innerPx: number,
): Box {
  const [{ widthPx, heightPx }] = pictures;
  const { leastRatio, leastLevels, ahead, back } = sought;
  const stepsAcross = (x: number, { top, bottom }: Box): number =>
    stepsAlong(
      pictures,
      top,
      bottom,
      leastLevels,
      ({ levels }, y) =>
        (levels[y * widthPx + Math.min(widthPx - 1, x + ahead)] as number) -
        (levels[y * widthPx + Math.max(0, x - back)] as number),
    );
  const stepsDown = (y: number, { left, right }: Box): number =>
    stepsAlong(
      pictures,
      left,
      right,
      leastLevels,
      ({ levels }, x) =>
        (levels[Math.min(heightPx - 1, y + ahead) * widthPx + x] as number) -
        (levels[Math.max(0, y - back) * widthPx + x] as number),
    );
  const window: Box = { left: 0, top: 0, right: widthPx, bottom: heightPx };
  /** The first edge from a side outward, a block inside of it included; the side itself where there is none. */
  const firstEdge = (side: number, candidates: readonly number[], box: Box, stepsAt: typeof stepsAcross): number => {
    const found = candidates.findIndex((at) => stepsAt(at, box) > leastRatio);
    const [at, next] = [candidates[found], candidates[found + 1]];
    if (at === undefined) return side;
    if (Math.abs(at - side) > panelEdge.leastTimes * innerPx && stepsAt(at, window) > panelEdge.ratio) return side;
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
      left: firstEdge(left, downTo(left + innerPx), now, stepsAcross),
      right: firstEdge(right, upTo(right - innerPx, widthPx), now, stepsAcross),
      top: firstEdge(top, downTo(top + innerPx), now, stepsDown),
      bottom: firstEdge(bottom, upTo(bottom - innerPx, heightPx), now, stepsDown),
    };
  }
  return grown;
}

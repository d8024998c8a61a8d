import type { DecodeWay } from './types';

/** What one run of a test-play does. */
export interface PlannedRun {
  readonly way: DecodeWay;
  readonly isOneByOne: boolean;
  readonly drawnHeightPx: number | null;
}

/** Preview heights that are drawn: full, half and a quarter, in whole even lines. */
const drawnRatios = [1, 1 / 2, 1 / 4] as const;
const leastDrawnPx = 90;

const evenHeight = (heightPx: number): number => Math.max(2, Math.round(heightPx / 2) * 2);

/**
 * The runs of a test-play, most telling first: decoding alone by each way there is, one frame at a time by the
 * processor, then decoding and drawing at full and smaller preview heights by the quicker way's name.
 */
export function planRuns(clip: {
  readonly heightPx: number;
  readonly canDecodeInHardware: boolean;
}): readonly PlannedRun[] {
  const alone = (way: DecodeWay, isOneByOne = false): PlannedRun => ({ way, isOneByOne, drawnHeightPx: null });
  const drawingWay: DecodeWay = clip.canDecodeInHardware ? 'hardware' : 'software';
  const heightsPx = drawnRatios.map((ratio) => evenHeight(clip.heightPx * ratio));
  const drawn = heightsPx
    .filter((heightPx, i) => i === 0 || heightPx >= leastDrawnPx)
    .map((drawnHeightPx): PlannedRun => ({ way: drawingWay, isOneByOne: false, drawnHeightPx }));
  return [
    alone('software'),
    ...(clip.canDecodeInHardware ? [alone('hardware')] : []),
    alone('software', true),
    ...drawn,
  ];
}

/** How many places a test-play jumps to. */
export const scrubJumpCount = 20;

/**
 * Places to jump to, as shares of the length: spread evenly whatever their number, in an order that leaps about
 * (van der Corput, base 2), the same ones each time so that two tests can be compared.
 */
export function listScrubPlaces(count: number = scrubJumpCount): readonly number[] {
  return Array.from({ length: count }, (_, i) => {
    let place = 0;
    for (let rest = i + 1, share = 0.5; rest > 0; rest >>= 1, share /= 2) if (rest & 1) place += share;
    return place;
  });
}

export const pieceBytes = 8 * 1024 * 1024;
/**
 * Pieces lie one after the other in stretches, as a player reads: a system that reads far ahead would otherwise fetch
 * more than it is asked for, and a drive look half as quick.
 */
const stretchPieces = 6;
const mostStretches = 4;
/** Fewer pieces tell nothing of a drive. */
const leastPieces = 3;

/** Stretches of a file to read, each the beginnings of its pieces, spread evenly; none where it is too small to tell. */
export function planPieces(sizeBytes: number): readonly (readonly number[])[] {
  const pieceCount = Math.min(stretchPieces * mostStretches, Math.floor(sizeBytes / pieceBytes));
  if (pieceCount < leastPieces) return [];
  const stretchCount = Math.max(1, Math.floor(pieceCount / stretchPieces));
  const inEach = Math.min(stretchPieces, pieceCount);
  const gapBytes = stretchCount === 1 ? 0 : (sizeBytes - inEach * pieceBytes) / (stretchCount - 1);
  return Array.from({ length: stretchCount }, (_, at) =>
    Array.from({ length: inEach }, (_, i) => Math.floor(at * gapBytes) + i * pieceBytes),
  );
}

export const smallPieceBytes = 64 * 1024;
const smallPieceCount = 12;

/**
 * Small pieces to read from all over a file, in an order that leaps about; none of them lies in what `planPieces` reads, or right
 * behind it, where a system may have read ahead. Fewer than planned where too little of the file is left.
 */
export function planSmallPieces(sizeBytes: number): readonly number[] {
  const taken = planPieces(sizeBytes).map((starts) => ({
    from: (starts[0] ?? 0) - smallPieceBytes,
    to: (starts.at(-1) ?? 0) + 2 * pieceBytes,
  }));
  if (taken.length === 0) return [];
  return listScrubPlaces(smallPieceCount * 4)
    .map((place) => Math.floor((place * (sizeBytes - smallPieceBytes)) / smallPieceBytes) * smallPieceBytes)
    .filter((start) => taken.every(({ from, to }) => start < from || start > to))
    .slice(0, smallPieceCount);
}

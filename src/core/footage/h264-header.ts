import type { Rational } from '../numbers/rational';
import { type BitReader, createBitReader, removeEmulationPrevention } from './bit-reader';
import { findNalUnit, type NalFraming } from './nal-units';
import { chromaOfIdc, type StreamHeader, unknownHeader } from './stream-header';

/** ITU-T H.264, annex A; names as ffprobe prints them. */
const profileNames: Readonly<Record<number, string>> = {
  66: 'Baseline',
  77: 'Main',
  88: 'Extended',
  100: 'High',
  110: 'High 10',
  122: 'High 4:2:2',
  244: 'High 4:4:4 Predictive',
};

/** Profiles whose sequence parameter set states chroma and depth (ITU-T H.264, 7.3.2.1.1). */
const profilesWithChroma = new Set([44, 83, 86, 100, 110, 118, 122, 128, 138, 244]);

/** Pixel shapes by aspect_ratio_idc (table E-1). */
const pixelAspects: readonly (readonly [number, number])[] = [
  [0, 1],
  [1, 1],
  [12, 11],
  [10, 11],
  [16, 11],
  [40, 33],
  [24, 11],
  [20, 11],
  [32, 11],
  [80, 33],
  [18, 11],
  [15, 11],
  [64, 33],
  [160, 99],
  [4, 3],
  [3, 2],
  [2, 1],
];
const extendedAspect = 255;

function skipScalingLists(reader: BitReader, listCount: number): void {
  for (let list = 0; list < listCount; list++) {
    if (reader.readBits(1) === 0) continue;
    let last = 8;
    let next = 8;
    for (let i = 0; i < (list < 6 ? 16 : 64); i++) {
      if (next !== 0) next = (last + reader.readSignedExpGolomb() + 256) % 256;
      last = next === 0 ? last : next;
    }
  }
}

function skipPictureOrder(reader: BitReader): void {
  const kind = reader.readExpGolomb();
  if (kind === 0) reader.readExpGolomb();
  if (kind !== 1) return;
  reader.readBits(1);
  reader.readSignedExpGolomb();
  reader.readSignedExpGolomb();
  const count = Math.min(reader.readExpGolomb(), 255);
  for (let i = 0; i < count; i++) reader.readSignedExpGolomb();
}

function readPixelAspect(reader: BitReader): Rational | null {
  const hasUsability = reader.readBits(1) === 1;
  if (!hasUsability || reader.readBits(1) === 0) return null;
  const idc = reader.readBits(8);
  const [num, den] =
    idc === extendedAspect ? [reader.readBits(16), reader.readBits(16)] : (pixelAspects[idc] ?? [0, 1]);
  return num > 0 && den > 0 ? { num, den } : null;
}

/** "3.0"; 1b is level 11 with a flag in the older profiles. */
function nameLevel(levelIdc: number, profileIdc: number, hasThirdConstraint: boolean): string {
  const is1b = levelIdc === 9 || (levelIdc === 11 && hasThirdConstraint && profileIdc < 100);
  return is1b ? '1b' : (levelIdc / 10).toFixed(1);
}

/** Reads a sequence parameter set NAL unit, header byte included (ITU-T H.264, 7.3.2.1.1). Any bytes give an answer. */
export function parseH264ParameterSet(nalUnit: Uint8Array): StreamHeader {
  const bytes = removeEmulationPrevention(nalUnit.subarray(1, 1 + 512));
  const [profileIdc = 0, constraints = 0, levelIdc = 0] = bytes;
  const isConstrained = profileIdc === 66 && (constraints & 0x40) !== 0;
  const profile = isConstrained ? 'Constrained Baseline' : (profileNames[profileIdc] ?? 'unknown');
  const reader = createBitReader(bytes.subarray(3));
  reader.readExpGolomb();
  let chromaIdc = 1;
  let bitDepth = 8;
  if (profilesWithChroma.has(profileIdc)) {
    chromaIdc = reader.readExpGolomb();
    if (chromaIdc === 3) reader.readBits(1);
    bitDepth = 8 + Math.min(reader.readExpGolomb(), 6);
    reader.readExpGolomb();
    reader.readBits(1);
    if (reader.readBits(1) === 1) skipScalingLists(reader, chromaIdc === 3 ? 12 : 8);
  }
  reader.readExpGolomb();
  skipPictureOrder(reader);
  reader.readExpGolomb();
  reader.readBits(1);
  const widthMbs = reader.readExpGolomb() + 1;
  const heightUnits = reader.readExpGolomb() + 1;
  const isFramesOnly = reader.readBits(1) === 1;
  if (!isFramesOnly) reader.readBits(1);
  reader.readBits(1);
  const crop = reader.readBits(1) === 1 ? Array.from({ length: 4 }, () => reader.readExpGolomb()) : [0, 0, 0, 0];
  const [left = 0, right = 0, top = 0, bottom = 0] = crop;
  const cropUnitX = chromaIdc === 1 || chromaIdc === 2 ? 2 : 1;
  const cropUnitY = (chromaIdc === 1 ? 2 : 1) * (isFramesOnly ? 1 : 2);
  const widthPx = widthMbs * 16 - (left + right) * cropUnitX;
  const heightPx = heightUnits * 16 * (isFramesOnly ? 1 : 2) - (top + bottom) * cropUnitY;
  const isPlausible = widthPx > 0 && heightPx > 0 && widthPx <= 16_384 && heightPx <= 16_384;
  return {
    profile,
    level: nameLevel(levelIdc, profileIdc, (constraints & 0x10) !== 0),
    bitDepth,
    chroma: chromaOfIdc(chromaIdc),
    scan: isFramesOnly ? 'progressive' : 'interlaced',
    size: isPlausible ? { widthPx, heightPx } : null,
    pixelAspect: reader.readBits(1) === 1 ? readPixelAspect(reader) : null,
  };
}

const isParameterSet = (firstByte: number): boolean => (firstByte & 0x1f) === 7;

/** From the avcC record (ISO/IEC 14496-15, 5.3.3) or, where it holds no parameter set, from the first frame. */
export function parseH264Header(record: Uint8Array | null, firstFrame: Uint8Array | null): StreamHeader {
  const isRecord = record !== null && record[0] === 1;
  if (isRecord && ((record[5] ?? 0) & 0x1f) > 0) {
    const length = ((record[6] ?? 0) << 8) | (record[7] ?? 0);
    return parseH264ParameterSet(record.subarray(8, 8 + length));
  }
  const framing: NalFraming = isRecord
    ? { kind: 'lengths', lengthBytes: ((record[4] ?? 3) & 3) + 1 }
    : { kind: 'start-codes' };
  const unit = firstFrame && findNalUnit(firstFrame, framing, isParameterSet);
  return unit ? parseH264ParameterSet(unit) : unknownHeader;
}

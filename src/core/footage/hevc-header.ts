import { type BitReader, createBitReader, removeEmulationPrevention } from './bit-reader';
import { findNalUnit, type NalFraming } from './nal-units';
import { chromaOfIdc, type StreamHeader, unknownHeader } from './stream-header';
import type { ScanKind } from './types';

/** ITU-T H.265, annex A; names as ffprobe prints them. */
const profileNames: readonly string[] = ['unknown', 'Main', 'Main 10', 'Main Still Picture', 'Rext'];

const scanOf = (isProgressive: boolean, isInterlaced: boolean): ScanKind =>
  isProgressive ? 'progressive' : isInterlaced ? 'interlaced' : 'unknown';

/** general_level_idc is thirty times the level. */
const nameLevel = (levelIdc: number): string | null => (levelIdc > 0 ? (levelIdc / 30).toFixed(1) : null);

/** profile_tier_level (7.3.3), the parts of sub-layers skipped. */
function readProfileTierLevel(reader: BitReader, subLayerCount: number) {
  reader.readBits(3);
  const profileIdc = reader.readBits(5);
  reader.readBits(32);
  const isProgressive = reader.readBits(1) === 1;
  const isInterlaced = reader.readBits(1) === 1;
  reader.readBits(46);
  const levelIdc = reader.readBits(8);
  const present = Array.from({ length: subLayerCount }, () => [reader.readBits(1), reader.readBits(1)] as const);
  if (subLayerCount > 0) for (let i = subLayerCount; i < 8; i++) reader.readBits(2);
  for (const [hasProfile, hasLevel] of present) {
    if (hasProfile) reader.readBits(88);
    if (hasLevel) reader.readBits(8);
  }
  return {
    profile: profileNames[profileIdc] ?? 'unknown',
    level: nameLevel(levelIdc),
    scan: scanOf(isProgressive, isInterlaced),
  };
}

/** Reads a sequence parameter set NAL unit, both header bytes included (ITU-T H.265, 7.3.2.2). Any bytes give an answer. */
export function parseHevcParameterSet(nalUnit: Uint8Array): StreamHeader {
  const reader = createBitReader(removeEmulationPrevention(nalUnit.subarray(2, 2 + 512)));
  reader.readBits(4);
  const subLayerCount = reader.readBits(3);
  reader.readBits(1);
  const { profile, level, scan } = readProfileTierLevel(reader, subLayerCount);
  reader.readExpGolomb();
  const chromaIdc = reader.readExpGolomb();
  if (chromaIdc === 3) reader.readBits(1);
  const codedWidthPx = reader.readExpGolomb();
  const codedHeightPx = reader.readExpGolomb();
  const window = reader.readBits(1) === 1 ? Array.from({ length: 4 }, () => reader.readExpGolomb()) : [0, 0, 0, 0];
  const [left = 0, right = 0, top = 0, bottom = 0] = window;
  const widthPx = codedWidthPx - (left + right) * (chromaIdc === 1 || chromaIdc === 2 ? 2 : 1);
  const heightPx = codedHeightPx - (top + bottom) * (chromaIdc === 1 ? 2 : 1);
  const bitDepth = 8 + Math.min(reader.readExpGolomb(), 8);
  const isPlausible = widthPx > 0 && heightPx > 0 && widthPx <= 16_384 && heightPx <= 16_384;
  return {
    profile,
    level,
    bitDepth,
    chroma: chromaOfIdc(chromaIdc),
    scan,
    size: isPlausible ? { widthPx, heightPx } : null,
    pixelAspect: null,
  };
}

const isParameterSet = (firstByte: number): boolean => ((firstByte >> 1) & 0x3f) === 33;

const recordBytes = 23;

/** From the hvcC record (ISO/IEC 14496-15, 8.3.3: fixed places), or from the first frame where there is none. */
export function parseHevcHeader(record: Uint8Array | null, firstFrame: Uint8Array | null): StreamHeader {
  if (record && record.length >= recordBytes) {
    const flags = record[6] ?? 0;
    return {
      profile: profileNames[(record[1] ?? 0) & 0x1f] ?? 'unknown',
      level: nameLevel(record[12] ?? 0),
      bitDepth: 8 + ((record[17] ?? 0) & 7),
      chroma: chromaOfIdc((record[16] ?? 0) & 3),
      scan: scanOf((flags & 0x80) !== 0, (flags & 0x40) !== 0),
      size: null,
      pixelAspect: null,
    };
  }
  const framing: NalFraming = { kind: 'start-codes' };
  const unit = firstFrame && findNalUnit(firstFrame, framing, isParameterSet);
  return unit ? parseHevcParameterSet(unit) : unknownHeader;
}

import { createBitReader, removeEmulationPrevention } from './bit-reader';
import type { ChromaFormat, PictureFormat } from './types';

const chromaByIdc: readonly ChromaFormat[] = ['4:0:0', '4:2:0', '4:2:2', '4:4:4'];
const chromaOf = (idc: number): ChromaFormat => chromaByIdc[idc] ?? 'unknown';

const unknownPicture: PictureFormat = { profile: 'unknown', bitDepth: 8, chroma: 'unknown' };

/** ITU-T H.264, annex A; names as ffprobe prints them. */
const h264ProfileNames: Readonly<Record<number, string>> = {
  66: 'Baseline',
  77: 'Main',
  88: 'Extended',
  100: 'High',
  110: 'High 10',
  122: 'High 4:2:2',
  244: 'High 4:4:4 Predictive',
};

/** Profiles whose sequence parameter set states chroma and depth (ITU-T H.264, 7.3.2.1.1). */
const h264ProfilesWithChroma = new Set([44, 83, 86, 100, 110, 118, 122, 128, 138, 244]);

/** Reads a sequence parameter set NAL unit, header byte included. */
export function parseH264ParameterSet(nalUnit: Uint8Array): PictureFormat {
  const bytes = removeEmulationPrevention(nalUnit.subarray(1));
  const profileIdc = bytes[0] ?? 0;
  const isConstrained = profileIdc === 66 && ((bytes[1] ?? 0) & 0x40) !== 0;
  const profile = isConstrained ? 'Constrained Baseline' : (h264ProfileNames[profileIdc] ?? 'unknown');
  if (!h264ProfilesWithChroma.has(profileIdc)) return { profile, bitDepth: 8, chroma: '4:2:0' };
  const reader = createBitReader(bytes.subarray(3));
  reader.readExpGolomb();
  const chromaIdc = reader.readExpGolomb();
  if (chromaIdc === 3) reader.readBits(1);
  const bitDepth = 8 + Math.min(reader.readExpGolomb(), 6);
  return { profile, bitDepth, chroma: chromaOf(chromaIdc) };
}

/** avcC (ISO/IEC 14496-15, 5.3.3): the first sequence parameter set in it tells. */
function parseAvcRecord(record: Uint8Array): PictureFormat {
  const parameterSetCount = (record[5] ?? 0) & 0x1f;
  if (record[0] !== 1 || parameterSetCount === 0) return unknownPicture;
  const length = ((record[6] ?? 0) << 8) | (record[7] ?? 0);
  return parseH264ParameterSet(record.subarray(8, 8 + length));
}

const hevcProfileNames: readonly string[] = ['unknown', 'Main', 'Main 10', 'Main Still Picture', 'Rext'];

/** hvcC (ISO/IEC 14496-15, 8.3.3): fixed places for profile, chroma and depth. */
function parseHevcRecord(record: Uint8Array): PictureFormat {
  if (record.length < 23) return unknownPicture;
  return {
    profile: hevcProfileNames[(record[1] ?? 0) & 0x1f] ?? 'unknown',
    bitDepth: 8 + ((record[17] ?? 0) & 7),
    chroma: chromaOf((record[16] ?? 0) & 3),
  };
}

/** "vp09.PP.LL.DD.CC": profile, level, depth, chroma (VP codec ISO media file format binding). */
function parseVp9String(codecString: string): PictureFormat {
  const [, profile, , depth, chroma] = codecString.split('.').map(Number);
  const chromaByCode: readonly ChromaFormat[] = ['4:2:0', '4:2:0', '4:2:2', '4:4:4'];
  const isOddProfile = profile === 1 || profile === 3;
  return {
    profile: profile === undefined ? 'unknown' : `Profile ${profile}`,
    bitDepth: depth || (profile !== undefined && profile >= 2 ? 10 : 8),
    chroma: isOddProfile && chroma === undefined ? 'unknown' : (chromaByCode[chroma ?? 1] ?? 'unknown'),
  };
}

/** "av01.P.LLT.DD.M.CCC" (AV1 codec ISO media file format binding, 5). */
function parseAv1String(codecString: string): PictureFormat {
  const [, profile, , depth, monochrome, subsampling] = codecString.split('.');
  const names = ['Main', 'High', 'Professional'];
  const stated = subsampling ?? (profile === '0' ? '110' : profile === '1' ? '000' : '100');
  const chroma = stated.startsWith('11') ? '4:2:0' : stated.startsWith('10') ? '4:2:2' : '4:4:4';
  return {
    profile: names[Number(profile)] ?? 'unknown',
    bitDepth: Number(depth) || 8,
    chroma: monochrome === '1' ? '4:0:0' : chroma,
  };
}

/** Bit depth and chroma of codecs that have one fixed form, by four-character code. */
const fixedFormats: Readonly<Record<string, PictureFormat>> = {
  apco: { profile: 'Proxy', bitDepth: 10, chroma: '4:2:2' },
  apcs: { profile: 'LT', bitDepth: 10, chroma: '4:2:2' },
  apcn: { profile: 'Standard', bitDepth: 10, chroma: '4:2:2' },
  apch: { profile: 'HQ', bitDepth: 10, chroma: '4:2:2' },
  ap4h: { profile: '4444', bitDepth: 12, chroma: '4:4:4' },
  ap4x: { profile: 'XQ', bitDepth: 12, chroma: '4:4:4' },
};

/**
 * Bit depth, chroma and profile from a codec's configuration record or codec string, never from a file's name.
 * Any bytes give an answer; what is not stated is "unknown" chroma and 8 bit.
 */
export function parsePictureFormat(source: {
  readonly codec: string;
  readonly internalCode: string | null;
  readonly codecString: string | null;
  readonly codecRecord: Uint8Array | null;
}): PictureFormat {
  const { codec, codecString, codecRecord, internalCode } = source;
  if (codec === 'h264' && codecRecord) return parseAvcRecord(codecRecord);
  if (codec === 'hevc' && codecRecord) return parseHevcRecord(codecRecord);
  if (codec === 'vp9' && codecString) return parseVp9String(codecString);
  if (codec === 'av1' && codecString) return parseAv1String(codecString);
  if (codec === 'vp8') return { profile: 'unknown', bitDepth: 8, chroma: '4:2:0' };
  return fixedFormats[internalCode ?? ''] ?? unknownPicture;
}

import { type Rational, reduceRational } from '../numbers/rational';
import { type StreamHeader, unknownHeader } from './stream-header';
import type { ChromaFormat } from './types';

const uint16At = (bytes: Uint8Array, at: number): number => ((bytes[at] ?? 0) << 8) | (bytes[at + 1] ?? 0);
const uint32At = (bytes: Uint8Array, at: number): number => uint16At(bytes, at) * 65_536 + uint16At(bytes, at + 2);

/** How colour is sampled, from each component's columns and rows against those of brightness. */
function chromaOfSampling(components: readonly number[]): ChromaFormat {
  const [brightness = 0, colour] = components;
  if (colour === undefined) return '4:0:0';
  const columns = (brightness >> 4) / (colour >> 4);
  const rows = (brightness & 15) / (colour & 15);
  if (columns === 2) return rows === 2 ? '4:2:0' : rows === 1 ? '4:2:2' : 'unknown';
  return columns === 1 && rows === 1 ? '4:4:4' : 'unknown';
}

const jpegProfiles: Readonly<Record<number, string>> = { 192: 'Baseline', 193: 'Sequential', 194: 'Progressive' };

/** A JPEG picture's start-of-frame segment (ITU-T T.81, B.2.2): depth, size, and how colour is sampled. */
export function parseJpegHeader(frame: Uint8Array): StreamHeader {
  let at = 2;
  while (at + 10 < frame.length && frame[at] === 0xff) {
    const marker = frame[at + 1] ?? 0;
    const isFrameStart = marker >= 0xc0 && marker <= 0xcf && marker !== 0xc4 && marker !== 0xc8 && marker !== 0xcc;
    if (isFrameStart) {
      const componentCount = Math.min(frame[at + 9] ?? 0, 4);
      const sampling = Array.from({ length: componentCount }, (_, i) => frame[at + 11 + 3 * i] ?? 0);
      const [heightPx, widthPx] = [uint16At(frame, at + 5), uint16At(frame, at + 7)];
      return {
        ...unknownHeader,
        profile: jpegProfiles[marker] ?? 'unknown',
        bitDepth: frame[at + 4] || 8,
        chroma: chromaOfSampling(sampling),
        scan: 'progressive',
        size: widthPx > 0 && heightPx > 0 ? { widthPx, heightPx } : null,
      };
    }
    // Fill bytes may stand before a marker.
    at += marker === 0xff ? 1 : 2 + uint16At(frame, at + 2);
  }
  return unknownHeader;
}

/** Compression ids of VC-3 (SMPTE ST 2019-1) whose profile has a name; names as ffprobe prints them. */
const vc3Profiles: Readonly<Record<number, string>> = {
  1270: 'DNXHR 444',
  1271: 'DNXHR HQX',
  1272: 'DNXHR HQ',
  1273: 'DNXHR SQ',
  1274: 'DNXHR LB',
};
const vc3Ids444 = new Set([1256, 1270]);

/** A VC-3 frame header (SMPTE ST 2019-1, 6.2). */
export function parseVc3Header(frame: Uint8Array): StreamHeader {
  if (frame.length < 0x2d || uint32At(frame, 0) !== 0x280) return unknownHeader;
  const id = uint32At(frame, 0x28);
  const bitDepth = [8, 8, 10, 12][(frame[0x21] ?? 0) >> 5] ?? 8;
  const isInterlaced = ((frame[5] ?? 0) & 2) !== 0;
  const [rows, widthPx] = [uint16At(frame, 0x18), uint16At(frame, 0x1a)];
  return {
    ...unknownHeader,
    profile: vc3Profiles[id] ?? 'DNXHD',
    bitDepth,
    chroma: vc3Ids444.has(id) ? '4:4:4' : '4:2:2',
    scan: isInterlaced ? 'interlaced' : 'progressive',
    size: widthPx > 0 && rows > 0 ? { widthPx, heightPx: rows * (isInterlaced ? 2 : 1) } : null,
  };
}

/** A ProRes frame header (SMPTE RDD 36, 5.1): scan and chroma. Matroska leaves out the eight bytes before it. */
export function parseProResHeader(frame: Uint8Array, form: StreamHeader): StreamHeader {
  const hasAtom = String.fromCharCode(...frame.subarray(4, 8)) === 'icpf';
  const flags = frame[hasAtom ? 20 : 12];
  if (flags === undefined) return form;
  return { ...form, scan: ((flags >> 2) & 3) === 0 ? 'progressive' : 'interlaced' };
}

const mpeg2Profiles: Readonly<Record<number, string>> = { 1: 'High', 2: 'Spatially Scalable', 4: 'Main', 5: 'Simple' };
const mpeg2Levels: Readonly<Record<number, string>> = { 4: 'High', 5: 'Main', 6: 'High 1440', 8: 'Main', 10: 'Low' };
const displayAspects: Readonly<Record<number, Rational>> = { 2: { num: 4, den: 3 }, 3: { num: 16, den: 9 } };
const chromaByCode: readonly ChromaFormat[] = ['unknown', '4:2:0', '4:2:2', '4:4:4'];

const findStartCode = (frame: Uint8Array, code: number, from: number): number => {
  for (let i = from; i + 3 < frame.length; i++)
    if (frame[i] === 0 && frame[i + 1] === 0 && frame[i + 2] === 1 && frame[i + 3] === code) return i + 4;
  return -1;
};

/** An MPEG-2 sequence header and its extension (ITU-T H.262, 6.2.2.1 and 6.2.2.3). */
export function parseMpeg2Header(frame: Uint8Array): StreamHeader {
  const header = findStartCode(frame, 0xb3, 0);
  if (header < 0 || header + 8 > frame.length) return unknownHeader;
  const widthPx = uint16At(frame, header) >> 4;
  const heightPx = uint16At(frame, header + 1) & 0xfff;
  const display = displayAspects[(frame[header + 3] ?? 0) >> 4];
  const size = widthPx > 0 && heightPx > 0 ? { widthPx, heightPx } : null;
  const pixelAspect =
    display && size ? reduceRational({ num: display.num * heightPx, den: display.den * widthPx }) : null;
  const extension = findStartCode(frame, 0xb5, header);
  if (extension < 0 || (frame[extension] ?? 0) >> 4 !== 1)
    return { ...unknownHeader, chroma: '4:2:0', scan: 'progressive', size, pixelAspect };
  const profileAndLevel = (uint16At(frame, extension) >> 4) & 0xff;
  const flags = frame[extension + 1] ?? 0;
  const is422 = profileAndLevel >= 0x80;
  return {
    profile: is422 ? '4:2:2' : (mpeg2Profiles[(profileAndLevel >> 4) & 7] ?? 'unknown'),
    level: mpeg2Levels[profileAndLevel & 15] ?? null,
    bitDepth: 8,
    chroma: chromaByCode[(flags >> 1) & 3] ?? 'unknown',
    scan: (flags & 8) !== 0 ? 'progressive' : 'interlaced',
    size,
    pixelAspect,
  };
}

/** A VP8 frame tag (RFC 6386, 9.1): the version is the profile. */
export const parseVp8Header = (frame: Uint8Array | null): StreamHeader => ({
  ...unknownHeader,
  profile: frame ? String(((frame[0] ?? 0) >> 1) & 7) : 'unknown',
  chroma: '4:2:0',
  scan: 'progressive',
});

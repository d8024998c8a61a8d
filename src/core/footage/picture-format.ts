import { parseAv1String, parseVp9String } from './codec-strings';
import { parseJpegHeader, parseMpeg2Header, parseProResHeader, parseVc3Header, parseVp8Header } from './frame-headers';
import { parseH264Header } from './h264-header';
import { parseHevcHeader } from './hevc-header';
import { type StreamHeader, unknownHeader } from './stream-header';

/** Bit depth and chroma of ProRes kinds, by four-character code. */
const proResForms: Readonly<Record<string, Pick<StreamHeader, 'profile' | 'bitDepth' | 'chroma'>>> = {
  apco: { profile: 'Proxy', bitDepth: 10, chroma: '4:2:2' },
  apcs: { profile: 'LT', bitDepth: 10, chroma: '4:2:2' },
  apcn: { profile: 'Standard', bitDepth: 10, chroma: '4:2:2' },
  apch: { profile: 'HQ', bitDepth: 10, chroma: '4:2:2' },
  ap4h: { profile: '4444', bitDepth: 12, chroma: '4:4:4' },
  ap4x: { profile: 'XQ', bitDepth: 12, chroma: '4:4:4' },
};

const proResFormOf = (...codes: readonly (string | null)[]): StreamHeader => {
  const form = codes.map((code) => proResForms[code ?? '']).find((known) => known !== undefined);
  return form ? { ...unknownHeader, ...form } : { ...unknownHeader, bitDepth: 10 };
};

/** Where a codec's pictures are described. */
export interface HeaderSource {
  readonly codec: string;
  readonly internalCode: string | null;
  readonly codecString: string | null;
  readonly codecRecord: Uint8Array | null;
  /** The first coded frame, or its beginning; null where it was not read. */
  readonly firstFrame: Uint8Array | null;
}

/** Codecs whose depth and chroma stand in the frames themselves. */
const frameCodecs: ReadonlySet<string> = new Set(['mjpeg', 'dnxhd', 'prores', 'mpeg1video', 'mpeg2video', 'vp8']);

/** Whether the first frame must be read to know the pictures' form: the container alone does not tell it. */
export const needsFirstFrame = (source: Omit<HeaderSource, 'firstFrame'>): boolean =>
  frameCodecs.has(source.codec) ||
  (source.codec === 'h264' && ((source.codecRecord?.[5] ?? 0) & 0x1f) === 0) ||
  (source.codec === 'hevc' && (source.codecRecord?.length ?? 0) < 23);

/**
 * Bit depth, chroma, profile, level and scan from a codec's configuration record, codec string or first frame,
 * never from a file's name. Any bytes give an answer; what is not stated is "unknown", and 8 bit.
 */
export function parseStreamHeader(source: HeaderSource): StreamHeader {
  const { codec, codecString, codecRecord, firstFrame, internalCode } = source;
  switch (codec) {
    case 'h264':
      return parseH264Header(codecRecord, firstFrame);
    case 'hevc':
      return parseHevcHeader(codecRecord, firstFrame);
    case 'vp9':
      return codecString ? parseVp9String(codecString) : unknownHeader;
    case 'av1':
      return codecString ? parseAv1String(codecString) : unknownHeader;
    case 'vp8':
      return parseVp8Header(firstFrame);
    case 'prores': {
      const form = proResFormOf(internalCode, codecString);
      return firstFrame ? parseProResHeader(firstFrame, form) : form;
    }
    case 'mjpeg':
      return firstFrame ? parseJpegHeader(firstFrame) : unknownHeader;
    case 'dnxhd':
      return firstFrame ? parseVc3Header(firstFrame) : unknownHeader;
    case 'mpeg1video':
    case 'mpeg2video':
      return firstFrame ? parseMpeg2Header(firstFrame) : unknownHeader;
    default:
      return unknownHeader;
  }
}

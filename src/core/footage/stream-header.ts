import type { Rational } from '../numbers/rational';
import type { ChromaFormat, PictureFormat } from './types';

/** What a codec's own headers say of the pictures; size and pixel shape are null where they do not say. */
export interface StreamHeader extends PictureFormat {
  readonly size: { readonly widthPx: number; readonly heightPx: number } | null;
  readonly pixelAspect: Rational | null;
}

/** Nothing is stated: 8 bit is by far the most likely, and the rest is left open. */
export const unknownHeader: StreamHeader = {
  profile: 'unknown',
  level: null,
  bitDepth: 8,
  chroma: 'unknown',
  scan: 'unknown',
  size: null,
  pixelAspect: null,
};

const chromaByIdc: readonly ChromaFormat[] = ['4:0:0', '4:2:0', '4:2:2', '4:4:4'];

/** chroma_format_idc of H.264 and HEVC. */
export const chromaOfIdc = (idc: number): ChromaFormat => chromaByIdc[idc] ?? 'unknown';

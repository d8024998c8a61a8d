import type { ForeignContainer, StillFormat } from '@/core/footage';

/** What the first bytes of a file say it is. */
export type SniffedFile =
  | { readonly kind: 'still'; readonly format: StillFormat }
  | { readonly kind: 'foreign'; readonly container: ForeignContainer }
  | { readonly kind: 'text' }
  | { readonly kind: 'perhaps-media' };

/** How many bytes of a file's beginning are enough to tell. */
export const sniffBytes = 64;

const textAt = (head: Uint8Array, start: number, end: number): string =>
  String.fromCharCode(...head.subarray(start, end));
const startsWith = (head: Uint8Array, bytes: readonly number[]): boolean => bytes.every((byte, i) => head[i] === byte);

/** Major brands of still pictures in the ISO base media format (ISO/IEC 23008-12 and its AV1 counterpart). */
const stillBrands: ReadonlySet<string> = new Set(['mif1', 'heic', 'heix', 'avif']);

/** Types of the boxes with which MP4 and MOV files begin. */
const firstBoxes: ReadonlySet<string> = new Set(['ftyp', 'moov', 'mdat', 'wide', 'free', 'skip', 'pnot']);

/** Whether a file is made of boxes (ISO/IEC 14496-12): MP4 or MOV. */
export const hasBoxes = (head: Uint8Array): boolean => firstBoxes.has(textAt(head, 4, 8));

/** Whether the bytes are UTF-8 without control characters: pictures and sound hold others within their first few. */
function isText(head: Uint8Array): boolean {
  if (head.length === 0 || head.some((byte) => byte < 0x20 && ![0x09, 0x0a, 0x0d].includes(byte))) return false;
  try {
    // A character may be cut in two by the end of what was read.
    new TextDecoder('utf-8', { fatal: true }).decode(head, { stream: true });
    return true;
  } catch {
    return false;
  }
}

/** Tells stills, texts and containers that are not read here by their signatures, whatever the file is called. */
export function sniffFile(head: Uint8Array): SniffedFile {
  if (startsWith(head, [0xff, 0xd8, 0xff])) return { kind: 'still', format: 'jpeg' };
  if (startsWith(head, [0x89, 0x50, 0x4e, 0x47])) return { kind: 'still', format: 'png' };
  if (textAt(head, 4, 8) === 'ftyp' && stillBrands.has(textAt(head, 8, 12))) return { kind: 'still', format: 'heif' };
  if (textAt(head, 0, 4) === 'RIFF') {
    const form = textAt(head, 8, 12);
    if (form === 'WEBP') return { kind: 'still', format: 'webp' };
    if (form === 'AVI ') return { kind: 'foreign', container: 'avi' };
  }
  if (startsWith(head, [0x06, 0x0e, 0x2b, 0x34])) return { kind: 'foreign', container: 'mxf' };
  if (startsWith(head, [0x30, 0x26, 0xb2, 0x75])) return { kind: 'foreign', container: 'asf' };
  if (startsWith(head, [0x46, 0x4c, 0x56, 0x01])) return { kind: 'foreign', container: 'flv' };
  if (startsWith(head, [0x00, 0x00, 0x01, 0xba])) return { kind: 'foreign', container: 'mpeg-ps' };
  return isText(head) ? { kind: 'text' } : { kind: 'perhaps-media' };
}

/** One element of EBML (RFC 8794), the structure under Matroska and WebM. */
export interface EbmlElement {
  readonly id: number;
  readonly dataStart: number;
  /** Null where the element's length is not stated (live recordings). */
  readonly dataBytes: number | null;
}

/** Reads an element's id and length at `offset` of the bytes; null where they do not fit. */
export function parseEbmlHeader(bytes: Uint8Array, offset: number, baseOffset: number): EbmlElement | null {
  const first = bytes[offset];
  if (first === undefined || first === 0) return null;
  const idLength = Math.clz32(first) - 23;
  if (idLength > 4) return null;
  let id = 0;
  for (let i = 0; i < idLength; i++) id = id * 256 + (bytes[offset + i] ?? 0);
  const sizeAt = offset + idLength;
  const sizeFirst = bytes[sizeAt];
  if (sizeFirst === undefined || sizeFirst === 0) return null;
  const sizeLength = Math.clz32(sizeFirst) - 23;
  let size = sizeFirst & (0xff >> sizeLength);
  let isUnknown = size === 0xff >> sizeLength;
  for (let i = 1; i < sizeLength; i++) {
    const byte = bytes[sizeAt + i];
    if (byte === undefined) return null;
    if (byte !== 0xff) isUnknown = false;
    size = size * 256 + byte;
  }
  return { id, dataStart: baseOffset + sizeAt + sizeLength, dataBytes: isUnknown ? null : size };
}

/** The elements inside one that is in memory. */
export function* ebmlChildren(bytes: Uint8Array): Generator<{ readonly id: number; readonly data: Uint8Array }> {
  let offset = 0;
  while (offset < bytes.length) {
    const element = parseEbmlHeader(bytes, offset, 0);
    if (!element || element.dataBytes === null) return;
    const end = element.dataStart + element.dataBytes;
    yield { id: element.id, data: bytes.subarray(element.dataStart, Math.min(end, bytes.length)) };
    offset = end;
  }
}

/** An unsigned integer, the high byte first. */
export const unsignedOf = (data: Uint8Array): number => data.reduce((value, byte) => value * 256 + byte, 0);

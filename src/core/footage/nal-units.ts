/** Where parameter sets may stand: in front of start codes (TS), or behind lengths of so many bytes (MP4, Matroska). */
export type NalFraming = { readonly kind: 'start-codes' } | { readonly kind: 'lengths'; readonly lengthBytes: number };

/** Frames have a handful of units before the pictures' own; more are broken or hostile. */
const mostUnits = 200;

function* unitsByStartCode(bytes: Uint8Array): Generator<Uint8Array> {
  let start = -1;
  for (let i = 0; i + 2 < bytes.length; i++) {
    if (bytes[i] !== 0 || bytes[i + 1] !== 0 || bytes[i + 2] !== 1) continue;
    if (start >= 0) yield bytes.subarray(start, i);
    start = i + 3;
    i += 2;
  }
  if (start >= 0) yield bytes.subarray(start);
}

function* unitsByLength(bytes: Uint8Array, lengthBytes: number): Generator<Uint8Array> {
  let offset = 0;
  while (offset + lengthBytes < bytes.length) {
    let length = 0;
    for (let i = 0; i < lengthBytes; i++) length = length * 256 + (bytes[offset + i] ?? 0);
    offset += lengthBytes;
    if (length === 0) return;
    yield bytes.subarray(offset, offset + length);
    offset += length;
  }
}

/** The first unit of a coded frame that `isWanted` accepts by its header's first byte, or null. */
export function findNalUnit(
  frame: Uint8Array,
  framing: NalFraming,
  isWanted: (firstByte: number) => boolean,
): Uint8Array | null {
  const units = framing.kind === 'lengths' ? unitsByLength(frame, framing.lengthBytes) : unitsByStartCode(frame);
  let seenCount = 0;
  for (const unit of units) {
    if (unit.length > 0 && isWanted(unit[0] as number)) return unit;
    seenCount += 1;
    if (seenCount >= mostUnits) return null;
  }
  return null;
}

/** Reads bits from the most significant on; past the end it gives zeros, so that no bytes can make it throw. */
export interface BitReader {
  readonly readBits: (count: number) => number;
  /** Unsigned Exp-Golomb code (ITU-T H.264, 9.1). */
  readonly readExpGolomb: () => number;
  /** Signed Exp-Golomb code (ITU-T H.264, 9.1.1). */
  readonly readSignedExpGolomb: () => number;
}

export function createBitReader(bytes: Uint8Array): BitReader {
  let bitIndex = 0;
  const readBit = (): number => {
    const byte = bytes[bitIndex >> 3] ?? 0;
    const bit = (byte >> (7 - (bitIndex & 7))) & 1;
    bitIndex += 1;
    return bit;
  };
  const readBits = (count: number): number => {
    let value = 0;
    for (let i = 0; i < count; i++) value = value * 2 + readBit();
    return value;
  };
  const readExpGolomb = (): number => {
    let zeros = 0;
    while (zeros < 32 && readBit() === 0) zeros += 1;
    return 2 ** zeros - 1 + readBits(zeros);
  };
  const readSignedExpGolomb = (): number => {
    const code = readExpGolomb();
    return code % 2 === 1 ? (code + 1) / 2 : -code / 2;
  };
  return { readBits, readExpGolomb, readSignedExpGolomb };
}

/** Takes out the bytes that keep start codes from appearing inside a NAL unit (ITU-T H.264, 7.4.1). */
export function removeEmulationPrevention(bytes: Uint8Array): Uint8Array {
  const kept: number[] = [];
  let zeroCount = 0;
  for (const byte of bytes) {
    if (zeroCount >= 2 && byte === 3) {
      zeroCount = 0;
      continue;
    }
    kept.push(byte);
    zeroCount = byte === 0 ? zeroCount + 1 : 0;
  }
  return Uint8Array.from(kept);
}

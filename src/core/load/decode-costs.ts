import type { ChromaFormat } from '../footage/types';

/**
 * Software decoding on the reference core: `msPerMegapixel` and `msPerMegabit`, both a frame.
 * Fitted on tests/fixtures/decode-cost.csv by least squares of the relative error (2026-11-25): median misfit
 * 4 % in the three over-determined rows' groups, worst 13 %. A power of the bits (exponent 0.5 to 0.9) costs
 * a parameter and brings nothing: worst 13.7 to 14.3 %. `tableChroma` is the chroma the figures were measured
 * with; `origin` tells measured from assumed.
 */
export const decodeCosts = [
  { codec: 'h264', mostBitDepth: 8, msPerMegapixel: 3.7, msPerMegabit: 12.3, tableChroma: '4:2:0', origin: 'measured' },
  {
    codec: 'h264',
    mostBitDepth: 16,
    msPerMegapixel: 4.65,
    msPerMegabit: 19.7,
    tableChroma: '4:2:0',
    origin: 'measured',
  },
  { codec: 'hevc', mostBitDepth: 8, msPerMegapixel: 7.3, msPerMegabit: 24.8, tableChroma: '4:2:0', origin: 'measured' },
  {
    codec: 'hevc',
    mostBitDepth: 16,
    msPerMegapixel: 9.2,
    msPerMegabit: 33.8,
    tableChroma: '4:2:0',
    origin: 'measured',
  },
  { codec: 'vp9', mostBitDepth: 16, msPerMegapixel: 4.2, msPerMegabit: 13.9, tableChroma: '4:2:0', origin: 'measured' },
  {
    codec: 'mjpeg',
    mostBitDepth: 16,
    msPerMegapixel: 3.15,
    msPerMegabit: 1.6,
    tableChroma: '4:2:2',
    origin: 'measured',
  },
  {
    codec: 'prores',
    mostBitDepth: 16,
    msPerMegapixel: 1.9,
    msPerMegabit: 3.9,
    tableChroma: '4:2:2',
    origin: 'measured',
  },
  { codec: 'dnxhd', mostBitDepth: 16, msPerMegapixel: 3.9, msPerMegabit: 0, tableChroma: '4:2:2', origin: 'measured' },
  // It is decoded once, when it is opened.
  { codec: 'still', mostBitDepth: 32, msPerMegapixel: 0, msPerMegabit: 0, tableChroma: '4:2:0', origin: 'standard' },
  // Between VP9 and HEVC by the published complexity of its tools; to be measured.
  { codec: 'av1', mostBitDepth: 16, msPerMegapixel: 6, msPerMegabit: 20, tableChroma: '4:2:0', origin: 'assumed' },
  { codec: 'vp8', mostBitDepth: 16, msPerMegapixel: 3, msPerMegabit: 11, tableChroma: '4:2:0', origin: 'assumed' },
  {
    codec: 'mpeg2video',
    mostBitDepth: 16,
    msPerMegapixel: 2.2,
    msPerMegabit: 5,
    tableChroma: '4:2:0',
    origin: 'assumed',
  },
] as const satisfies readonly {
  readonly codec: string;
  readonly mostBitDepth: number;
  readonly msPerMegapixel: number;
  readonly msPerMegabit: number;
  readonly tableChroma: ChromaFormat;
  readonly origin: 'measured' | 'standard' | 'assumed';
}[];

/** Any other codec is taken to cost what 10-bit H.264 does. Assumption. */
const otherCodec = { msPerMegapixel: 4.65, msPerMegabit: 19.7, tableChroma: '4:2:0' } as const;

/** Samples a pixel, brightness and both colours together. */
const samplesPerPixel: Readonly<Record<ChromaFormat, number>> = {
  '4:0:0': 1,
  '4:2:0': 1.5,
  '4:2:2': 2,
  '4:4:4': 3,
  unknown: 1.5,
};

/** Milliseconds that one reference core takes to decode a frame in software; finite and positive for any input in range. */
export function softwareDecodeMs(frame: {
  readonly codec: string;
  readonly bitDepth: number;
  readonly chroma: ChromaFormat;
  readonly megapixels: number;
  readonly megabits: number;
}): number {
  const row =
    decodeCosts.find((candidate) => candidate.codec === frame.codec && frame.bitDepth <= candidate.mostBitDepth) ??
    otherCodec;
  const chroma = frame.chroma === 'unknown' ? row.tableChroma : frame.chroma;
  const chromaRatio = samplesPerPixel[chroma] / samplesPerPixel[row.tableChroma];
  return row.msPerMegapixel * frame.megapixels * chromaRatio + row.msPerMegabit * frame.megabits;
}

import type { ChromaFormat } from '../footage/types';

/** What a codec costs to decode on the reference core, a megapixel of a frame. */
interface DecodeCost {
  readonly codec: string;
  readonly mostBitDepth: number;
  readonly msPerMegapixel: number;
  /** What pictures that are made of others cost where all that moves is told: beside one bit a pixel. */
  readonly msOfMoving: number;
  readonly msPerMegabit: number;
  /** The chroma that the figures were measured with. */
  readonly tableChroma: ChromaFormat;
  readonly origin: 'measured' | 'standard' | 'assumed';
}

/**
 * Software decoding. What is copied from another frame as it stands costs little, and what moves costs much for the few bits that tell
 * how; so beside pixels and bits there is a part that goes by a low power of the bits, frame by frame.
 * Fitted by least squares of the log error on tests/fixtures/decode-cost-sizes.csv (2026-12-01) and, twice as weighty,
 * decode-cost.csv, of which nobody read how even its frames are: median misfit of the first 7 %, one row in ten over 19 %.
 * With 720 and 1440 lines held back from the fit they are off by 7 % in the middle and 25 % at worst.
 */
export const decodeCosts = [
  {
    codec: 'h264',
    mostBitDepth: 8,
    msPerMegapixel: 0.93,
    msOfMoving: 7.3,
    msPerMegabit: 8.5,
    tableChroma: '4:2:0',
    origin: 'measured',
  },
  {
    codec: 'h264',
    mostBitDepth: 16,
    msPerMegapixel: 2,
    msOfMoving: 9.6,
    msPerMegabit: 9.2,
    tableChroma: '4:2:0',
    origin: 'measured',
  },
  {
    codec: 'hevc',
    mostBitDepth: 8,
    msPerMegapixel: 1.03,
    msOfMoving: 18.9,
    msPerMegabit: 8,
    tableChroma: '4:2:0',
    origin: 'measured',
  },
  {
    codec: 'hevc',
    mostBitDepth: 16,
    msPerMegapixel: 1.14,
    msOfMoving: 30.2,
    msPerMegabit: 1.5,
    tableChroma: '4:2:0',
    origin: 'measured',
  },
  {
    codec: 'vp9',
    mostBitDepth: 16,
    msPerMegapixel: 0.52,
    msOfMoving: 14.8,
    msPerMegabit: 3,
    tableChroma: '4:2:0',
    origin: 'measured',
  },
  {
    codec: 'mjpeg',
    mostBitDepth: 16,
    msPerMegapixel: 2.27,
    msOfMoving: 0,
    msPerMegabit: 2.25,
    tableChroma: '4:2:2',
    origin: 'measured',
  },
  {
    codec: 'prores',
    mostBitDepth: 16,
    msPerMegapixel: 2.08,
    msOfMoving: 0,
    msPerMegabit: 3.44,
    tableChroma: '4:2:2',
    origin: 'measured',
  },
  {
    codec: 'dnxhd',
    mostBitDepth: 16,
    msPerMegapixel: 2.02,
    msOfMoving: 0,
    msPerMegabit: 2.32,
    tableChroma: '4:2:2',
    origin: 'measured',
  },
  // It is decoded once, when it is opened.
  {
    codec: 'still',
    mostBitDepth: 32,
    msPerMegapixel: 0,
    msOfMoving: 0,
    msPerMegabit: 0,
    tableChroma: '4:2:0',
    origin: 'standard',
  },
  // Between VP9 and HEVC by the published complexity of its tools; to be measured.
  {
    codec: 'av1',
    mostBitDepth: 16,
    msPerMegapixel: 6,
    msOfMoving: 0,
    msPerMegabit: 20,
    tableChroma: '4:2:0',
    origin: 'assumed',
  },
  {
    codec: 'vp8',
    mostBitDepth: 16,
    msPerMegapixel: 3,
    msOfMoving: 0,
    msPerMegabit: 11,
    tableChroma: '4:2:0',
    origin: 'assumed',
  },
  {
    codec: 'mpeg2video',
    mostBitDepth: 16,
    msPerMegapixel: 2.2,
    msOfMoving: 0,
    msPerMegabit: 5,
    tableChroma: '4:2:0',
    origin: 'assumed',
  },
] as const satisfies readonly DecodeCost[];

/** Any other codec is taken to cost what 10-bit H.264 does. Assumption. */
const otherCodec = decodeCosts[1];

/** Samples a pixel, brightness and both colours together. */
const samplesPerPixel: Readonly<Record<ChromaFormat, number>> = {
  '4:0:0': 1,
  '4:2:0': 1.5,
  '4:2:2': 2,
  '4:4:4': 3,
  unknown: 1.5,
};

/** The power of the bits that moving goes by; 0.2 and 0.3 fit nearly as well. */
const movingPower = 0.25;

/**
 * The power of a file's evenness that moving goes by. The mean over frames of their bits to that power would be 4 · 0.25 · 0.75, where
 * sizes are log-normal; that fits worse, perhaps because between uneven frames more is copied as it stands. Chosen
 * by the rows that were not held back.
 */
const evennessPower = 1.25;

/** How even frames are in size where nobody read them: as those of moving pictures in the table, the more bits the more. */
const usualEvenness = (bitsPerPixel: number): number => 1 - 0.3 * Math.exp(-2 * bitsPerPixel);

/**
 * Milliseconds that one reference core takes to decode a frame in software; finite and positive for any input in range.
 *
 * @param frame `sizeEvenness` as `sizeEvennessOf` has it, null where nobody read it
 */
export function softwareDecodeMs(frame: {
  readonly codec: string;
  readonly bitDepth: number;
  readonly chroma: ChromaFormat;
  readonly megapixels: number;
  readonly megabits: number;
  readonly sizeEvenness: number | null;
}): number {
  const { megapixels, megabits } = frame;
  const row: DecodeCost =
    decodeCosts.find((candidate) => candidate.codec === frame.codec && frame.bitDepth <= candidate.mostBitDepth) ??
    otherCodec;
  const chroma = frame.chroma === 'unknown' ? row.tableChroma : frame.chroma;
  const chromaRatio = samplesPerPixel[chroma] / samplesPerPixel[row.tableChroma];
  const bitsPerPixel = megapixels > 0 ? megabits / megapixels : 0;
  const evenness = frame.sizeEvenness ?? usualEvenness(bitsPerPixel);
  const moved = evenness ** evennessPower * bitsPerPixel ** movingPower;
  // By samples, not by pixels: more of them share the same bits.
  const moving = row.msOfMoving * chromaRatio ** (1 - movingPower) * moved;
  return megapixels * (row.msPerMegapixel * chromaRatio + moving) + row.msPerMegabit * megabits;
}

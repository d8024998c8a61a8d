import type { ChromaFormat } from '../footage/types';

/** What graphics bought in a certain year decode in hardware (docs/model.md). */
const rules: readonly {
  readonly codec: string;
  readonly mostBitDepth: number;
  readonly sinceYear: number;
}[] = [
  { codec: 'h264', mostBitDepth: 8, sinceYear: 2010 },
  { codec: 'mpeg2video', mostBitDepth: 8, sinceYear: 2010 },
  { codec: 'hevc', mostBitDepth: 8, sinceYear: 2016 },
  { codec: 'hevc', mostBitDepth: 10, sinceYear: 2017 },
  { codec: 'vp9', mostBitDepth: 10, sinceYear: 2017 },
  { codec: 'av1', mostBitDepth: 10, sinceYear: 2021 },
];

/**
 * Whether graphics of that year are likely to decode such a picture in hardware.
 * 10-bit H.264 and every 4:2:2 or 4:4:4 form: almost nowhere, so no.
 */
export function canLikelyDecodeInHardware(
  picture: { readonly codec: string; readonly bitDepth: number; readonly chroma: ChromaFormat },
  graphicsYear: number,
): boolean {
  if (picture.chroma === '4:2:2' || picture.chroma === '4:4:4') return false;
  return rules.some(
    (rule) => rule.codec === picture.codec && picture.bitDepth <= rule.mostBitDepth && graphicsYear >= rule.sinceYear,
  );
}

import type { BrowserAnswer } from '@/core/card';
import type { ChromaFormat, ClipFacts, ContainerFormat, ScanKind, SoundFormat, StillFormat } from '@/core/footage';
import { rationalToNumber } from '@/core/numbers/rational';
import { formatFps } from './format';

const codecNames: Readonly<Record<string, string>> = {
  h264: 'H.264',
  hevc: 'HEVC',
  vp8: 'VP8',
  vp9: 'VP9',
  av1: 'AV1',
  prores: 'ProRes',
  mjpeg: 'Motion JPEG',
  dnxhd: 'VC-3',
  mpeg1video: 'MPEG-1',
  mpeg2video: 'MPEG-2',
  mpeg4: 'MPEG-4',
  dvvideo: 'DV',
  rawvideo: 'uncompressed',
};

/** A codec as the trade writes it. */
export const nameCodec = (codec: string): string => codecNames[codec] ?? codec;

const containerNames: Readonly<Record<ContainerFormat | StillFormat | SoundFormat, string>> = {
  mp4: 'MP4',
  mov: 'MOV',
  mkv: 'MKV',
  webm: 'WebM',
  ts: 'MPEG-TS',
  avi: 'AVI',
  mxf: 'MXF',
  other: 'another container',
  jpeg: 'JPEG',
  png: 'PNG',
  webp: 'WebP',
  heif: 'HEIF',
  wav: 'WAV',
  mp3: 'MP3',
  ogg: 'Ogg',
  flac: 'FLAC',
  aac: 'AAC',
};

/** A file's form as the trade writes it. */
export const nameContainer = (container: ClipFacts['container']): string => containerNames[container];

export const scanTexts: Readonly<Record<ScanKind, string>> = {
  progressive: 'whole frames',
  interlaced: 'interlaced',
  unknown: 'not stated',
};

/** "10-bit 4:2:2", or the depth alone where the colour form is not stated. */
export const describeDepth = (bitDepth: number, chroma: ChromaFormat): string =>
  chroma === 'unknown' ? `${bitDepth}-bit` : `${bitDepth}-bit ${chroma}`;

/** A clip's form in one line: "H.264 10-bit 4:2:2, 3840 × 2160 at 25", "JPEG still, 6000 × 4000". */
export function describeFormat(facts: ClipFacts): string {
  switch (facts.kind) {
    case 'video':
      return `${nameCodec(facts.codec)} ${describeDepth(facts.bitDepth, facts.chroma)}, ${facts.widthPx} × ${facts.heightPx} at ${formatFps(rationalToNumber(facts.frameRate))}${facts.audio ? '' : ', no sound'}`;
    case 'still':
      return `${nameContainer(facts.container)} still, ${facts.widthPx} × ${facts.heightPx}`;
    case 'sound':
      return `${nameContainer(facts.container)} sound, ${formatFps(facts.audio.sampleRateHz / 1000)} kHz`;
  }
}

const browserAnswerTexts: Readonly<Record<BrowserAnswer['hardware'], string>> = {
  accepted: 'would decode it in hardware',
  refused: 'decodes it, and refuses to in hardware',
  'none-here': 'decodes it, and has no hardware decoding for anything',
  'codec-unknown': 'does not decode it',
};

/** What this browser said when it was asked about a clip: a preference, not a proof. */
export function describeBrowserAnswer({ hardware, isSmooth, isPowerEfficient }: BrowserAnswer): string {
  const smooth = { yes: ', expects it to be smooth', no: ', expects it to stutter', unknown: '' }[isSmooth];
  const efficient = { yes: ' and to save power', no: '', unknown: '' }[isPowerEfficient];
  return `${browserAnswerTexts[hardware]}${smooth}${efficient}`;
}

import { assertNever } from '@/core/assert-never';
import type { ChromaFormat, ClipTrait, FootageFailure } from '@/core/footage';
import { formatBytes } from './format';

/** What went wrong with a file, what was expected and what to try. */
export function describeFootageFailure(failure: FootageFailure): string {
  switch (failure.code) {
    case 'file-empty':
      return 'This file is empty: it has 0 bytes. Copy it from the camera or phone again.';
    case 'file-not-media':
      return 'This is no video file that Oil Can can read, whatever its name says. MP4, MOV, MKV, WebM and TS are read.';
    case 'file-cut-off':
      return failure.expectedBytes === null
        ? `This file is cut off: its index is missing, so ${formatBytes(failure.sizeBytes)} of it cannot be told apart. Copy it again; if the recording broke off, the recorder may be able to repair it.`
        : `This file is cut off: it has ${formatBytes(failure.sizeBytes)} where its own header says ${formatBytes(failure.expectedBytes)}. Copy it again from the original.`;
    case 'no-video-track':
      return failure.hasAudio
        ? 'This file has sound and no picture. Sound does not make the preview lag, so it is left out.'
        : 'This file has no picture in it. Choose the video file itself.';
    case 'codec-unknown':
      return `The picture is stored in a form that Oil Can does not know (code "${failure.internalCode}"). The other files are not affected.`;
    case 'no-frames':
      return 'The file states a picture track and holds no frames in it. Copy it again, or leave it out.';
    case 'file-unreadable':
      return 'The file could not be read: it may be damaged, moved, or locked by another program. Try again once it plays in a plain player.';
    case 'read-budget-exceeded':
      return `Telling this file's facts would need more than ${formatBytes(failure.budgetBytes)} of it, which a sound file never does. It is left out.`;
    case 'read-timed-out':
      return `Reading this file took longer than ${Math.round(failure.afterMs / 1000)} seconds and was stopped. The drive may be asleep or away; try again.`;
    case 'read-cancelled':
      return 'Stopped before this file was read. Drop it again to read it.';
    default:
      return assertNever(failure);
  }
}

interface TraitText {
  readonly label: string;
  /** What it means for playing and scrubbing, one press away. */
  readonly why: string;
}

/** Traits in plain words. */
export const traitTexts: Readonly<Record<ClipTrait, TraitText>> = {
  'long-key-frame-distance': {
    label: 'key frames far apart',
    why: 'Only a key frame can be shown on its own. A jump to any other place decodes everything since the last one, so scrubbing waits, even where playing is smooth.',
  },
  'ten-bit': {
    label: '10-bit',
    why: 'Finer colour steps, good for grading. They cost about half as much again to decode, and 10-bit H.264 is decoded in hardware almost nowhere.',
  },
  'chroma-422': {
    label: '4:2:2',
    why: 'A third more samples than 4:2:0. The hardware of most laptops cannot decode this, so the processor does it.',
  },
  'chroma-444': {
    label: '4:4:4',
    why: 'Twice the samples of 4:2:0. The hardware of most laptops cannot decode this, so the processor does it.',
  },
  'variable-frame-rate': {
    label: 'uneven frame rate',
    why: 'Frames do not come at even distances, as phones and screen recorders do it. Editors repeat or drop some to fit the timeline, and sound can drift.',
  },
  'very-high-bitrate': {
    label: 'very high bit rate',
    why: 'Much data for each second. It costs decoding time, and a slow drive or card may not deliver it fast enough.',
  },
  'large-picture': {
    label: 'large picture',
    why: 'Decoding and scaling cost by the pixel: a 2160-line picture has four times as many as a 1080-line one.',
  },
  'high-frame-rate': {
    label: 'high frame rate',
    why: 'On a slower timeline most of these frames are decoded and never shown, unless the clip is slowed down.',
  },
  hevc: {
    label: 'HEVC',
    why: 'Small files for their quality, and about twice as dear to decode as H.264 where hardware does not help.',
  },
  rotated: {
    label: 'turned',
    why: 'The file says "turn me" and every frame is turned when shown. It costs little.',
  },
  'intra-frame': {
    label: 'every frame a key frame',
    why: 'Each frame stands on its own: scrubbing is quick, files are large.',
  },
};

const codecNames: Readonly<Record<string, string>> = {
  h264: 'H.264',
  hevc: 'HEVC',
  vp8: 'VP8',
  vp9: 'VP9',
  av1: 'AV1',
  prores: 'ProRes',
  mjpeg: 'Motion JPEG',
  dnxhd: 'VC-3',
  mpeg2video: 'MPEG-2',
};

/** A codec as the trade writes it. */
export const nameCodec = (codec: string): string => codecNames[codec] ?? codec;

/** "10-bit 4:2:2", or the depth alone where the colour form is not stated. */
export const describeDepth = (bitDepth: number, chroma: ChromaFormat): string =>
  chroma === 'unknown' ? `${bitDepth}-bit` : `${bitDepth}-bit ${chroma}`;

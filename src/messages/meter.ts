import { assertNever } from '@/core/assert-never';
import type { Confidence, ConfidenceReason, MeterFailure, MeterResult, RecordingFailure } from '@/core/meter';
import { formatDuration, formatFps, formatWait } from './format';

/** Why a recording gave no number. */
export function describeMeterFailure(failure: MeterFailure | RecordingFailure): string {
  switch (failure.code) {
    case 'not-enough-movement':
      return 'Not enough moves in this recording to tell a new picture from the old one. Record a stretch where the picture moves, with the preview in full view, for 15 seconds or more.';
    case 'too-short':
      return `Only ${formatWait(failure.durationMs)} of this recording are measured; it takes at least ${formatDuration(failure.leastMs)}. Choose a longer span, or record 15 seconds.`;
    case 'recording-not-video':
      return 'This file holds no video that can be read here. Drop the screen recording itself: MP4, MOV, MKV or WebM.';
    case 'recording-not-decoded':
      return `This browser does not decode ${failure.codec === 'unknown' ? 'this kind of video' : failure.codec.toUpperCase()}. Record again as H.264 or VP9, which every browser decodes.`;
    case 'recording-unreadable':
      return 'The recording could not be read any more: it was moved, changed or taken off. Choose it again.';
    case 'recording-broke':
      return 'Decoding the recording broke off: it may be damaged. Nothing was stored. Try once more, or record again.';
    case 'recording-stopped':
      return 'Stopped. Nothing of this measurement is kept.';
    default:
      return assertNever(failure);
  }
}

/** How far a result can be relied on. */
export const confidenceTexts: Readonly<Record<Confidence, string>> = {
  high: 'sure',
  medium: 'fairly sure',
  low: 'not sure',
};

/** Why it can, or cannot. */
export const confidenceReasonTexts: Readonly<Record<ConfidenceReason, string>> = {
  clear: 'New pictures stand clear of repeats.',
  'at-recorded-rate':
    'New pictures come nearly as often as the recording has frames, so there may be more than it holds. Record at a higher rate to tell.',
  'few-pictures': 'Only a few new pictures were seen. Measure a longer stretch.',
  'faint-movement': 'The picture hardly moves. Play a stretch with more movement.',
  'strong-compression':
    'The recording is compressed so strongly that repeats change as well. Record at a higher quality.',
  'unclear-changes': 'Some pictures changed so little that they could be repeats.',
};

/** The rate in words: "18.4 a second", "at least 51 a second". */
export const describeShown = ({ shownFps, isAtLeast }: MeterResult): string =>
  `${isAtLeast ? 'at least ' : ''}${formatFps(Math.round(shownFps * 10) / 10)} a second`;

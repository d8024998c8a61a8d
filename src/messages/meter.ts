import { assertNever } from '@/core/assert-never';
import type {
  CaptureFailure,
  Confidence,
  ConfidenceReason,
  IntervalScale,
  MeterFailure,
  MeterResult,
  Pace,
  PracticePattern,
  RecordingFailure,
} from '@/core/meter';
import { formatCount, formatDuration, formatMs, formatRate, formatWait } from './format';

/** Why a recording or a shared window gave no number. */
export function describeMeterFailure(failure: MeterFailure | RecordingFailure | CaptureFailure): string {
  switch (failure.code) {
    case 'not-enough-movement':
      return 'Not enough movement to tell a new picture from the old one. Play a moving part, with the preview in full view, for 15 seconds or more.';
    case 'filmed-unclear':
      return 'New pictures cannot be told from the camera’s noise, or from how the hand moved. Film at 60 or 120 frames a second, with the preview and a rim of the window around it in sight, the phone on something firm and the room not dark.';
    case 'too-short':
      return `Only ${formatWait(failure.durationMs)} are measured; it takes at least ${formatDuration(failure.leastMs)}. Choose a longer span, or record 15 seconds.`;
    case 'recording-not-video':
      return 'This file holds no video that can be read here. Drop the screen recording itself: MP4, MOV, MKV or WebM.';
    case 'recording-not-decoded':
      return `This browser does not decode ${failure.codec === 'unknown' ? 'this kind of video' : failure.codec.toUpperCase()}. Record again as H.264 or VP9, which every browser decodes; on a phone, choose the most compatible format in the camera’s settings.`;
    case 'recording-unreadable':
      return 'The recording could not be read any more: it was moved, changed or taken off. Choose it again.';
    case 'recording-broke':
      return 'Decoding the recording broke off: it may be damaged. Nothing was stored. Try once more, or record again.';
    case 'capture-unsupported':
      return 'This browser does not hand a shared window’s frames to a page; Chromium and what is built on it do. A recording, tapping along or typing what you see works here too.';
    case 'capture-refused':
      return 'No window was shared: it was refused or closed. Press the button again and choose the editor’s window; nothing of it leaves this computer.';
    case 'capture-ended':
      return 'Sharing ended before the measurement did, so nothing was kept. Share the window again, and leave it shared until the figure stands here.';
    case 'capture-resized':
      return 'The shared window changed its size meanwhile. Leave it as it is and measure again.';
    case 'capture-silent':
      return 'Not one frame came from the shared window: it may be minimised, paused or on another desktop. Bring it to the front and measure again.';
    case 'capture-broke':
      return 'Measuring the shared window broke off. Nothing was stored. Share it again.';
    case 'capture-stopped':
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
    'New pictures come nearly as often as frames could be seen, so there may be more than that. Record or share at a higher rate to tell.',
  'as-often-as-shared':
    'Every change in the window was a new picture. That looks the same as sharing that goes no faster than this; if you doubt it, record the screen and drop the recording.',
  'few-pictures': 'Only a few new pictures were seen. Measure a longer stretch.',
  'faint-movement': 'The picture hardly moves. Play a stretch with more movement.',
  'strong-compression':
    'The recording is compressed so strongly that repeats change as well. Record at a higher quality.',
  'measuring-too-slow':
    'The machine could not keep up with measuring, so frames may have been missed. Close what you can, or tap along instead.',
  filmed:
    'It was filmed: a picture that comes while a frame is lit lies over the one before, so that no more than a third of the filmed rate can be told, and faint pictures are lost in the camera’s noise.',
  'looks-filmed':
    'New pictures come in pairs, or all of the window differs from frame to frame, as where a camera films the screen. If one did, say so, and it is measured as that.',
  'unclear-changes': 'Some pictures changed so little that they could be repeats.',
};

/** The rate in words: "18.4 a second", "at least 51 a second". */
export const describeShown = ({ shownFps, isAtLeast }: MeterResult): string =>
  `${isAtLeast ? 'at least ' : ''}${formatRate(shownFps)} a second`;

/** How the practice window stutters. */
export const practicePatternTexts: Readonly<Record<PracticePattern, string>> = {
  even: 'Evenly',
  'by-turns': 'By turns slower',
  freezes: 'With freezes',
};

/** Whether film time kept up with the clock. */
export const paceTexts: Readonly<Record<Exclude<Pace, 'unknown'>, string>> = {
  'in-step': 'It kept in step with the clock: pictures were left out.',
  slowed: 'It slowed down: it took longer to play than it is.',
};

/** "Measuring took 6 % of one core." */
export const describeOwnLoad = (ratio: number): string =>
  `Measuring itself took ${Math.max(1, Math.round(100 * ratio))} % of one core, and the browser’s sharing some more.`;

/** What is normal in a drawing of intervals, and what of it lies beyond its edge. */
export function describeIntervals({ usualMs, overCount, longestMs }: IntervalScale, deadlineMs: number): string {
  const beyond =
    overCount === 0
      ? ''
      : ` ${formatCount(overCount, 'longer stop')} at the edge, the longest ${formatWait(longestMs)}.`;
  return `Here usually ${formatMs(usualMs)} ms; in time is up to ${formatMs(deadlineMs)} ms, the dashed line.${beyond}`;
}

/** Stutters in words. */
export function describeTapped({
  lengthMs,
  stutterCount,
  freezesMs,
}: {
  readonly lengthMs: number;
  readonly stutterCount: number;
  readonly freezesMs: readonly number[];
}): { readonly rate: string; readonly freezes: string } {
  const perMinute = Math.round((stutterCount * 60_000) / lengthMs);
  return {
    rate: `${formatCount(perMinute, 'stutter')} a minute`,
    freezes:
      freezesMs.length === 0
        ? 'No freeze was held.'
        : `${formatCount(freezesMs.length, 'freeze')} held, the longest ${formatWait(Math.max(...freezesMs))}.`,
  };
}

/** Why the practice machine gave no reading. */
export function describePracticeFailure(
  failure: MeterFailure | { readonly code: 'no-video' } | { readonly code: 'practice-broke'; readonly detail: string },
): string {
  if (failure.code === 'no-video')
    return 'The practice machine has nothing to play: this card has no video any more. Add footage to it first.';
  if (failure.code === 'practice-broke')
    return 'Measuring the practice machine broke off. Nothing was stored. Press the button once more.';
  return describeMeterFailure(failure);
}

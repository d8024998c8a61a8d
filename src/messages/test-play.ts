import { assertNever } from '@/core/assert-never';
import type { DecodeRun, FileRead, TestPlayFailure, TestPlayProgress } from '@/core/test-play';
import { nameCodec } from './clip-facts';
import { formatFps } from './format';

/** What one run does, in a few words. */
export function describeRun(run: Pick<DecodeRun, 'way' | 'isOneByOne' | 'drawnHeightPx'>): string {
  const by = run.way === 'hardware' ? 'on the graphics' : 'by the processor';
  if (run.isOneByOne) return 'One frame at a time, by the processor';
  if (run.drawnHeightPx === null) return `Decoding alone, ${by}`;
  return `Decoded and drawn ${run.drawnHeightPx} pixels high, ${by}`;
}

/** What a test-play is doing. */
export function describeTestPlayProgress(progress: TestPlayProgress): string {
  switch (progress.phase) {
    case 'loading':
      return 'Loading the beginning of the clip';
    case 'reading':
      return `Reading from the drive (${progress.pieceIndex + 1} of ${progress.pieceCount} pieces)`;
    case 'decoding':
      return `${describeRun(progress.run)} (${progress.runIndex + 1} of ${progress.runCount})`;
    case 'scrubbing':
      return `Moving to place ${progress.jumpIndex + 1} of ${progress.jumpCount}`;
    default:
      return assertNever(progress);
  }
}

/** Why a clip could not be played here, and what that implies. */
export function describeTestPlayFailure(failure: TestPlayFailure): string {
  switch (failure.code) {
    case 'codec-not-decoded':
      return `This browser does not decode ${nameCodec(failure.codec)} of this form, so it cannot be played here. That says nothing of your editor, which brings its own decoder; the estimate for this clip stays an estimate.`;
    case 'decoding-broke':
      return 'Decoding broke off: the clip may be damaged, or the driver of the graphics failed. What was stored before is kept. Try once more; if it breaks again, try the clip in a plain player.';
    case 'test-file-unreadable':
      return 'The file could not be read any more: it was moved, changed or taken off. Choose it again, then play it again.';
    case 'test-stopped':
      return 'Stopped. Nothing of this test is kept.';
    default:
      return assertNever(failure);
  }
}

/** The rate at which a file came. */
export const nameReadRate = ({ megabytePerSec, isAtLeast }: FileRead): string =>
  `${formatFps(Math.round(megabytePerSec))} megabytes a second${isAtLeast ? ' or more' : ''}`;

/** Why a file may have come quickly. */
export const quickReadText = 'from a quick drive, or out of memory because it was played lately';

/** How quickly a clip's file came, and what that says of its drive. */
export const describeFileRead = (read: FileRead): string =>
  `Its file came at ${nameReadRate(read)}${read.isAtLeast ? `: ${quickReadText}` : ''}.`;

/** A test-play as a step that would tell causes apart. */
export const testPlayLook = {
  title: (fileName: string): string => `Let Oil Can play ${fileName} here`,
  titleOfAny: 'Let Oil Can measure a clip here',
  titleOfReading: (fileName: string): string => `Let Oil Can read ${fileName} here`,
  how: 'It reads pieces of the file, decodes the clip for some seconds and moves about in it, and so measures this drive, this processor and these graphics as they are now: held back or not, with the other programs running. Leave the editor open and idle meanwhile.',
  howOfReading:
    'It reads pieces from all over the file, and so measures the drive that your footage lies on. This browser cannot decode the clip, but reading is quicker told this way than by copying a file.',
  button: 'Go to the clip',
  refused: 'Playing a clip here',
} as const;

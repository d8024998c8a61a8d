import { assertNever } from '@/core/assert-never';
import type { DecodeRun, TestPlayFailure, TestPlayProgress } from '@/core/test-play';
import { nameCodec } from './clip-facts';

/** What one run does, in a few words. */
export function describeRun(run: Pick<DecodeRun, 'way' | 'isOneByOne' | 'drawnHeightPx'>): string {
  const by = run.way === 'hardware' ? 'on the graphics' : 'by the processor';
  if (run.isOneByOne) return 'One frame at a time, by the processor';
  if (run.drawnHeightPx === null) return `Decoding alone, ${by}`;
  return `Decoded and drawn ${run.drawnHeightPx} lines high, ${by}`;
}

/** What a test-play is doing. */
export function describeTestPlayProgress(progress: TestPlayProgress): string {
  switch (progress.phase) {
    case 'loading':
      return 'Loading the beginning of the clip';
    case 'decoding':
      return `${describeRun(progress.run)} (${progress.runIndex + 1} of ${progress.runCount})`;
    case 'scrubbing':
      return `Jumping to place ${progress.jumpIndex + 1} of ${progress.jumpCount}`;
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

/** A test-play as a step that would tell causes apart. */
export const testPlayLook = {
  title: (fileName: string): string => `Let Oil Can play ${fileName} here`,
  how: 'It decodes the clip for some seconds and jumps about in it, and so measures this processor and these graphics as they are now: held back or not, with the other programs running. Leave the editor open and idle meanwhile.',
  button: 'Go to the clip',
  refused: 'Playing a clip here',
} as const;

import type { ChromaFormat } from '../footage/types';

/** Who decodes: the processor alone, or the graphics where the browser accepts them. */
export const decodeWays = ['software', 'hardware'] as const;
export type DecodeWay = (typeof decodeWays)[number];

/** One run of a test-play: so many seconds of a clip, decoded as fast as this machine can. */
export interface DecodeRun {
  readonly way: DecodeWay;
  /** True where the decoder was asked to hand out each frame at once, which keeps it to one thread in most browsers. */
  readonly isOneByOne: boolean;
  /** Height to which each frame was drawn after decoding; null where it was only decoded. */
  readonly drawnHeightPx: number | null;
  readonly frameCount: number;
  /** From the first frame to the last. */
  readonly elapsedMs: number;
  readonly decodedFps: number;
  /** Frames that a viewer at the clip's own rate would have had to leave out. */
  readonly droppedCount: number;
}

/** Jumps to random places: from asking to having the frame. */
export interface ScrubRun {
  readonly jumpCount: number;
  readonly medianMs: number;
  /** The wait that one jump in ten reaches or passes. */
  readonly slowestTenthMs: number;
}

/** Pieces from all over a clip's file, read off its drive. */
export interface FileRead {
  /** What the drive gave, the time taken off that this browser needs for passing it on. 1 megabyte is a million bytes. */
  readonly megabytePerSec: number;
  /** True where it came as if it had lain in memory: the drive gives as much or more, or it was not asked. */
  readonly isAtLeast: boolean;
  /** What a small piece from anywhere waits for its drive; null where it may have come out of memory, or was not tried. */
  readonly smallPieceMs: number | null;
}

/** What was decoded; enough to hold it against the estimate. */
export interface TestedStream {
  readonly codec: string;
  readonly bitDepth: number;
  readonly chroma: ChromaFormat;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly frameRateFps: number;
  readonly megabitsPerFrame: number;
  /** How even its frames are in size; null where nobody read them. */
  readonly sizeEvenness: number | null;
}

/** A clip really read and decoded on this machine: a reading of the machine. */
export interface DecodeTest {
  readonly id: string;
  readonly clipId: string;
  readonly fileName: string;
  readonly takenAtMs: number;
  readonly stream: TestedStream;
  /** None where this browser does not decode the clip. */
  readonly runs: readonly DecodeRun[];
  /** Null where the clip is too short to jump in. */
  readonly scrub: ScrubRun | null;
  /** Null where the file is too small for its drive to show. */
  readonly fileRead: FileRead | null;
  /** What the estimate had said before, frames a second by the processor alone. */
  readonly estimatedFps: number;
  readonly estimatedScrubMs: number;
}

/** How far a test-play has come. */
export type TestPlayProgress =
  | { readonly phase: 'loading' }
  | { readonly phase: 'reading'; readonly pieceIndex: number; readonly pieceCount: number }
  | {
      readonly phase: 'decoding';
      readonly run: Pick<DecodeRun, 'way' | 'isOneByOne' | 'drawnHeightPx'>;
      readonly runIndex: number;
      readonly runCount: number;
    }
  | { readonly phase: 'scrubbing'; readonly jumpIndex: number; readonly jumpCount: number };

/** What a test-play found; the card adds what the estimate had said. */
export interface TestPlayOutcome {
  readonly stream: TestedStream;
  readonly runs: readonly DecodeRun[];
  readonly scrub: ScrubRun | null;
  readonly fileRead: FileRead | null;
}

/** Why a clip could not be played here. */
export type TestPlayFailure =
  | { readonly code: 'codec-not-decoded'; readonly codec: string }
  | { readonly code: 'decoding-broke'; readonly detail: string }
  | { readonly code: 'test-file-unreadable' }
  | { readonly code: 'test-stopped' };

/** What test-plays tell of a machine; null where none tells it. */
export interface MeasuredDecoding {
  /** One core against the reference core, under the power mode of the test. */
  readonly coreSpeedRatio: number | null;
  /** Threads that decoding gained from, as far as one clip showed them. */
  readonly decodeThreadCount: number | null;
  /** Megapixels a second that the graphics decode. */
  readonly hardwareMegapixelPerSec: number | null;
}

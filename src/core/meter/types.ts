/** A grey picture: one byte a pixel, rows from top to bottom without padding. */
export interface GreyPicture {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly pixels: Uint8Array;
}

/** A part of a picture, in its pixels. */
export interface PictureRegion {
  readonly xPx: number;
  readonly yPx: number;
  readonly widthPx: number;
  readonly heightPx: number;
}

/** How far a result can be relied on. */
export const confidences = ['high', 'medium', 'low'] as const;
export type Confidence = (typeof confidences)[number];

/** Why. */
export const confidenceReasons = [
  'clear',
  'at-recorded-rate',
  'as-often-as-shared',
  'few-pictures',
  'faint-movement',
  'strong-compression',
  'unclear-changes',
  'measuring-too-slow',
  'filmed',
  'looks-filmed',
] as const;
export type ConfidenceReason = (typeof confidenceReasons)[number];

/** Whether film time keeps up with the clock: pictures are left out, or every one is played and it slows down. */
export const paces = ['in-step', 'slowed', 'unknown'] as const;
export type Pace = (typeof paces)[number];

/** What a preview showed. */
export interface MeterResult {
  /** New pictures a second, from the first to the last. */
  readonly shownFps: number;
  /** Whether it may have been more: near the rate that is recorded or was asked for, pictures between its frames are not seen. */
  readonly isAtLeast: boolean;
  readonly slowestSecondFps: number;
  /** The rate that the longest hundredth of the intervals would make. */
  readonly worstOnePercentFps: number;
  /** The longest interval between two new pictures. */
  readonly longestFreezeMs: number;
  /** Intervals over 250 ms and over two and a half of the usual one. */
  readonly freezesPerMinute: number;
  /** From the first frame to the first new picture. */
  readonly startDelayMs: number;
  /** From the first new picture until the rate stays near what it settles at. */
  readonly settledAfterMs: number;
  readonly settledFps: number;
  /** How long a picture was meant to be shown: by the clip's own rate, else the middle interval. */
  readonly deadlineMs: number;
  readonly confidence: Confidence;
  readonly reason: ConfidenceReason;
  /** Between new pictures, in order. */
  readonly intervalsMs: readonly number[];
}

export type MeterFailure =
  /** Nothing moved, or too little to tell a new picture from the old. */
  | { readonly code: 'not-enough-movement'; readonly strongestChange: number }
  /** Filmed, and new pictures cannot be told from the camera's noise. */
  | { readonly code: 'filmed-unclear' }
  | { readonly code: 'too-short'; readonly durationMs: number; readonly leastMs: number };

import type { MeterReading } from './meter';
import type { PictureRegion } from './types';

/** What of a recording is to be measured. */
export interface RecordingRequest {
  /** The region of the picture; null to look for it. */
  readonly region: PictureRegion | null;
  readonly clipFps: number;
  /** Whether a phone or camera filmed the screen. */
  readonly isFilmed: boolean;
  readonly fromMs: number;
  /** Null for all the rest. */
  readonly toMs: number | null;
}

export interface RecordingProgress {
  readonly doneRatio: number;
  readonly frameCount: number;
}

/** A recording's measurement, with what it is shown beside. */
export interface RecordingReading {
  readonly reading: MeterReading;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly durationMs: number;
  readonly frameCount: number;
}

export type RecordingFailure =
  | { readonly code: 'recording-not-video' }
  | { readonly code: 'recording-not-decoded'; readonly codec: string }
  | { readonly code: 'recording-unreadable' }
  | { readonly code: 'recording-broke'; readonly detail: string }
  | { readonly code: 'recording-stopped' };

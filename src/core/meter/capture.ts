import type { MeterReading } from './meter';
import type { ChangeCourse } from './stretches';
import type { PictureRegion } from './types';

/** What is to be measured of a window that is shared. */
export interface CaptureRequest {
  /** The region of the picture; null to look for it. */
  readonly region: PictureRegion | null;
  readonly clipFps: number;
  /** The most frames a second that sharing gives; null where the browser does not say. */
  readonly ceilingFps: number | null;
  /** Time to go to the editor and press play. */
  readonly countInMs: number;
  /** At most: it can be ended before. */
  readonly lengthMs: number;
  /** Whether what came counts where the sharing ends before it is told to end. */
  readonly isOpenEnded: boolean;
}

/** How a measurement of a shared window stands. */
export interface CaptureProgress {
  readonly phase: 'counting-in' | 'measuring';
  /** Until the phase is over. */
  readonly leftMs: number;
  /** Frames that came since measuring began. */
  readonly frameCount: number;
  /** When new pictures came, before now, newest last; only those of the last seconds (`recentMs`). */
  readonly newBeforeMs: readonly number[];
  /** Whether the region has been found, or was given. */
  readonly isRegionKnown: boolean;
  /** Nothing has come for two seconds: paused, minimised, or nothing moves. */
  readonly isQuiet: boolean;
}

/** How far back progress tells of new pictures. */
export const recentMs = 3000;
/** A rate that follows what happens is of so long. */
const followedMs = 2000;

/** New pictures a second, of the last two seconds. */
export const runningFps = ({ newBeforeMs }: Pick<CaptureProgress, 'newBeforeMs'>): number =>
  (1000 * newBeforeMs.filter((ms) => ms <= followedMs).length) / followedMs;

/** The measurement of a shared window. */
export interface CaptureReading {
  readonly reading: MeterReading;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly frameCount: number;
  readonly measuredMs: number;
  /** When measuring began, after counting in; like all times of the course since 1970, as presses on any page are told. */
  readonly startedAtMs: number;
  readonly course: ChangeCourse;
  /** As it was asked for. */
  readonly ceilingFps: number | null;
  /** Share of one core that measuring took. */
  readonly ownLoadRatio: number;
}

export type CaptureFailure =
  /** The browser cannot share windows, or not hand their frames over. */
  | { readonly code: 'capture-unsupported' }
  | { readonly code: 'capture-refused' }
  /** Sharing ended before the measurement did. */
  | { readonly code: 'capture-ended' }
  | { readonly code: 'capture-resized' }
  /** Not one frame came. */
  | { readonly code: 'capture-silent' }
  | { readonly code: 'capture-broke'; readonly detail: string }
  | { readonly code: 'capture-stopped' };

/** What was measured of the machine by running something on it; null where it could not be told. */
export interface MachineTest {
  readonly takenAtMs: number;
  /** Speed of one core by decoding with one thread; 1 is the reference core. */
  readonly coreSpeedRatio: number | null;
  /** Threads that one decoder gains from. */
  readonly decodeThreadCount: number | null;
  /** How much quicker drawing is on the graphics than on one reference core. */
  readonly graphicsRatio: number | null;
  readonly hardwareMegapixelPerSec: number | null;
  /** A single-threaded piece of work against the same on the reference core. */
  readonly kernelRatio: number;
  /** Megabytes a second that this browser's own storage took and gave; null where it was not tried. */
  readonly storage: StorageRates | null;
  /** Half the range of the repeated runs, as a share of their middle. */
  readonly spreadRatio: number;
  /** The last run's speed as a share of the first one's. */
  readonly endedAtRatio: number;
}

/** How quickly a browser's own storage takes and gives: what was just written may come back out of memory. */
export interface StorageRates {
  readonly writtenMegabytePerSec: number;
  readonly readMegabytePerSec: number;
}

/** What the runs of one measurement came to, before anything is concluded from them. */
export interface MachineRuns {
  /** Reference milliseconds for a frame of the sample clip, and its megapixels. */
  readonly sample: { readonly referenceMs: number; readonly megapixels: number };
  readonly coreCount: number;
  /** Frames a second of one software decoder that is handed frames one by one, which keeps it to one thread; a run each, in order. */
  readonly singleFps: readonly number[];
  /** Frames a second of as many software decoders as there are cores, together; a run each, in order. */
  readonly togetherFps: readonly number[];
  /** Frames a second of one software decoder that may use all cores. */
  readonly aloneFps: number | null;
  /** Frames a second of one decoder in hardware; null where the browser offers none. */
  readonly hardwareFps: number | null;
  /** Milliseconds of the single-threaded piece of work, a run each. */
  readonly kernelMs: readonly number[];
  /** Milliseconds that drawing took on the graphics, and would take on the reference core; null where the browser draws in software. */
  readonly drawing: { readonly graphicsMs: number; readonly referenceMs: number } | null;
  readonly storage: StorageRates | null;
}

/** How far a measurement is. */
export interface MachineProgress {
  readonly phase: 'loading' | 'kernel' | 'single' | 'together' | 'alone' | 'hardware' | 'drawing' | 'storage';
  readonly doneRatio: number;
}

/** Why nothing was measured. */
export type MachineTestFailure =
  | { readonly code: 'machine-test-stopped' }
  | { readonly code: 'machine-test-broke'; readonly detail: string };

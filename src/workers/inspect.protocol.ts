import type { BrowserAnswer } from '@/core/card';
import type { ClipFacts, FootageFailure } from '@/core/footage';
import type { Result } from '@/core/result';

/** The answer for one file: facts or a coded failure, what it read and how long it took. */
export interface InspectAnswer {
  readonly requestId: number;
  readonly result: Result<ClipFacts, FootageFailure>;
  /** What this browser says of decoding it in hardware; null where there is nothing to ask, or nobody. */
  readonly browserAnswer: BrowserAnswer | null;
  readonly bytesRead: number;
  readonly computeMs: number;
}

/** What the inspect worker offers. Files travel as handles: their bytes are read in the worker, by slices. */
export interface InspectWorkerApi {
  readonly inspect: (requestId: number, file: File) => Promise<InspectAnswer>;
  /**
   * Whether the worker waits for something outside it: bytes of the drive, or the browser's word on decoding. A worker
   * that is still being loaded, or hangs, does not answer at all.
   */
  readonly isWaiting: () => Promise<boolean>;
}

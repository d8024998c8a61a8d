import type { CaptureFailure, CaptureProgress, CaptureReading, CaptureRequest } from '@/core/meter';
import type { Result } from '@/core/result';

/** What the capture worker offers. The stream of frames is handed over; frames never come back. */
export interface CaptureWorkerApi {
  readonly measureCapture: (
    frames: ReadableStream<VideoFrame>,
    request: CaptureRequest,
    onProgress: (progress: CaptureProgress) => void,
  ) => Promise<Result<CaptureReading, CaptureFailure>>;
  /** Ends what is measured now, with what it came to so far. */
  readonly finishCapture: () => void;
}

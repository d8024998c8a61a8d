import type { RecordingFailure, RecordingProgress, RecordingReading, RecordingRequest } from '@/core/meter';
import type { Result } from '@/core/result';

/** What the meter worker offers. The file travels as a handle; frames never leave the worker. */
export interface MeterWorkerApi {
  readonly measureRecording: (
    file: File,
    request: RecordingRequest,
    onProgress: (progress: RecordingProgress) => void,
  ) => Promise<Result<RecordingReading, RecordingFailure>>;
}

import type { VideoFacts } from '@/core/footage';
import type { Result } from '@/core/result';
import type { TestPlayFailure, TestPlayOutcome, TestPlayProgress } from '@/core/test-play';

/** What the test-play worker offers. The file travels as a handle; frames never leave the worker. */
export interface TestPlayWorkerApi {
  readonly testPlay: (
    file: File,
    facts: VideoFacts,
    onProgress: (progress: TestPlayProgress) => void,
  ) => Promise<Result<TestPlayOutcome, TestPlayFailure>>;
}

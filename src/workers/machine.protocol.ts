import type { MachineProgress, MachineRuns, MachineTestFailure } from '@/core/machine-test';
import type { Result } from '@/core/result';

/** What the machine worker offers. */
export interface MachineWorkerApi {
  readonly measure: (
    sampleUrl: string,
    coreCount: number,
    onProgress: (progress: MachineProgress) => void,
  ) => Promise<Result<MachineRuns, MachineTestFailure>>;
}

'use client';

import { useCallback, useRef } from 'react';
import {
  concludeMachineTest,
  type MachineProgress,
  type MachineRuns,
  type MachineTest,
  type MachineTestFailure,
} from '@/core/machine-test';
import { fail, type Result, succeed } from '@/core/result';
import { type RunningMachineTest, startMachineTest } from '@/workers/machine.client';
import { type JobState, useWorkerJob } from '../shell/card/use-worker-job';

/** What a practice machine gives at once, as a measurement that is over. */
const alreadyRun = (runs: MachineRuns | null): RunningMachineTest => ({
  outcome: Promise.resolve<Result<MachineRuns, MachineTestFailure>>(
    runs ? succeed(runs) : fail({ code: 'machine-test-broke', detail: 'the practice machine has no film to play' }),
  ),
  stop: () => undefined,
});

/** Measures this machine in a worker, or a practice machine by its runs; leaving the page stops it, and nothing is kept of a stopped one. */
export function useMachineTest(onDone: (test: MachineTest) => void): {
  readonly state: JobState<MachineProgress, MachineRuns, MachineTestFailure>;
  readonly start: (coreCount: number, runPractice: (() => MachineRuns | null) | null) => void;
  readonly stop: () => void;
} {
  const { state, begin, stop } = useWorkerJob<MachineProgress, MachineRuns, MachineTestFailure>();
  const done = useRef(onDone);
  done.current = onDone;
  const start = useCallback(
    async (coreCount: number, runPractice: (() => MachineRuns | null) | null) => {
      const outcome = await begin((report) =>
        runPractice ? alreadyRun(runPractice()) : startMachineTest(coreCount, report),
      );
      if (outcome?.ok) done.current(concludeMachineTest(outcome.value, Date.now()));
    },
    [begin],
  );
  return { state, start, stop };
}

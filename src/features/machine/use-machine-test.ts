'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import {
  concludeMachineTest,
  type MachineProgress,
  type MachineRuns,
  type MachineTest,
  type MachineTestFailure,
} from '@/core/machine-test';
import { fail, type Result, succeed } from '@/core/result';
import { type RunningMachineTest, startMachineTest } from '@/workers/machine.client';

export type MachineTestState =
  | { readonly status: 'idle' }
  | { readonly status: 'running'; readonly progress: MachineProgress }
  | { readonly status: 'failed'; readonly failure: MachineTestFailure };

/** What a practice machine gives at once, as a measurement that is over. */
const alreadyRun = (runs: MachineRuns | null): RunningMachineTest => ({
  outcome: Promise.resolve<Result<MachineRuns, MachineTestFailure>>(
    runs ? succeed(runs) : fail({ code: 'machine-test-broke', detail: 'the practice machine has no film to play' }),
  ),
  stop: () => undefined,
});

/** Measures this machine in a worker, or a practice machine by its runs; leaving the page stops it, and nothing is kept of a stopped one. */
export function useMachineTest(onDone: (test: MachineTest) => void): {
  readonly state: MachineTestState;
  readonly start: (coreCount: number, runPractice: (() => MachineRuns | null) | null) => void;
  readonly stop: () => void;
} {
  const [state, setState] = useState<MachineTestState>({ status: 'idle' });
  const running = useRef<RunningMachineTest | null>(null);
  const done = useRef(onDone);
  done.current = onDone;
  useEffect(() => () => running.current?.stop(), []);
  const start = useCallback(async (coreCount: number, runPractice: (() => MachineRuns | null) | null) => {
    running.current?.stop();
    setState({ status: 'running', progress: { phase: 'loading', doneRatio: 0 } });
    const job = runPractice
      ? alreadyRun(runPractice())
      : startMachineTest(coreCount, (progress) =>
          setState((current) => (current.status === 'running' ? { status: 'running', progress } : current)),
        );
    running.current = job;
    const outcome = await job.outcome;
    if (running.current !== job) return;
    running.current = null;
    setState(outcome.ok ? { status: 'idle' } : { status: 'failed', failure: outcome.failure });
    if (outcome.ok) done.current(concludeMachineTest(outcome.value, Date.now()));
  }, []);
  return { state, start, stop: () => running.current?.stop() };
}

'use client';

import { useCallback, useEffect, useReducer, useRef } from 'react';
import type { Result } from '@/core/result';
import type { WorkerJob } from '@/workers/worker-job';

/** Work in a worker, as the screen shows it; no progress stands while it begins. */
export type JobState<Progress, Value, Failure> =
  | { readonly status: 'idle' }
  | { readonly status: 'running'; readonly progress: Progress | null }
  | { readonly status: 'done'; readonly value: Value }
  | { readonly status: 'failed'; readonly failure: Failure };

type Action<Progress, Value, Failure> =
  | { readonly type: 'begin' | 'clear' }
  | { readonly type: 'progress'; readonly progress: Progress }
  | { readonly type: 'done'; readonly value: Value }
  | { readonly type: 'failed'; readonly failure: Failure };

/** Steps the work on; pure. Progress that comes after the end is not heard. */
export function reduceJob<Progress, Value, Failure>(
  state: JobState<Progress, Value, Failure>,
  action: Action<Progress, Value, Failure>,
): JobState<Progress, Value, Failure> {
  switch (action.type) {
    case 'begin':
      return { status: 'running', progress: null };
    case 'progress':
      return state.status === 'running' ? { status: 'running', progress: action.progress } : state;
    case 'done':
      return { status: 'done', value: action.value };
    case 'failed':
      return { status: 'failed', failure: action.failure };
    case 'clear':
      return { status: 'idle' };
  }
}

export interface JobControls<Progress, Value, Failure extends { readonly code: string }> {
  readonly state: JobState<Progress, Value, Failure>;
  /** Begins; what is under way ends, and is not heard of any more. Gives what came of it, or null where it was not heard of. */
  readonly begin: (
    start: (report: (progress: Progress) => void) => WorkerJob<Value, Failure>,
  ) => Promise<Result<Value, Failure> | null>;
  /** Says that none could begin. */
  readonly refuse: (failure: Failure) => void;
  readonly stop: () => void;
  readonly clear: () => void;
}

/** Does one thing at a time in a worker; leaving the page ends it. */
export function useWorkerJob<Progress, Value, Failure extends { readonly code: string }>(): JobControls<
  Progress,
  Value,
  Failure
> {
  const [state, dispatch] = useReducer(reduceJob<Progress, Value, Failure>, { status: 'idle' });
  const running = useRef<WorkerJob<Value, Failure> | null>(null);
  useEffect(() => () => running.current?.stop(), []);

  const begin: JobControls<Progress, Value, Failure>['begin'] = useCallback(async (start) => {
    running.current?.stop();
    const started = start((progress) => {
      if (running.current === started) dispatch({ type: 'progress', progress });
    });
    running.current = started;
    dispatch({ type: 'begin' });
    const outcome = await started.outcome;
    if (running.current !== started) return null;
    running.current = null;
    dispatch(outcome.ok ? { type: 'done', value: outcome.value } : { type: 'failed', failure: outcome.failure });
    return outcome;
  }, []);
  const clear = useCallback(() => {
    running.current?.stop();
    running.current = null;
    dispatch({ type: 'clear' });
  }, []);
  return {
    state,
    begin,
    refuse: useCallback((failure) => dispatch({ type: 'failed', failure }), []),
    stop: useCallback(() => running.current?.stop(), []),
    clear,
  };
}

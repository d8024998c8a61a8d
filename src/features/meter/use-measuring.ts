'use client';

import { useCallback, useEffect, useReducer, useRef } from 'react';
import type { WorkerJob } from '@/workers/worker-job';

/** A measurement in a worker, as the screen shows it; no progress stands while it begins. */
export type Measuring<Progress, Value, Failure> =
  | { readonly status: 'idle' }
  | { readonly status: 'running'; readonly progress: Progress | null }
  | { readonly status: 'done'; readonly measured: Value }
  | { readonly status: 'failed'; readonly failure: Failure };

type Action<Progress, Value, Failure> =
  | { readonly type: 'begin' | 'clear' }
  | { readonly type: 'progress'; readonly progress: Progress }
  | { readonly type: 'done'; readonly measured: Value }
  | { readonly type: 'failed'; readonly failure: Failure };

/** Steps the measuring on; pure. Progress that comes after the end is not heard. */
export function reduceMeasuring<Progress, Value, Failure>(
  state: Measuring<Progress, Value, Failure>,
  action: Action<Progress, Value, Failure>,
): Measuring<Progress, Value, Failure> {
  switch (action.type) {
    case 'begin':
      return { status: 'running', progress: null };
    case 'progress':
      return state.status === 'running' ? { status: 'running', progress: action.progress } : state;
    case 'done':
      return { status: 'done', measured: action.measured };
    case 'failed':
      return { status: 'failed', failure: action.failure };
    case 'clear':
      return { status: 'idle' };
  }
}

export interface MeasuringControls<Progress, Value, Failure extends { readonly code: string }> {
  readonly state: Measuring<Progress, Value, Failure>;
  /** Begins a measurement; the one under way ends, and is not heard of any more. */
  readonly begin: (start: (report: (progress: Progress) => void) => WorkerJob<Value, Failure>) => Promise<void>;
  /** Says that none could begin. */
  readonly refuse: (failure: Failure) => void;
  readonly stop: () => void;
  readonly clear: () => void;
}

/** Runs one measurement at a time in a worker; leaving the page ends it. */
export function useMeasuring<Progress, Value, Failure extends { readonly code: string }>(): MeasuringControls<
  Progress,
  Value,
  Failure
> {
  const [state, dispatch] = useReducer(reduceMeasuring<Progress, Value, Failure>, { status: 'idle' });
  const running = useRef<WorkerJob<Value, Failure> | null>(null);
  useEffect(() => () => running.current?.stop(), []);

  const begin: MeasuringControls<Progress, Value, Failure>['begin'] = useCallback(async (start) => {
    running.current?.stop();
    const started = start((progress) => {
      if (running.current === started) dispatch({ type: 'progress', progress });
    });
    running.current = started;
    dispatch({ type: 'begin' });
    const outcome = await started.outcome;
    if (running.current !== started) return;
    dispatch(outcome.ok ? { type: 'done', measured: outcome.value } : { type: 'failed', failure: outcome.failure });
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

'use client';

import { useCallback, useEffect, useReducer, useRef } from 'react';
import type { RecordingFailure, RecordingProgress, RecordingReading, RecordingRequest } from '@/core/meter';
import { type RunningRecording, startRecording } from '@/workers/meter.client';

/** The measuring of a recording, as the screen shows it. */
export type RecordingState =
  | { readonly status: 'idle' }
  | { readonly status: 'running'; readonly progress: RecordingProgress }
  | { readonly status: 'done'; readonly measured: RecordingReading }
  | { readonly status: 'failed'; readonly failure: RecordingFailure };

type Action =
  | { readonly type: 'begin' }
  | { readonly type: 'progress'; readonly progress: RecordingProgress }
  | { readonly type: 'done'; readonly measured: RecordingReading }
  | { readonly type: 'failed'; readonly failure: RecordingFailure }
  | { readonly type: 'clear' };

/** Steps the measuring on; pure. Progress that comes after the end is not heard. */
export function reduceRecording(state: RecordingState, action: Action): RecordingState {
  switch (action.type) {
    case 'begin':
      return { status: 'running', progress: { doneRatio: 0, frameCount: 0 } };
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

export interface RecordingControls {
  readonly state: RecordingState;
  readonly measure: (file: File, request: RecordingRequest) => Promise<void>;
  readonly stop: () => void;
  readonly clear: () => void;
}

/** Measures one recording at a time in a worker; a new one ends the one under way. */
export function useRecording(): RecordingControls {
  const [state, dispatch] = useReducer(reduceRecording, { status: 'idle' });
  const running = useRef<RunningRecording | null>(null);
  useEffect(() => () => running.current?.stop(), []);

  const measure = useCallback(async (file: File, request: RecordingRequest) => {
    running.current?.stop();
    const started = startRecording(file, request, (progress) => {
      if (running.current === started) dispatch({ type: 'progress', progress });
    });
    running.current = started;
    dispatch({ type: 'begin' });
    const outcome = await started.outcome;
    if (running.current !== started) return;
    dispatch(outcome.ok ? { type: 'done', measured: outcome.value } : { type: 'failed', failure: outcome.failure });
  }, []);

  const stop = useCallback(() => running.current?.stop(), []);
  const clear = useCallback(() => {
    running.current?.stop();
    running.current = null;
    dispatch({ type: 'clear' });
  }, []);
  return { state, measure, stop, clear };
}

'use client';

import { useCallback, useEffect, useReducer, useRef, useState } from 'react';
import { type SharedWindow, shareWindow } from '@/adapters/browser/share-window';
import type { CaptureFailure, CaptureProgress, CaptureReading, CaptureRequest } from '@/core/meter';
import { type RunningCapture, startCapture } from '@/workers/capture.client';

/** The measuring of a shared window, as the screen shows it. */
export type CaptureState =
  | { readonly status: 'idle' }
  | { readonly status: 'asking' }
  | { readonly status: 'running'; readonly progress: CaptureProgress | null }
  | { readonly status: 'done'; readonly measured: CaptureReading }
  | { readonly status: 'failed'; readonly failure: CaptureFailure };

type Action =
  | { readonly type: 'ask' | 'begin' | 'clear' }
  | { readonly type: 'progress'; readonly progress: CaptureProgress }
  | { readonly type: 'done'; readonly measured: CaptureReading }
  | { readonly type: 'failed'; readonly failure: CaptureFailure };

/** Steps the measuring on; pure. Progress that comes after the end is not heard. */
export function reduceCapture(state: CaptureState, action: Action): CaptureState {
  switch (action.type) {
    case 'ask':
      return { status: 'asking' };
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

export interface CaptureControls {
  readonly state: CaptureState;
  /** The window that is shared now. */
  readonly shared: SharedWindow | null;
  readonly share: () => Promise<void>;
  readonly measure: (request: Omit<CaptureRequest, 'ceilingFps'>) => Promise<void>;
  readonly stop: () => void;
  readonly unshare: () => void;
  readonly clear: () => void;
}

/** Shares one window and measures it in a worker, as often as wanted; leaving the page ends both. */
export function useCapture(): CaptureControls {
  const [state, dispatch] = useReducer(reduceCapture, { status: 'idle' });
  const [shared, setShared] = useState<SharedWindow | null>(null);
  const held = useRef<SharedWindow | null>(null);
  const running = useRef<RunningCapture | null>(null);

  const unshare = useCallback(() => {
    running.current?.stop();
    held.current?.stop();
    held.current = null;
    setShared(null);
  }, []);
  useEffect(() => unshare, [unshare]);

  const share = useCallback(async () => {
    dispatch({ type: 'ask' });
    const outcome = await shareWindow();
    if (!outcome.ok) {
      dispatch({ type: 'failed', failure: outcome.failure });
      return;
    }
    unshare();
    held.current = outcome.value;
    setShared(outcome.value);
    dispatch({ type: 'clear' });
    outcome.value.onEnded(() => {
      if (held.current !== outcome.value) return;
      held.current = null;
      setShared(null);
    });
  }, [unshare]);

  const measure = useCallback(async (request: Omit<CaptureRequest, 'ceilingFps'>) => {
    const from = held.current;
    if (!from) return;
    running.current?.stop();
    const started = startCapture(from.openFrames(), { ...request, ceilingFps: from.ceilingFps }, (progress) => {
      if (running.current === started) dispatch({ type: 'progress', progress });
    });
    running.current = started;
    dispatch({ type: 'begin' });
    const outcome = await started.outcome;
    if (running.current !== started) return;
    dispatch(outcome.ok ? { type: 'done', measured: outcome.value } : { type: 'failed', failure: outcome.failure });
  }, []);

  return {
    state,
    shared,
    share,
    measure,
    stop: useCallback(() => running.current?.stop(), []),
    unshare,
    clear: useCallback(() => dispatch({ type: 'clear' }), []),
  };
}

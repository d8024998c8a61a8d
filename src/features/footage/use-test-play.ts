'use client';

import { useCallback, useEffect, useReducer, useRef } from 'react';
import type { CardClip } from '@/core/card';
import { predictTestPlay } from '@/core/diagnose';
import type { VideoFacts } from '@/core/footage';
import type { DecodeTest, TestPlayFailure, TestPlayProgress } from '@/core/test-play';
import { type RunningTestPlay, startTestPlay } from '@/workers/test-play.client';
import { useOpenCard } from '../shell/use-open-card';

/** A test-play, as the screen shows it. */
export type TestPlayState =
  | { readonly status: 'idle' }
  | { readonly status: 'running'; readonly progress: TestPlayProgress }
  | { readonly status: 'done'; readonly test: DecodeTest }
  | { readonly status: 'failed'; readonly failure: TestPlayFailure };

type Action =
  | { readonly type: 'progress'; readonly progress: TestPlayProgress }
  | { readonly type: 'done'; readonly test: DecodeTest }
  | { readonly type: 'failed'; readonly failure: TestPlayFailure };

/** Steps a test-play on; pure. Progress that comes after the end is not heard. */
export function reduceTestPlay(state: TestPlayState, action: Action): TestPlayState {
  switch (action.type) {
    case 'progress': {
      const isOver = (state.status === 'done' || state.status === 'failed') && action.progress.phase !== 'loading';
      return isOver ? state : { status: 'running', progress: action.progress };
    }
    case 'done':
      return { status: 'done', test: action.test };
    case 'failed':
      return { status: 'failed', failure: action.failure };
  }
}

export interface TestPlayControls {
  readonly state: TestPlayState;
  readonly start: (file: File) => Promise<void>;
  readonly stop: () => void;
}

/** Test-plays one clip in a worker; what it finds becomes a reading of the machine on the card. */
export function useTestPlay(clip: CardClip, facts: VideoFacts): TestPlayControls {
  const { card, run } = useOpenCard();
  const [state, dispatch] = useReducer(reduceTestPlay, { status: 'idle' });
  const running = useRef<RunningTestPlay | null>(null);
  useEffect(() => () => running.current?.stop(), []);

  const start = useCallback(
    async (file: File) => {
      running.current?.stop();
      const predicted = predictTestPlay(card, clip.id);
      const started = startTestPlay(file, facts, (progress) => {
        if (running.current === started) dispatch({ type: 'progress', progress });
      });
      running.current = started;
      dispatch({ type: 'progress', progress: { phase: 'loading' } });
      const outcome = await started.outcome;
      if (running.current !== started) return;
      running.current = null;
      if (!outcome.ok) {
        dispatch({ type: 'failed', failure: outcome.failure });
        return;
      }
      const test: DecodeTest = {
        ...outcome.value,
        id: crypto.randomUUID(),
        clipId: clip.id,
        fileName: facts.fileName,
        takenAtMs: Date.now(),
        estimatedFps: predicted?.decodedFps ?? 0,
        estimatedScrubMs: predicted?.scrubMs ?? 0,
      };
      if (run({ type: 'addDecodeTest', input: { test } }).ok) dispatch({ type: 'done', test });
    },
    [card, clip.id, facts, run],
  );
  return { state, start, stop: () => running.current?.stop() };
}

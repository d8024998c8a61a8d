'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import { type SharedWindow, shareWindow } from '@/adapters/browser/share-window';
import type { CaptureFailure, CaptureProgress, CaptureReading, CaptureRequest } from '@/core/meter';
import { type RunningCapture, startCapture } from '@/workers/capture.client';
import { type JobState, useWorkerJob } from '../shell/card/use-worker-job';

export type CaptureState = JobState<CaptureProgress, CaptureReading, CaptureFailure>;

export interface CaptureControls {
  readonly state: CaptureState;
  /** Whether the browser is asking for a window. */
  readonly isAsking: boolean;
  /** The window that is shared now. */
  readonly shared: SharedWindow | null;
  readonly share: () => Promise<void>;
  readonly measure: (request: Omit<CaptureRequest, 'ceilingFps'>) => Promise<void>;
  readonly stop: () => void;
  /** Ends it before its time, with what it came to so far. */
  readonly finish: () => void;
  readonly unshare: () => void;
  readonly clear: () => void;
}

/** Shares one window and measures it in a worker, as often as wanted; leaving the page ends both. */
export function useCapture(): CaptureControls {
  const { state, begin, refuse, stop, clear } = useWorkerJob<CaptureProgress, CaptureReading, CaptureFailure>();
  const [isAsking, setAsking] = useState(false);
  const [shared, setShared] = useState<SharedWindow | null>(null);
  const held = useRef<SharedWindow | null>(null);
  const running = useRef<RunningCapture | null>(null);

  const unshare = useCallback(() => {
    stop();
    held.current?.stop();
    held.current = null;
    setShared(null);
  }, [stop]);
  useEffect(() => unshare, [unshare]);

  const share = useCallback(async () => {
    setAsking(true);
    const outcome = await shareWindow();
    setAsking(false);
    if (!outcome.ok) {
      refuse(outcome.failure);
      return;
    }
    unshare();
    clear();
    held.current = outcome.value;
    setShared(outcome.value);
    outcome.value.onEnded(() => {
      if (held.current !== outcome.value) return;
      held.current = null;
      setShared(null);
    });
  }, [clear, refuse, unshare]);

  const measure = useCallback(
    async (request: Omit<CaptureRequest, 'ceilingFps'>) => {
      const from = held.current;
      if (!from) return;
      const { frames, close } = from.openFrames();
      await begin((report) => {
        running.current = startCapture(frames, { ...request, ceilingFps: from.ceilingFps }, report);
        return running.current;
      });
      close();
    },
    [begin],
  );

  const finish = useCallback(() => running.current?.finish(), []);

  return { state, isAsking, shared, share, measure, stop, finish, unshare, clear };
}

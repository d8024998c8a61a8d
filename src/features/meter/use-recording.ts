'use client';

import { useCallback } from 'react';
import type { RecordingFailure, RecordingProgress, RecordingReading, RecordingRequest } from '@/core/meter';
import { startRecording } from '@/workers/meter.client';
import { type JobState, useWorkerJob } from '../shell/card/use-worker-job';

export type RecordingState = JobState<RecordingProgress, RecordingReading, RecordingFailure>;

export interface RecordingControls {
  readonly state: RecordingState;
  readonly measure: (file: File, request: RecordingRequest) => void;
  readonly stop: () => void;
  readonly clear: () => void;
}

/** Measures one recording at a time in a worker; a new one ends the one under way. */
export function useRecording(): RecordingControls {
  const { state, begin, stop, clear } = useWorkerJob<RecordingProgress, RecordingReading, RecordingFailure>();
  const measure = useCallback(
    (file: File, request: RecordingRequest) => begin((report) => startRecording(file, request, report)),
    [begin],
  );
  return { state, measure, stop, clear };
}

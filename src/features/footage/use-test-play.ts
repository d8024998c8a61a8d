'use client';

import { useCallback } from 'react';
import type { CardClip } from '@/core/card';
import { predictTestPlay } from '@/core/diagnose';
import type { VideoFacts } from '@/core/footage';
import type { DecodeTest, TestPlayFailure, TestPlayOutcome, TestPlayProgress } from '@/core/test-play';
import { startTestPlay } from '@/workers/test-play.client';
import { useOpenCard } from '../shell/card/use-open-card';
import { type JobState, useWorkerJob } from '../shell/card/use-worker-job';

export interface TestPlayControls {
  readonly state: JobState<TestPlayProgress, TestPlayOutcome, TestPlayFailure>;
  readonly start: (file: File) => Promise<void>;
  readonly stop: () => void;
}

/** Test-plays one clip in a worker; what it finds becomes a reading of the machine on the card. */
export function useTestPlay(clip: CardClip, facts: VideoFacts): TestPlayControls {
  const { card, run } = useOpenCard();
  const { state, begin, stop } = useWorkerJob<TestPlayProgress, TestPlayOutcome, TestPlayFailure>();
  const start = useCallback(
    async (file: File) => {
      const predicted = predictTestPlay(card, clip.id);
      const outcome = await begin((report) => startTestPlay(file, facts, report));
      if (!outcome?.ok) return;
      const test: DecodeTest = {
        ...outcome.value,
        id: crypto.randomUUID(),
        clipId: clip.id,
        fileName: facts.fileName,
        takenAtMs: Date.now(),
        estimatedFps: predicted?.decodedFps ?? 0,
        estimatedScrubMs: predicted?.scrubMs ?? 0,
      };
      run({ type: 'addDecodeTest', input: { test } });
    },
    [begin, card, clip.id, facts, run],
  );
  return { state, start, stop };
}

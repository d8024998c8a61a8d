'use client';

import { recorderAt } from '@/core/card';
import { describeRecorder } from '@/messages/programs';
import { Note } from '@/ui/Note';
import { useOpenCard } from '../shell/card/use-open-card';
import { useNowMs } from '../shell/frame/use-now';

/** Warns where a recorder of the screen ran at the last look. Nothing else. */
export function RecorderNote() {
  const { card } = useOpenCard();
  const nowMs = useNowMs();
  const recorder = nowMs === null ? null : recorderAt(card, nowMs);
  return recorder === null ? null : <Note kind="alarm">{describeRecorder(recorder)}</Note>;
}

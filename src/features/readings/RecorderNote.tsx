'use client';

import { describeRecorder } from '@/messages/programs';
import { Note } from '@/ui/Note';
import { useNowMs } from '../shell/use-now';
import { useOpenCard } from '../shell/use-open-card';

/** A look at what runs says nothing of later than this. */
const lastsMs = 30 * 60_000;

/** Warns where a recorder of the screen ran at the last look. Nothing else. */
export function RecorderNote() {
  const { card } = useOpenCard();
  const nowMs = useNowMs();
  const { programs, programsSeen } = card;
  const recorder = programs.find(({ role, outcome }) => role === 'recorder' && outcome !== 'gone');
  if (!recorder || !programsSeen || nowMs === null || nowMs - programsSeen.takenAtMs > lastsMs) return null;
  return <Note kind="alarm">{describeRecorder(recorder.name)}</Note>;
}

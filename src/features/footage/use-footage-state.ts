'use client';

import { useCallback, useEffect, useReducer, useRef } from 'react';
import type { CardClip } from '@/core/card';
import { createInspectClient, type InspectClient } from '@/workers/inspect.client';
import { useNotify } from '../shell/notices';
import { useOpenCard } from '../shell/use-open-card';
import { type FootageState, idleFootage, reduceFootage } from './footage-state';

export interface FootageControls {
  readonly state: FootageState;
  readonly addFiles: (files: readonly File[]) => Promise<void>;
  readonly stop: () => void;
  readonly dismiss: () => void;
  readonly removeClip: (clip: CardClip) => void;
}

/** Reads dropped files in a worker, one after another, and puts each on the card as soon as it is read. */
export function useFootageState(): FootageControls {
  const { card, run } = useOpenCard();
  const notify = useNotify();
  const [state, dispatch] = useReducer(reduceFootage, idleFootage);
  const client = useRef<InspectClient | null>(null);
  const stopCount = useRef(0);
  const clips = useRef(card.clips);
  clips.current = card.clips;
  useEffect(() => () => client.current?.dispose(), []);

  const addFile = useCallback(
    async (file: File) => {
      const isThere = clips.current.some(({ facts }) => facts.fileName === file.name && facts.sizeBytes === file.size);
      if (isThere) {
        dispatch({ type: 'not-taken', file: { fileName: file.name, reason: { code: 'already-there' } } });
        return;
      }
      dispatch({ type: 'reading', fileName: file.name });
      client.current ??= createInspectClient();
      const { result } = await client.current.inspect(file);
      if (result.ok)
        run({ type: 'addClips', input: { clips: [{ clip: { id: crypto.randomUUID(), facts: result.value } }] } });
      else dispatch({ type: 'not-taken', file: { fileName: file.name, reason: result.failure } });
    },
    [run],
  );
  const addFiles = useCallback(
    async (files: readonly File[]) => {
      if (files.length === 0) return;
      dispatch({ type: 'begun', fileCount: files.length });
      const stopsBefore = stopCount.current;
      for (const file of files) {
        // Stopping ends the file being read, and what was dropped with it is not begun.
        if (stopCount.current === stopsBefore) await addFile(file);
        else dispatch({ type: 'not-taken', file: { fileName: file.name, reason: { code: 'read-cancelled' } } });
        dispatch({ type: 'read' });
      }
      dispatch({ type: 'ended' });
    },
    [addFile],
  );
  const removeClip = (clip: CardClip): void => {
    const index = card.clips.indexOf(clip);
    if (!run({ type: 'removeClips', input: { ids: [clip.id] } }).ok) return;
    notify({
      kind: 'info',
      text: `Removed “${clip.facts.fileName}” from the card. The file is untouched.`,
      action: { label: 'Undo', run: () => run({ type: 'addClips', input: { clips: [{ clip, index }] } }) },
    });
  };
  return {
    state,
    addFiles,
    stop: () => {
      stopCount.current += 1;
      client.current?.cancel();
    },
    dismiss: () => dispatch({ type: 'dismissed' }),
    removeClip,
  };
}

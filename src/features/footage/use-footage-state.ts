'use client';

import { useCallback, useEffect, useMemo, useReducer, useRef } from 'react';
import type { CardClip } from '@/core/card';
import { createCardClip } from '@/core/card';
import { decodeReportText, isMediaName, orderForReading, parseFfprobeReport } from '@/core/footage';
import type { InspectClient } from '@/workers/inspect.client';
import type { InspectAnswer } from '@/workers/inspect.protocol';
import { createInspectPool, inspectWorkerCount } from '@/workers/inspect-pool';
import { useOpenCard } from '../shell/card/use-open-card';
import type { FolderFile } from './dropped-files';
import { type FootageState, idleFootage, type NotTakenFile, reduceFootage } from './footage-state';
import { rememberFile } from './session-files';

export interface FootageControls {
  readonly state: FootageState;
  readonly addFiles: (files: readonly FolderFile[]) => Promise<void>;
  readonly addReport: (file: File) => Promise<void>;
  /** Reads a file in place of the one behind a clip. True where it could be read. */
  readonly readInto: (clip: CardClip, file: File) => Promise<boolean>;
  readonly stop: () => void;
  readonly dismiss: () => void;
}

/** Read clips are put on the card together this often: checking and storing a card of a thousand clips takes a while. */
const flushMs = 250;

/** Collects read clips and puts them on the card in batches. */
function useClipBatches() {
  const { run } = useOpenCard();
  const waiting = useRef<CardClip[]>([]);
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);
  return useMemo(() => {
    const flush = (): void => {
      if (timer.current) clearTimeout(timer.current);
      timer.current = null;
      const clips = waiting.current.splice(0).map((clip) => ({ clip }));
      if (clips.length > 0) run({ type: 'addClips', input: { clips } });
    };
    const add = (clip: CardClip): void => {
      waiting.current.push(clip);
      timer.current ??= setTimeout(flush, flushMs);
    };
    return { add, flush, waiting: () => waiting.current };
  }, [run]);
}

/** Reads dropped files in two workers, in order, and puts each on the card soon after it is read. */
export function useFootageState(): FootageControls {
  const { card, run } = useOpenCard();
  const [state, dispatch] = useReducer(reduceFootage, idleFootage);
  const client = useRef<InspectClient | null>(null);
  const stopCount = useRef(0);
  /** Names and sizes of files that are being read: the same one dropped twice is read once. */
  const underWay = useRef(new Set<string>());
  const clips = useRef(card.clips);
  clips.current = card.clips;
  const batches = useClipBatches();
  useEffect(
    () => () => {
      // Leaving the card stops the reading; what was read by then is kept.
      stopCount.current += 1;
      batches.flush();
      client.current?.dispose();
      client.current = null;
    },
    [batches],
  );

  const inspect = useCallback((file: File): Promise<InspectAnswer> => {
    client.current ??= createInspectPool();
    return client.current.inspect(file);
  }, []);
  const tell = useCallback((...files: readonly NotTakenFile[]) => dispatch({ type: 'not-taken', files }), []);

  const addFile = useCallback(
    async ({ file, folder }: FolderFile) => {
      const isSame = ({ facts }: CardClip): boolean => facts.fileName === file.name && facts.sizeBytes === file.size;
      const key = `${file.name}\n${file.size}`;
      if (clips.current.some(isSame) || batches.waiting().some(isSame) || underWay.current.has(key)) {
        tell({ fileName: file.name, reason: { code: 'already-there' } });
        return;
      }
      dispatch({ type: 'reading', fileName: file.name });
      underWay.current.add(key);
      const { result, browserAnswer } = await inspect(file);
      underWay.current.delete(key);
      if (!result.ok) {
        tell({ fileName: file.name, reason: result.failure });
        return;
      }
      const clip = createCardClip({ id: crypto.randomUUID(), facts: result.value, folder, browserAnswer });
      rememberFile(clip.id, file);
      batches.add(clip);
    },
    [batches, inspect, tell],
  );

  const addFiles = useCallback(
    async (dropped: readonly FolderFile[]) => {
      const wanted = dropped.filter(({ file, folder }) => folder === '' || isMediaName(file.name));
      if (dropped.length === 0) return;
      dispatch({ type: 'begun', fileCount: wanted.length, leftAsideCount: dropped.length - wanted.length });
      const stopsBefore = stopCount.current;
      const ordered = orderForReading(
        wanted.map((each) => ({ ...each, name: each.file.name, sizeBytes: each.file.size })),
      );
      // One list that both take from, so that files are begun in its order.
      const rest = ordered.values();
      const readOn = async () => {
        for (const each of rest) {
          // Stopping ends the files being read, and what was dropped with them is not begun.
          if (stopCount.current === stopsBefore) await addFile(each);
          else tell({ fileName: each.name, reason: { code: 'read-cancelled' } });
          dispatch({ type: 'read' });
        }
      };
      await Promise.all(Array.from({ length: inspectWorkerCount }, readOn));
      batches.flush();
      dispatch({ type: 'ended' });
    },
    [addFile, batches, tell],
  );

  const addReport = useCallback(
    async (file: File) => {
      const parsed = parseFfprobeReport(decodeReportText(new Uint8Array(await file.arrayBuffer())));
      if (!parsed.ok) {
        tell({ fileName: file.name, reason: parsed.failure });
        return;
      }
      const known = new Set(clips.current.map(({ facts }) => `${facts.fileName}\n${facts.sizeBytes}`));
      const isNew = (facts: CardClip['facts']): boolean => !known.has(`${facts.fileName}\n${facts.sizeBytes}`);
      const added = parsed.value.clips.filter(isNew);
      if (added.length > 0)
        run({
          type: 'addClips',
          input: {
            clips: added.map((facts) => ({
              clip: createCardClip({ id: crypto.randomUUID(), facts, origin: 'report' }),
            })),
          },
        });
      tell(
        ...parsed.value.unusable.map((reason) => ({ fileName: reason.fileName || file.name, reason })),
        ...parsed.value.clips
          .filter((facts) => !isNew(facts))
          .map(({ fileName }) => ({ fileName, reason: { code: 'already-there' } as const })),
      );
    },
    [run, tell],
  );

  const readInto = useCallback(
    async (clip: CardClip, file: File) => {
      const { result, browserAnswer } = await inspect(file);
      if (!result.ok) {
        tell({ fileName: file.name, reason: result.failure });
        return false;
      }
      const replaced = run({
        type: 'replaceClipFacts',
        input: { id: clip.id, facts: result.value, origin: 'file', browserAnswer },
      });
      if (replaced.ok) rememberFile(clip.id, file);
      return replaced.ok;
    },
    [inspect, run, tell],
  );

  return {
    state,
    addFiles,
    addReport,
    readInto,
    stop: () => {
      stopCount.current += 1;
      client.current?.cancel();
    },
    dismiss: () => dispatch({ type: 'dismissed' }),
  };
}

'use client';

import { Download } from 'lucide-react';
import dynamic from 'next/dynamic';
import { useCallback, useDeferredValue, useMemo, useState } from 'react';
import { type CardClip, targetFpsOf } from '@/core/card';
import { type ClipFilter, everyClip, filterClipRows, listClipRows } from '@/core/diagnose';
import type { DriveKind } from '@/core/machine';
import { formatCount } from '@/messages/format';
import { BesideButton } from '@/ui/BesideButton';
import { Button } from '@/ui/Button';
import { DropArea } from '@/ui/DropArea';
import { Row, Soft } from '@/ui/layout';
import { Sheet } from '@/ui/Sheet';
import { useOpenCard } from '../shell/card/use-open-card';
import { StepPage } from '../shell/frame/StepPage';
import { useNotify } from '../shell/notices/notices';
import { AddFootage } from './AddFootage';
import { ClipFilters } from './ClipFilters';
import { ClipTable } from './ClipTable';
import { listFiles } from './dropped-files';
import { exportClips } from './export-clips';
import { FolderDrives } from './FolderDrives';
import { useFootage } from './FootageReading';
import { HeaviestClips } from './HeaviestClips';
import { NotTakenList } from './NotTakenList';
import { ReadingProgress } from './ReadingProgress';
import { ReportDialog } from './ReportDialog';
import { SelectionBar } from './SelectionBar';
import { findFile } from './session-files';

const ClipSheet = dynamic(() => import('./ClipSheet').then((module) => module.ClipSheet), { ssr: false });

/** The clip whose sheet is open, and the list it was opened from in the order in which that stood there. */
interface OpenedClip {
  readonly clipId: string;
  readonly order: readonly string[];
}

function neighboursOf(opened: OpenedClip | null): { readonly before: string | null; readonly after: string | null } {
  const index = opened ? opened.order.indexOf(opened.clipId) : -1;
  if (!opened || index < 0) return { before: null, after: null };
  return { before: opened.order[index - 1] ?? null, after: opened.order[index + 1] ?? null };
}

const noneSelected: ReadonlySet<string> = new Set();

interface FootageProps {
  /** The clip whose sheet stands open at first. */
  readonly clipId: string | null;
}

/** The footage step: drop files anywhere on it, see what they are and what they cost here, and play them for real. */
export function Footage({ clipId }: FootageProps) {
  const { card, run } = useOpenCard();
  const notify = useNotify();
  const { state, addFiles, addReport, readInto, stop, dismiss } = useFootage();
  const [isAskingReport, setIsAskingReport] = useState(false);
  const [filter, setFilter] = useState<ClipFilter>(everyClip);
  const [selection, setSelection] = useState<ReadonlySet<string>>(noneSelected);
  const [opened, setOpened] = useState<OpenedClip | null>(clipId === null ? null : { clipId, order: [] });
  const rows = useMemo(() => listClipRows(card), [card]);
  // What is typed shows at once; a thousand rows may follow a moment later.
  const settledFilter = useDeferredValue(filter);
  const shown = useMemo(() => filterClipRows(rows, settledFilter), [rows, settledFilter]);
  const budgetMs = 1000 / targetFpsOf(card);
  const isFull = rows.length > 0;
  const selected = useMemo(() => card.clips.filter((clip) => selection.has(clip.id)), [card.clips, selection]);
  const open = card.clips.find((clip) => clip.id === opened?.clipId);
  const openRow = rows.find((row) => row.clipId === opened?.clipId);

  const select = useCallback(
    (ids: readonly string[], isSelected: boolean) =>
      setSelection((now) => {
        const next = new Set(now);
        for (const id of ids)
          if (isSelected) next.add(id);
          else next.delete(id);
        return next;
      }),
    [],
  );
  const openClip = useCallback((clipId: string, order: readonly string[]) => setOpened({ clipId, order }), []);
  const askReport = useCallback(() => setIsAskingReport(true), []);
  const setDrive = useCallback(
    (ids: readonly string[], drive: DriveKind | null) => run({ type: 'setClipDrive', input: { ids, drive } }),
    [run],
  );
  const remove = (clips: readonly CardClip[]): void => {
    const placed = clips.map((clip) => ({ clip, index: card.clips.indexOf(clip) }));
    if (!run({ type: 'removeClips', input: { ids: clips.map(({ id }) => id) } }).ok) return;
    setSelection(noneSelected);
    setOpened(null);
    const what = clips.length === 1 ? `“${clips[0]?.facts.fileName}”` : formatCount(clips.length, 'clip');
    notify({
      kind: 'info',
      text: `Removed ${what} from the card. The ${clips.length === 1 ? 'file is' : 'files are'} untouched.`,
      action: { label: 'Undo', run: () => run({ type: 'addClips', input: { clips: placed } }) },
    });
  };
  const readAgain = async (clips: readonly CardClip[]): Promise<void> => {
    let readCount = 0;
    const atHand = clips.flatMap((clip) => {
      const file = findFile(clip.id);
      return file ? [{ clip, file }] : [];
    });
    for (const { clip, file } of atHand) if (await readInto(clip, file)) readCount += 1;
    const missingCount = clips.length - atHand.length;
    notify({
      kind: missingCount > 0 ? 'alarm' : 'info',
      text: `Read ${formatCount(readCount, 'clip')} again.${missingCount > 0 ? ` The files of ${formatCount(missingCount, 'clip')} are not at hand since this page was opened: add them again, or open a clip to choose its file.` : ''}`,
    });
  };
  const readOne = async (clip: CardClip, file: File): Promise<void> => {
    if (await readInto(clip, file)) notify({ kind: 'info', text: `Read “${file.name}”.` });
    // What went wrong stands on the page beneath the clip's sheet.
    else setOpened(null);
  };

  return (
    <DropArea isPage onDrop={async (event) => addFiles(await listFiles(event.nativeEvent))}>
      <StepPage stepId="footage">
        <AddFootage isFull={isFull} onFiles={addFiles} onAskReport={askReport} />
        <ReadingProgress state={state} onStop={stop} />
        <NotTakenList state={state} onDismiss={dismiss} />
        {isFull && (
          <>
            <HeaviestClips rows={rows} budgetMs={budgetMs} onOpen={openClip} />
            <Sheet
              title="Clips"
              aside={
                shown.length === rows.length ? formatCount(rows.length, 'clip') : `${shown.length} of ${rows.length}`
              }
            >
              <ClipFilters rows={rows} filter={filter} onChange={setFilter} />
              {shown.length > 0 ? (
                <ClipTable rows={shown} selection={selection} onSelect={select} onOpen={openClip} />
              ) : (
                <Row>
                  <p>No clip is like that.</p>
                  <Button onPress={() => setFilter(everyClip)}>Show all clips</Button>
                </Row>
              )}
              <SelectionBar
                clips={selected}
                hiddenCount={selected.length - shown.filter((row) => selection.has(row.clipId)).length}
                onSetDrive={setDrive}
                onReadAgain={readAgain}
                onRemove={remove}
                onClear={() => setSelection(noneSelected)}
              />
              <Row $isSpread $abovePx={12}>
                <BesideButton>
                  <Soft>
                    “Frame”: the longest of reading, decoding and scaling this clip, by the estimate. Press a name for
                    everything known of it, and to play it for real.
                  </Soft>
                </BesideButton>
                <Row>
                  <Button onPress={() => exportClips(shown, 'csv', card.title)}>
                    <Download size={17} aria-hidden="true" /> CSV
                  </Button>
                  <Button onPress={() => exportClips(shown, 'json', card.title)}>
                    <Download size={17} aria-hidden="true" /> JSON
                  </Button>
                </Row>
              </Row>
            </Sheet>
            <FolderDrives card={card} onSetDrive={setDrive} />
          </>
        )}
      </StepPage>
      {isAskingReport && (
        <ReportDialog
          onReports={async (files) => {
            for (const file of files) await addReport(file);
          }}
          onClose={() => setIsAskingReport(false)}
        />
      )}
      {open && openRow && (
        <ClipSheet
          clip={open}
          row={openRow}
          budgetMs={budgetMs}
          neighbours={neighboursOf(opened)}
          onReadInto={readOne}
          onRemove={remove}
          onOpen={(clipId) => setOpened((now) => ({ clipId, order: now?.order ?? [] }))}
          onClose={() => setOpened(null)}
        />
      )}
    </DropArea>
  );
}

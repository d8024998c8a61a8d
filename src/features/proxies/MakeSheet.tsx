'use client';

import { FolderOpen } from 'lucide-react';
import { useDeferredValue, useMemo } from 'react';
import type { JobCard } from '@/core/card';
import { forecastProxies } from '@/core/diagnose';
import { fitsOnDrive, type ProxyCandidate } from '@/core/fixes';
import type { ProxyRecipe } from '@/core/proxies';
import { formatBytes, formatCount, formatFpsRange, formatMinutes, formatWaitRange } from '@/messages/format';
import { describeInterrupted, describeRoom } from '@/messages/proxies';
import { Button } from '@/ui/Button';
import { Paragraph, Row, Soft, Spaced } from '@/ui/layout';
import { Note } from '@/ui/Note';
import { Sheet } from '@/ui/Sheet';
import { useFilePicker } from '@/ui/use-file-picker';
import { findFile, rememberFile } from '../footage/session-files';
import { useBelief } from '../shell/answer/use-belief';
import type { ProxyPlace } from './use-proxy-folder';

const totalOf = (chosen: readonly ProxyCandidate[], key: 'proxyBytes' | 'minutes'): number =>
  chosen.reduce((sum, candidate) => sum + candidate[key], 0);

interface PlaceLineProps {
  readonly place: ProxyPlace;
  readonly neededBytes: number;
  /** Null where it is not known. */
  readonly freeBytes: number | null;
}

/** Where proxies go, and whether there is room. */
function PlaceLine({ place, neededBytes, freeBytes }: PlaceLineProps) {
  const { status, folder, interrupted, pick, allow, handle, isOwn } = place;
  const room = freeBytes === null ? null : fitsOnDrive(neededBytes, freeBytes);
  return (
    <>
      <Row>
        {status === 'asks-again' && (
          <Button variant="primary" onPress={allow}>
            Allow “{handle?.name}” again
          </Button>
        )}
        {!isOwn && (
          <Button variant={status === 'none' || status === 'failed' ? 'primary' : 'plain'} onPress={pick}>
            <FolderOpen size={18} aria-hidden="true" /> {folder ? 'Another folder' : 'Choose where they go'}
          </Button>
        )}
        <span>
          {folder && !isOwn && (
            <>
              Into <b>{folder.name}</b>.{' '}
            </>
          )}
          {isOwn && 'Into this browser’s own storage; save each to your drive when it is made. '}
          {neededBytes > 0 && <Soft>{describeRoom(neededBytes, freeBytes)}.</Soft>}
        </span>
      </Row>
      {status === 'failed' && (
        <Spaced $abovePx={12}>
          <Note kind="alarm">The folder “{handle?.name}” cannot be opened any more. Choose another one.</Note>
        </Spaced>
      )}
      {interrupted.length > 0 && (
        <Spaced $abovePx={12}>
          <Note>{describeInterrupted(interrupted)}</Note>
        </Spaced>
      )}
      {room && !room.fits && (
        <Spaced $abovePx={12}>
          <Note kind="alarm">
            {formatBytes(room.missingBytes)} more room is needed there, with a tenth to spare. Choose fewer clips or a
            smaller form, or free some room.
          </Note>
        </Spaced>
      )}
    </>
  );
}

/** Asks once more for the files of clips that were not chosen since this page was opened. */
function MissingFiles({
  missing,
  onFound,
}: {
  readonly missing: readonly ProxyCandidate[];
  readonly onFound: () => void;
}) {
  const picker = useFilePicker({
    label: 'Choose the files of the chosen clips',
    accept: 'video/*,image/*,.mkv,.mts,.m2ts,.mov',
    isMultiple: true,
    onFiles: (files) => {
      for (const { clip, facts } of missing) {
        const file = files.find(({ name, size }) => name === facts.fileName && size === facts.sizeBytes);
        if (file) rememberFile(clip.id, file);
      }
      onFound();
    },
  });
  if (missing.length === 0) return null;
  return (
    <Spaced $abovePx={12}>
      {picker.input}
      <Row>
        <Button variant="primary" onPress={picker.open}>
          Choose the {missing.length === 1 ? 'file' : 'files'}
        </Button>
        <Soft>
          {formatCount(missing.length, 'chosen clip')} {missing.length === 1 ? 'was' : 'were'} not opened since this
          page was: browsers forget files.
        </Soft>
      </Row>
    </Spaced>
  );
}

/** Free bytes on the drive that was said to hold proxies; null where nobody said. */
const freeOnDrive = ({ drives }: JobCard): number | null => {
  const freeGb = drives.find(({ holds }) => holds.includes('proxies'))?.freeGb ?? null;
  return freeGb === null ? null : freeGb * 1e9;
};

interface MakeSheetProps {
  readonly card: JobCard;
  readonly chosen: readonly ProxyCandidate[];
  readonly recipe: ProxyRecipe;
  readonly place: ProxyPlace;
  readonly isBusy: boolean;
  readonly onFilesFound: () => void;
  readonly onStart: () => void;
}

/** What making the chosen proxies takes and brings, where they go, and the button. */
export function MakeSheet({ card, chosen, recipe, place, isBusy, onFilesFound, onStart }: MakeSheetProps) {
  const belief = useBelief();
  const asked = useDeferredValue(chosen);
  const { before, after } = useMemo(
    () => forecastProxies(card, belief, new Set(asked.map(({ clip }) => clip.id)), recipe),
    [card, belief, asked, recipe],
  );
  const missing = chosen.filter(({ clip }) => !findFile(clip.id));
  const neededBytes = totalOf(chosen, 'proxyBytes');
  const freeBytes = place.freeBytes ?? freeOnDrive(card);
  const hasRoom = freeBytes === null || fitsOnDrive(neededBytes, freeBytes).fits;
  const originalBytes = chosen.reduce((sum, { facts }) => sum + facts.sizeBytes, 0);
  return (
    <Sheet title="Make them" kind={chosen.length > 0 && !isBusy ? 'next' : 'plain'}>
      {chosen.length > 0 && (
        <Paragraph $belowPx={10}>
          Once they are shown: {formatFpsRange(before.shownFps)} → <b>{formatFpsRange(after.shownFps)}</b> a second, and
          a jump takes {formatWaitRange(before.scrubMs)} → <b>{formatWaitRange(after.scrubMs)}</b>.
        </Paragraph>
      )}
      <PlaceLine place={place} neededBytes={neededBytes} freeBytes={freeBytes} />
      <MissingFiles missing={missing} onFound={onFilesFound} />
      <Spaced $abovePx={12}>
        {chosen.length === 0 ? (
          <Soft>Tick the clips above that are to have one.</Soft>
        ) : (
          <Row>
            <Button
              variant={missing.length === 0 && place.folder ? 'primary' : 'plain'}
              isDisabled={chosen.length === missing.length || !place.folder || !hasRoom}
              onPress={onStart}
            >
              Make {formatCount(chosen.length - missing.length, 'proxy', 'proxies')}
            </Button>
            <Soft>
              It takes {formatMinutes(Math.max(1, totalOf(chosen, 'minutes')))}; {formatBytes(neededBytes)} in place of{' '}
              {formatBytes(originalBytes)}. Originals are only read.
            </Soft>
          </Row>
        )}
      </Spaced>
    </Sheet>
  );
}

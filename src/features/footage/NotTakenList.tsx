'use client';

import { assertNever } from '@/core/assert-never';
import { describeReportFailure } from '@/messages/ffprobe-report';
import { describeFootageFailure } from '@/messages/footage';
import { formatCount } from '@/messages/format';
import { Button } from '@/ui/Button';
import { Disclosure } from '@/ui/Disclosure';
import { Note } from '@/ui/Note';
import type { FootageState, NotTaken, NotTakenFile } from './footage-state';

function describeNotTaken(reason: NotTaken): string {
  switch (reason.code) {
    case 'already-there':
      return 'A file of this name and size is on the card already.';
    case 'report-not-json':
    case 'report-not-a-report':
    case 'report-entry-unusable':
      return describeReportFailure(reason);
    case 'file-empty':
    case 'file-not-media':
    case 'container-not-read':
    case 'file-cut-off':
    case 'no-video-track':
    case 'codec-unknown':
    case 'no-frames':
    case 'file-changed':
    case 'file-gone':
    case 'file-unreadable':
    case 'read-budget-exceeded':
    case 'read-timed-out':
    case 'read-cancelled':
      return describeFootageFailure(reason);
    default:
      return assertNever(reason);
  }
}

/** Above this many files the reasons fold away, one line for each reason first. */
const mostOpen = 4;

const FileList = ({ files }: { readonly files: readonly NotTakenFile[] }) => (
  <ul>
    {files.map((file, i) => (
      // biome-ignore lint/suspicious/noArrayIndexKey: the list only grows at its end
      <li key={i}>
        <b>{file.fileName}</b>: {describeNotTaken(file.reason)}
      </li>
    ))}
  </ul>
);

/** Files that did not become clips, each with its reason; stays until it is read. */
export function NotTakenList({ state, onDismiss }: { readonly state: FootageState; readonly onDismiss: () => void }) {
  const { notTaken, leftAsideCount } = state;
  if (notTaken.length === 0 && (leftAsideCount === 0 || state.status === 'running')) return null;
  const areAllStopped = notTaken.every(({ reason }) => reason.code === 'read-cancelled');
  return (
    <Note kind={notTaken.length > 0 && !areAllStopped ? 'alarm' : 'info'}>
      {notTaken.length > 0 && notTaken.length <= mostOpen && <FileList files={notTaken} />}
      {notTaken.length > mostOpen && (
        <>
          <p>
            <b>{formatCount(notTaken.length, 'file')}</b> did not become clips
            {areAllStopped ? ', because reading was stopped.' : '. The others are not affected.'}
          </p>
          <Disclosure label="Which, and why">
            <FileList files={notTaken} />
          </Disclosure>
        </>
      )}
      {leftAsideCount > 0 && (
        <p>{formatCount(leftAsideCount, 'other file')} in the folder are no footage and were left aside.</p>
      )}
      <Button variant="quiet" onPress={onDismiss}>
        Understood
      </Button>
    </Note>
  );
}

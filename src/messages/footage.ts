import { assertNever } from '@/core/assert-never';
import type { FootageFailure, ForeignContainer } from '@/core/footage';
import { formatBytes } from './format';

const foreignNames: Readonly<Record<ForeignContainer, string>> = {
  avi: 'an AVI',
  mxf: 'an MXF',
  asf: 'an ASF or WMV',
  flv: 'an FLV',
  'mpeg-ps': 'an MPEG program stream (VOB, MPG)',
};

/** What went wrong with a file, what was expected and what to try. */
export function describeFootageFailure(failure: FootageFailure): string {
  switch (failure.code) {
    case 'file-empty':
      return 'This file is empty: it has 0 bytes. Copy it from the camera or phone again.';
    case 'file-not-media':
      return 'This is no video, sound or picture that Oil Can can read, whatever its name says. MP4, MOV, MKV, WebM and TS are read, and common stills and sounds.';
    case 'container-not-read':
      return `This is ${foreignNames[failure.container]} file, which is not read here. Make an ffprobe report of it and add that: “Add a report” has the command.`;
    case 'file-cut-off':
      return failure.expectedBytes === null
        ? `This file is cut off: its index is missing, so ${formatBytes(failure.sizeBytes)} of it cannot be told apart. Copy it again; if the recording broke off, the recorder may be able to repair it.`
        : `This file is cut off: it has ${formatBytes(failure.sizeBytes)} where its own header says ${formatBytes(failure.expectedBytes)}. Copy it again from the original.`;
    case 'no-video-track':
      return 'This file has neither picture nor sound in it. Choose the video file itself.';
    case 'codec-unknown':
      return 'The picture is stored in a form that this file does not name. The other files are not affected; an ffprobe report may know it.';
    case 'no-frames':
      return 'The file states a track and holds no frames in it. Copy it again, or leave it out.';
    case 'file-changed':
      return 'This file was changed by another program while it was read. Add it again once the other program is done.';
    case 'file-gone':
      return 'This file went away while it was read: moved, renamed, deleted, or its drive was taken off. Add it again from where it is now.';
    case 'file-unreadable':
      return 'What is in this file could not be told: it is no video that Oil Can knows, or its beginning is damaged. If it plays in a plain player, add an ffprobe report of it instead.';
    case 'read-budget-exceeded':
      return `Telling this file's facts would need more than ${formatBytes(failure.budgetBytes)} of it, which a sound file never does. It is left out.`;
    case 'read-timed-out':
      return `Reading this file took longer than ${Math.round(failure.afterMs / 1000)} seconds and was stopped. It may be damaged, or its drive is asleep or away; try again.`;
    case 'read-cancelled':
      return 'Stopped before this file was read. Add it again to read it.';
    default:
      return assertNever(failure);
  }
}

import { assertNever } from '@/core/assert-never';
import type { CloseOutcome, ProcessListFailure, ProgramRole } from '@/core/programs';

/** Why nothing was read from a list of processes. */
export function describeListFailure(failure: ProcessListFailure): string {
  switch (failure.code) {
    case 'list-empty':
      return 'There is nothing in it. Run the command, and paste all that it prints.';
    case 'list-too-large':
      return `This is larger than ${failure.mostMegabytes} MB; a list of processes is not. Run the command as it stands here.`;
    case 'list-unknown':
      return 'This is no list that is read here. Run the command of your system as it stands here, and paste all that it prints, the first line too.';
    case 'list-without-processes':
      return 'No process stands in it. Run the command of your system as it stands here, and paste all that it prints.';
    default:
      return assertNever(failure);
  }
}

/** What a program is, in a word, and what there is to do about it. */
export const roleTexts: Readonly<Record<ProgramRole, { readonly label: string; readonly what: string }>> = {
  editor: { label: 'your editor', what: 'Stays: it is what needs the machine.' },
  system: { label: 'the system', what: 'Stays: the machine needs it.' },
  'driver-helper': { label: 'helps a device', what: 'Stays: a device needs it.' },
  security: { label: 'security', what: 'Pause its scan; leave it on.' },
  sync: { label: 'keeps files in step', what: 'Pause it; resume it at the end of the day.' },
  backup: { label: 'backup', what: 'Pause it; resume it at the end of the day.' },
  browser: { label: 'browser', what: 'Its open tabs are what it takes: close those.' },
  chat: { label: 'chat, calls and mail', what: 'Quit it; closing its window may not do.' },
  updater: { label: 'updates', what: 'Let it finish, or pause it for today.' },
  launcher: { label: 'starts games', what: 'Quit it from its icon beside the clock.' },
  recorder: { label: 'records the screen', what: 'Stop it: readings taken meanwhile are of a slower machine.' },
  music: { label: 'plays sound or films', what: 'A player of files takes less than a stream in a browser.' },
  indexer: { label: 'searches through files', what: 'Let it finish, or pause it for today.' },
  creative: { label: 'makes or renders', what: 'Save there, then quit it.' },
  unknown: { label: 'not known', what: 'Look it up before you close it.' },
};

/** What became of a program that was to be closed. */
export const closeOutcomeTexts: Readonly<Record<CloseOutcome, string>> = {
  gone: 'closed',
  quiet: 'rests',
  back: 'came back by itself',
  still: 'still runs',
};

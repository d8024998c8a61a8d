import { assertNever } from '@/core/assert-never';
import type { CardProgram } from '@/core/card';
import { type ProgramPercent, percentOfCores } from '@/core/machine';
import type { CloseOutcome, ProcessListFailure, ProcessSystem, ProgramRole } from '@/core/programs';
import { formatCount, formatMemory, formatRate } from './format';

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
  music: {
    label: 'plays sound or films',
    what: 'A player of files takes less than a stream in a browser, and a stream at its lowest quality less than at its best.',
  },
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

/** The command that lists what runs on each system, and where it is typed. */
export const listCommands: Readonly<
  Record<
    Exclude<ProcessSystem, 'unknown'>,
    { readonly label: string; readonly where: string; readonly command: string }
  >
> = {
  windows: {
    label: 'Windows',
    where: 'In PowerShell (right-click the Start button, Terminal). It takes six seconds and copies the list.',
    command:
      "1..2 | % { $t=[DateTimeOffset]::Now.ToUnixTimeMilliseconds(); Get-Process | Select-Object Id,ProcessName,CPU,WorkingSet64,@{n='At';e={$t}} | ConvertTo-Csv -NoTypeInformation; Start-Sleep 3 } | clip",
  },
  macos: {
    label: 'macOS',
    where: 'In Terminal (Applications, Utilities). It copies the list.',
    command: 'ps -axo pid,ppid,pcpu,rss,time,comm | pbcopy',
  },
  linux: {
    label: 'Linux',
    where: 'In a terminal. It takes fifteen seconds; copy all that it prints.',
    command: 'for n in 1 2; do date +@%s%3N; ps -eo pid,ppid,rss,cputimes,comm; [ $n = 1 ] && sleep 15; done',
  },
};

/** Where what starts with the system is switched off. */
export const startupPlaces: Readonly<Record<Exclude<ProcessSystem, 'unknown'>, string>> = {
  windows: 'Windows: Settings, Apps, Startup',
  macos: 'macOS: System Settings, General, Login Items',
  linux: 'Linux: the session’s startup settings',
};

/** Why nothing came from this computer or the practice machine. */
export type MachineSourceFailure =
  | { readonly code: 'helper-off' }
  | { readonly code: 'helper-broke'; readonly detail: string }
  | { readonly code: 'practice-broke'; readonly detail: string };

export function describeMachineSourceFailure(failure: MachineSourceFailure): string {
  switch (failure.code) {
    case 'helper-off':
      return 'Oil Can was started without its look at this computer. Paste a list instead, or start it again without --no-local.';
    case 'helper-broke':
      return `This computer did not say what runs on it (${failure.detail}). Nothing on the card was changed; paste a list instead.`;
    case 'practice-broke':
      return `The practice machine did not answer (${failure.detail}). Load the page again.`;
    default:
      return assertNever(failure);
  }
}

/** "3.1 cores and 1.5 GB". */
export function describeFreed(freedCores: number, freedMib: number): string {
  const cores =
    freedCores < 0.05
      ? 'next to no core'
      : `${formatRate(freedCores)} ${freedCores < 1.05 && freedCores > 0.95 ? 'core' : 'cores'}`;
  return `${cores} and ${formatMemory(Math.round(freedMib))}`;
}

/** A burst, or a change over the look, of fewer cores than these is not worth a word. */
const leastBurstCores = 0.15;
/** A burst stands out by so many times the mean, a trend by such a share of it. */
const burstTimes = 1.6;
const trendShare = 0.35;

/** What a program's half minute tells beside its mean: "bursts of 80 %, rising"; null where nothing stands out. */
export function describeProgramCourse(
  { busyCores, peakCores, changeCores }: Pick<CardProgram, 'busyCores' | 'peakCores' | 'changeCores'>,
  percentOf: ProgramPercent,
  coreCount: number,
): string | null {
  if (busyCores === null) return null;
  const hasBursts =
    peakCores !== null && peakCores - busyCores >= leastBurstCores && peakCores >= burstTimes * busyCores;
  const changes = changeCores !== null && Math.abs(changeCores) >= Math.max(leastBurstCores, trendShare * busyCores);
  const words = [
    ...(hasBursts ? [`bursts of ${formatRate(percentOfCores(peakCores, percentOf, coreCount))} %`] : []),
    ...(changes ? [changeCores > 0 ? 'rising' : 'falling'] : []),
  ];
  return words.length === 0 ? null : words.join(', ');
}

const leastMegabytePerSec = 1;

/** What a program takes of the drives: "drives: 12 megabytes a second"; null where it is nothing to speak of, or not known. */
export const describeDriveUse = ({ driveMegabytePerSec }: Pick<CardProgram, 'driveMegabytePerSec'>): string | null =>
  driveMegabytePerSec === null || driveMegabytePerSec < leastMegabytePerSec
    ? null
    : `drives: ${formatRate(driveMegabytePerSec)} MB a second`;

/** A gain below this many frames a second is nothing to speak of. */
const leastGainFps = 0.25;

/** What closing one program would bring. */
export const describeGain = (gainFps: number): string =>
  gainFps < leastGainFps ? 'nothing' : `about ${formatRate(gainFps)} more`;

/** "over 14 seconds, 2 minutes ago". */
export const describeCover = (coversSec: number | null, ago: string): string =>
  coversSec === null
    ? `${ago}; the list does not say how busy they are`
    : `over ${formatCount(Math.max(1, Math.round(coversSec)), 'second')}, ${ago}`;

/** The line of the put-back list that names what was paused. */
export const describeResume = (names: readonly string[]): string => `Resume what was paused: ${names.join(', ')}`;

/** Said wherever a reading is taken while a recorder of the screen ran at the last look. */
export const describeRecorder = (name: string): string =>
  `“${name}” records the screen, or did when you looked. Stop it before you measure: a reading taken meanwhile is of a slower machine.`;

/** How hard the processor works, as browsers tell it in four steps. */
export const pressureTexts: Readonly<Record<'nominal' | 'fair' | 'serious' | 'critical', string>> = {
  nominal: 'The processor has room.',
  fair: 'The processor works steadily, with some room left.',
  serious: 'The processor is nearly all taken.',
  critical: 'The processor is at its end.',
};

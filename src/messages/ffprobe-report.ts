import { assertNever } from '@/core/assert-never';
import type { ReportFailure } from '@/core/footage';

/** Why a report tells nothing, and what to try. */
export function describeReportFailure(failure: ReportFailure): string {
  switch (failure.code) {
    case 'report-not-json':
      return 'This file holds no JSON. Run the command as it stands: “-of json” makes ffprobe write it so.';
    case 'report-not-a-report':
      return 'This file is JSON and no ffprobe report: it has neither “format” nor “streams” in it. Run the command as it stands.';
    case 'report-entry-unusable':
      return failure.fileName === ''
        ? `Entry ${failure.entryIndex + 1} names no file. Add “-show_format” to the command.`
        : `The report says too little of “${failure.fileName}”: no picture size and rate, and no sound.`;
    default:
      return assertNever(failure);
  }
}

const findCommand =
  "find . -maxdepth 1 \\( -iname '*.avi' -o -iname '*.mxf' \\) -exec ffprobe -v error -show_format -show_streams -of json {} \\; > clips.json";

/** The command to copy, for each system; each writes clips.json beside the clips. Change the endings to those of the clips. */
export const reportCommands = [
  {
    system: 'Windows (PowerShell)',
    command:
      'Get-ChildItem *.avi, *.mxf | ForEach-Object { ffprobe -v error -show_format -show_streams -of json $_.FullName } | Out-File -Encoding utf8 clips.json',
  },
  { system: 'macOS (Terminal)', command: findCommand },
  { system: 'Linux (a terminal)', command: findCommand },
] as const;

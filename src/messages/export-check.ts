import type { ExportTime, ExportWay } from '@/core/load';
import { formatMinutesRange } from './format';

/** A setting that protects the export: what to look at, why, and how to see that it is so. */
export interface ExportLine {
  readonly key: string;
  readonly what: string;
  readonly why: string;
  readonly check: string;
}

/** Settings that protect an export from what was given up while editing. */
export const protectingLines: readonly ExportLine[] = [
  {
    key: 'protect originals',
    what: 'Export from the originals, not from proxies or previews',
    why: 'Some editors offer both, and remember what was chosen last.',
    check:
      'Where you set up the export, nothing lets it take pictures from small copies or from what was computed for the preview.',
  },
  {
    key: 'protect size',
    what: 'Export size and rate are those of the delivery',
    why: 'A project made smaller for editing hands its size to the export.',
    check: 'The export window shows the delivered height and rate.',
  },
  {
    key: 'protect quality',
    what: 'Highest rendering quality, and full colour depth',
    why: 'A draft setting of the preview may be shared by the export.',
    check: 'Nothing in the export window says draft or rough, or 8 bit where the film has more.',
  },
  {
    key: 'protect missing',
    what: 'No file is missing, and no placeholder is on the timeline',
    why: 'After swapping folders a clip can stay behind.',
    check: 'The editor’s list of missing media is empty; the first and the last minute play.',
  },
  {
    key: 'protect sample',
    what: 'Export ten seconds first and look at them at full size',
    why: 'Whatever was forgotten shows there, and costs a minute instead of an hour.',
    check: 'A face or a title is as sharp as in the original clip.',
  },
];

/** The ways of exporting, in the words of an export window, with what each costs. */
export const exportWayTexts: Readonly<Record<ExportWay, { readonly name: string; readonly what: string }>> = {
  careful: { name: 'Carefully, by the processor', what: 'the smallest file for its quality' },
  quick: { name: 'Quickly, by the processor', what: 'a quick preset: a larger file of the same quality' },
  'on-graphics': { name: 'By the graphics’ encoder', what: 'a larger file, or a little less quality' },
  draft: { name: 'A draft of half the height', what: 'to look at and show, not to deliver' },
};

/** How long a way takes: of the whole film where its length is known, else of each minute of it. */
export function describeExportTime({ low, high }: ExportTime, lengthMin: number | null): string {
  return lengthMin === null
    ? `${formatMinutesRange(low, high)} a minute of film`
    : `${formatMinutesRange(low * lengthMin, high * lengthMin)} for the whole film`;
}

/** What an export took that was written down, against the film's length. */
export const describeExportTaken = (minutes: number, lengthMin: number): string =>
  `The last one you wrote down took ${formatMinutesRange(minutes, minutes)}: ${Math.round((10 * minutes) / lengthMin) / 10} minutes a minute of film.`;

/** Export settings that make it quicker and cost no quality. */
export const quickerExportLines: readonly string[] = [
  'Let the encoder use all cores, where the export window asks for a number of threads.',
  'Let the graphics encode only where the file’s size does not matter: at the same size its picture is a little worse.',
  'Write the film to another drive than the footage is on.',
  'Close other programs, and leave the editor’s preview still while it exports.',
  'Use what was pre-rendered only where it was rendered at full quality.',
  'Where only a part changed, export that part and join it, if your format allows.',
];

/** The question that is asked outright, and how to find out. */
export const copiesQuestion = {
  question: 'Does anything on the timeline still point at a small copy?',
  how: 'Switch the proxies off and look at each heavy clip: its properties name the original file and its full size. If you swapped folders, the one with the small copies is renamed or away.',
} as const;

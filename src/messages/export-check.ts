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

/** Export settings that make it quicker and cost no quality. */
export const quickerExportLines: readonly string[] = [
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

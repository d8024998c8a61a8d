import { assertNever } from '@/core/assert-never';
import type { FixId, FixLevel, PutBackTime } from '@/core/fixes';
import { formatMinutes } from './format';

interface FixText {
  /** What to do, in three short lines. */
  readonly steps: (level: FixLevel) => readonly string[];
  /** Where editors usually keep it. */
  readonly where: string;
  /** How to see that it really took effect. */
  readonly check: string;
  /** What is given up while it is in force. */
  readonly cost: string;
  /** The line on the put-back list, and why it is there; null where nothing must be put back. */
  readonly putBack: { readonly what: string; readonly why: string } | null;
}

/** Everything a person reads about a fix. No editor is named: it says where editors usually keep a thing. */
export const fixTexts: Readonly<Record<FixId, FixText>> = {
  'close-programs': {
    steps: () => [
      'Save what is open in them, then quit each program marked as safe to close.',
      'Look beside the clock as well: sync, chat and scan programs often stay there when their window is closed.',
      'Pause a running scan or sync rather than removing it.',
    ],
    where:
      'Windows: right-click the taskbar, Task Manager. macOS: Activity Monitor. Linux: the system monitor. Sort by processor use.',
    check: 'The processor use outside the editor should fall below about a tenth.',
    cost: 'what those programs do for you while you edit',
    putBack: {
      what: 'Resume what was paused: scans, sync, messages',
      why: 'A paused scan or sync protects nothing until it runs again.',
    },
  },
  'lower-preview-quality': {
    steps: (level) => [
      `Set the preview quality of the timeline viewer to ${level ?? '1/4'} of full.`,
      'If your editor has one setting for playing and one for standing still, lower the one for playing.',
      'Play the same stretch as before.',
    ],
    where: 'Usually a small menu at the lower edge of the viewer, or a right click on the picture.',
    check: 'Fine detail, such as text on a jumper, looks coarser while playing.',
    cost: 'sharpness while you edit',
    putBack: {
      what: 'Preview quality: back to full',
      why: 'Some editors render at the preview quality if it is left low.',
    },
  },
  'smaller-preview-height': {
    steps: (level) => [
      `Set the preview height to ${level ?? 540} lines, or the nearest that your editor offers.`,
      'Leave the size of the project or timeline as it is: only the preview should change.',
      'Play the same stretch as before.',
    ],
    where: 'Usually in the preview or playback part of the settings, or beside the preview quality.',
    check: 'The viewer fills the same place, and its picture is a little softer.',
    cost: 'sharpness, where the viewer is larger than that',
    putBack: {
      what: 'Preview height: back to the timeline’s own',
      why: 'Some editors render at the preview’s height if it is left small.',
    },
  },
  'bypass-effects': {
    steps: () => [
      'Switch on the bypass for effects, for the whole timeline.',
      'If your editor has none, switch the effects off by group, never by deleting them.',
      'Play the same stretch as before.',
    ],
    where: 'Usually a button at the timeline or viewer, often with a small “fx” on it.',
    check: 'The ungraded, unblurred picture shows.',
    cost: 'the look: colour and effects cannot be judged',
    putBack: {
      what: 'Effects: switch them on again',
      why: 'A film exported with effects bypassed looks like raw footage.',
    },
  },
  'turn-on-hardware-decode': {
    steps: () => [
      'Save the project first.',
      'Switch on decoding by the graphics for the formats that you use.',
      'Restart the editor: most only take the change then.',
    ],
    where: 'Usually in the settings under playback, performance or media.',
    check: 'While playing, the system’s monitor shows the graphics’ video decoder at work and the processor calmer.',
    cost: 'nothing in the picture; with a faulty driver it can be worse than before',
    putBack: null,
  },
  'make-proxies': {
    steps: (level) => [
      `Make small copies, ${level ?? 540} lines high, of the clips named here, with every frame a key frame.`,
      'Attach them to the originals and switch the preview over to show them.',
      'Wait until all are made: a build that was stopped half-way leaves some clips heavy.',
    ],
    where:
      'Usually a right click on the clips in the media list; the switch to show them is at the viewer or in its menu.',
    check:
      'A mark on the clip or viewer says that proxies are shown. Some editors call a lowered preview quality “proxy”: that is another thing.',
    cost: 'disk space, the time to make them, and fine detail while you edit',
    putBack: {
      what: 'Link the originals again and switch proxies off',
      why: 'A film exported from proxies has their few lines, not the originals’.',
    },
  },
};

/** When something is put back, as a label. */
export function describePutBackTime(when: PutBackTime): string {
  switch (when) {
    case 'export':
      return 'before export';
    case 'end-of-day':
      return 'at the end of the day';
    default:
      return assertNever(when);
  }
}

const requirementTexts = { save: 'save', restart: 'a restart of the editor' } as const;

/** "2 minutes and a restart of the editor". */
export function describeEffort(minutes: number, requires: readonly ('save' | 'restart')[]): string {
  const extra = requires.includes('restart') ? ` and ${requirementTexts.restart}` : '';
  return `${formatMinutes(minutes)}${extra}`;
}

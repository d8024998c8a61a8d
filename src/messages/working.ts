import type { EditorAttachWay } from '@/core/card';
import type { PreviewChoice, RoomLeft, WayOfWorking, WorkingSetKind } from '@/core/diagnose';
import type { FixAtLevel, Sacrifice, workOrder } from '@/core/fixes';
import { fixTitle } from './fix-titles';
import { fixTexts } from './fixes';
import { formatFpsRange, formatMinutes, formatWaitRange } from './format';
import { effectLabels } from './load';

interface SetText {
  readonly label: string;
  readonly what: string;
}

/** The working sets that come with Oil Can. */
export const workingSetTexts: Readonly<Record<WorkingSetKind, SetText>> = {
  cutting: { label: 'Cutting', what: 'all that makes the preview light' },
  'looking-closely': { label: 'Looking closely', what: 'the full picture, as it will be exported' },
  colour: { label: 'Colour', what: 'light, but nothing that changes the look' },
};

/** Why each step of the work comes where it does. */
export const workOrderReasons: Readonly<Record<(typeof workOrder)[number], string>> = {
  'import-less': 'What is imported is opened with the project each time, used or not.',
  'trim-first': 'What is cut out never needs proxies, pre-rendering or effects.',
  'effects-last': 'Until then the timeline plays as raw footage.',
};

/** Fewer than eight: as a word, as people say it. */
const numberWords = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven'] as const;
const counted = (count: number): string => numberWords[count] ?? 'eight or more';

/** "about two more layers, or one layer of soft blur". */
export function describeRoom({ layerCount, effects }: RoomLeft): string {
  const best = effects.filter((effect) => effect.layerCount > 0);
  const parts = [
    ...(layerCount > 0 ? [`${counted(layerCount)} more ${layerCount === 1 ? 'layer' : 'layers'}`] : []),
    ...best.map(
      ({ kind, layerCount: count }) =>
        `${effectLabels[kind].toLowerCase()} on ${counted(count)} ${count === 1 ? 'layer' : 'layers'}`,
    ),
  ];
  return parts.length > 0
    ? `Room left: about ${parts.join(', or ')}.`
    : 'No room left: another layer or effect is likely to make it lag again.';
}

/** What is lost of the picture in the viewer. */
export function describeLoss({ missingRatio }: Pick<PreviewChoice, 'missingRatio'>): string {
  if (missingRatio <= 0) return 'no loss can be seen';
  if (missingRatio < 0.3) return 'a little soft';
  return missingRatio < 0.6 ? 'clearly soft' : 'coarse: shapes only';
}

/** When the full picture should be looked at once more. */
export function describeWhenToLook({ missingRatio, fix }: Pick<PreviewChoice, 'missingRatio' | 'fix'>): string {
  if (!fix) return 'this is it';
  if (missingRatio <= 0) return 'before you judge noise or sharpness';
  if (missingRatio < 0.3) return 'before you judge focus or small titles';
  return missingRatio < 0.6
    ? 'at each finished scene: focus, titles, edges'
    : 'often: faces, focus and titles cannot be judged';
}

/** What a way of working would bring in the respect in which it brings most. */
export function describeWayGain({ respect, before, after }: WayOfWorking): string {
  switch (respect) {
    case 'shownFps':
      return `${formatFpsRange(before.shownFps)} → ${formatFpsRange(after.shownFps)} a second`;
    case 'scrubMs':
      return `a move of the playhead ${formatWaitRange(before.scrubMs)} → ${formatWaitRange(after.scrubMs)}`;
    case 'lookMs':
      return `an unused clip opens in ${formatWaitRange(before.lookMs)} → ${formatWaitRange(after.lookMs)}`;
    case 'openingSec':
      return `the project opens in ${Math.round(before.openingSec.mid)} → ${Math.round(after.openingSec.mid)} s`;
    default:
      return respect satisfies never;
  }
}

const amounts = (value: number): string => (value < 0.15 ? 'a little' : value < 0.45 ? 'some' : 'much');
const sacrificeNames: Readonly<Record<Exclude<keyof Sacrifice, 'minutes'>, string>> = {
  picture: 'of the picture',
  functions: 'of what the editor can do',
  disk: 'room on the drive',
  putBack: 'to put back',
  risk: 'risk',
};

/** All that a set of fixes gives up, in words. */
export function describeSacrifice(sacrifice: Sacrifice): string {
  const kinds = Object.keys(sacrificeNames) as (keyof typeof sacrificeNames)[];
  const parts = kinds
    .filter((kind) => sacrifice[kind] >= 0.02)
    .map((kind) => `${amounts(sacrifice[kind])} ${sacrificeNames[kind]}`);
  const waiting = sacrifice.minutes >= 0.05 ? [`${formatMinutes(60 * sacrifice.minutes)} of waiting`] : [];
  const all = [...parts, ...waiting];
  return all.length > 0 ? all.join(', ') : 'nothing';
}

/** How an editor takes small copies. */
export const attachWayTexts: Readonly<Record<EditorAttachWay, { readonly label: string; readonly what: string }>> = {
  unknown: { label: 'Not known yet', what: 'all three ways are offered' },
  'built-in': { label: 'By itself', what: 'it has a command that says which small copy belongs to which clip' },
  'by-name': { label: 'By name', what: 'it finds a small copy by its name or in a folder of a certain name' },
  'by-folder-swap': {
    label: 'By swapping folders',
    what: 'it has nothing of the kind; the folder with the small copies takes the place of the other',
  },
  none: { label: 'Not at all', what: 'it refuses files that were swapped' },
};

/** One thing to set on the way from one working set to another. */
export function describeSwitch({ id, level }: FixAtLevel, isOn: boolean): string {
  const title = fixTitle(id, level);
  if (isOn) return title;
  const putBack = id in fixTexts ? fixTexts[id as keyof typeof fixTexts].putBack : null;
  return putBack?.what ?? `Back to before: ${title.toLowerCase()}`;
}

/** What to do so that small copies are used, by the way in which an editor takes them. */
export const attachWaySteps: Readonly<Record<Exclude<EditorAttachWay, 'unknown'>, string>> = {
  'built-in': 'Choose the heavy clips, say which small file belongs to which, and switch the viewer to show them.',
  'by-name':
    'Put the small files where it looks for them, under the names that it expects, and open the project again.',
  'by-folder-swap':
    'Close the project, rename the folder with the originals, and give the folder with the small copies its old name.',
  none: 'It cannot show small copies. Convert the heavy clips to an editing codec and replace them on the timeline instead.',
};

import { assertNever } from '@/core/assert-never';
import type { AmountsTried } from '@/core/card';
import type { FixGroup, FixId, FixLevel, FixRequirement, PutBackTime } from '@/core/fixes';
import { editorsOwnWorkTexts } from './fix-texts/editors-own-work';
import { exportAndUpgradesTexts } from './fix-texts/export-and-upgrades';
import { footageTexts } from './fix-texts/footage';
import { graphicsTexts } from './fix-texts/graphics';
import { lookingWithLessTexts } from './fix-texts/looking-with-less';
import { machineTexts } from './fix-texts/machine';
import { memoryAndFilesTexts } from './fix-texts/memory-and-files';
import type { FixText } from './fix-texts/types';
import { wayOfWorkingTexts } from './fix-texts/way-of-working';
import { fixTitle } from './fix-titles';
import { formatMemory, formatMinutes } from './format';

/** Everything a person reads about a fix. No editor is named: it says where editors usually keep a thing. */
export const fixTexts: Readonly<Record<FixId, FixText>> = {
  ...machineTexts,
  ...lookingWithLessTexts,
  ...graphicsTexts,
  ...footageTexts,
  ...memoryAndFilesTexts,
  ...editorsOwnWorkTexts,
  ...wayOfWorkingTexts,
  ...exportAndUpgradesTexts,
};

/** Parts of the work that fixes belong to. */
export const fixGroupTexts: Readonly<Record<FixGroup, string>> = {
  machine: 'The machine and other programs',
  'looking-with-less': 'Seeing less while editing',
  graphics: 'What the graphics do',
  footage: 'The footage and the project',
  'memory-and-files': 'Memory, drives and caches',
  'editors-own-work': 'What the editor does by itself',
  'way-of-working': 'How the project is built',
  export: 'The export',
  upgrades: 'Something bought',
};

/** How to take a kept fix away again, in three short lines. */
export const giveBackSteps = (id: FixId, level: FixLevel): readonly string[] => [
  `${fixTexts[id].putBack?.what ?? `Set back what you changed: ${fixTitle(id, level).toLowerCase()}`}.`,
  'Leave everything else as it is.',
  'Play the same stretch as before.',
];

/** Which amounts of memory were tried, so that nobody has to write them down; null where none was. */
export function describeAmountsTried({ kept, undone }: AmountsTried): string | null {
  const was = kept === null ? null : `Kept so far: ${formatMemory(kept)}.`;
  const tooMuch = undone === null ? null : `Tried and undone: ${formatMemory(undone)}.`;
  return was === null && tooMuch === null ? null : [was, tooMuch].filter((text) => text !== null).join(' ');
}

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

const requirementTexts: Readonly<Record<FixRequirement, string>> = {
  save: 'saving first',
  restart: 'a restart of the editor',
  'builds-finished': 'letting builds finish first',
};

/** "2 minutes and a restart of the editor". */
export function describeEffort(minutes: number, requires: readonly FixRequirement[]): string {
  const extra = requires.filter((id) => id !== 'save').map((id) => ` and ${requirementTexts[id]}`);
  return `${formatMinutes(minutes)}${extra.join('')}`;
}

import { assertNever } from '@/core/assert-never';
import type { FixId, FixRequirement, PutBackTime } from '@/core/fixes';
import { editorsOwnWorkTexts } from './fix-texts/editors-own-work';
import { exportAndUpgradesTexts } from './fix-texts/export-and-upgrades';
import { footageTexts } from './fix-texts/footage';
import { graphicsTexts } from './fix-texts/graphics';
import { lookingWithLessTexts } from './fix-texts/looking-with-less';
import { machineTexts } from './fix-texts/machine';
import { memoryAndFilesTexts } from './fix-texts/memory-and-files';
import type { FixText } from './fix-texts/types';
import { wayOfWorkingTexts } from './fix-texts/way-of-working';
import { formatMinutes } from './format';

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

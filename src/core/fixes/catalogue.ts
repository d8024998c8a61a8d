import { editorsWorkFixes } from './definitions/editors-own-work';
import { footageFixes } from './definitions/footage';
import { graphicsFixes } from './definitions/graphics';
import { lookingFixes } from './definitions/looking-with-less';
import { machineFixes } from './definitions/machine';
import { memoryAndFileFixes } from './definitions/memory-and-files';
import { exportFixes, upgradeFixes, workingFixes } from './definitions/way-of-working';
import type { FixId } from './fix-facts';
import type { FixDefinition } from './types';

/** Every fix, cheapest and most reversible first. Adding one is a row in fix-facts, a definition, and its text in messages/fixes. */
export const fixCatalogue: readonly FixDefinition<FixId>[] = [
  ...machineFixes,
  ...lookingFixes,
  ...graphicsFixes,
  ...footageFixes,
  ...memoryAndFileFixes,
  ...editorsWorkFixes,
  ...workingFixes,
  ...exportFixes,
  ...upgradeFixes,
];

const byId = new Map<string, FixDefinition<FixId>>(fixCatalogue.map((fix) => [fix.id, fix]));

/** The fix of this id, or undefined: a card may name fixes of a newer Oil Can. */
export const findFix = (id: string): FixDefinition<FixId> | undefined => byId.get(id);

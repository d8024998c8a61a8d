import type { ClipTrait } from '../../footage';
import type { ClipRow } from './clip-rows';

export const clipGroups = ['all', 'over-budget', 'video', 'still', 'sound'] as const;

/** Which clips of the table are shown. */
export interface ClipFilter {
  /** Words that must all stand in the name or folder, in any order and case; empty for all. */
  readonly text: string;
  readonly group: (typeof clipGroups)[number];
  readonly trait: ClipTrait | null;
}

export const everyClip: ClipFilter = { text: '', group: 'all', trait: null };

const isInGroup = (row: ClipRow, group: ClipFilter['group']): boolean =>
  group === 'all' || (group === 'over-budget' ? row.cost?.isOverBudget === true : row.facts.kind === group);

/** The rows that a filter lets through, in their order. O(rows). */
export function filterClipRows(rows: readonly ClipRow[], filter: ClipFilter): readonly ClipRow[] {
  const words = filter.text.toLowerCase().split(/\s+/).filter(Boolean);
  return rows.filter((row) => {
    const text = `${row.folder}/${row.facts.fileName}`.toLowerCase();
    const hasTrait = filter.trait === null || row.traits.includes(filter.trait);
    return hasTrait && isInGroup(row, filter.group) && words.every((word) => text.includes(word));
  });
}

/** Traits that occur, with how many clips have each, most frequent first. */
export function countTraits(
  rows: readonly ClipRow[],
): readonly { readonly trait: ClipTrait; readonly count: number }[] {
  const counts = new Map<ClipTrait, number>();
  for (const row of rows) for (const trait of row.traits) counts.set(trait, (counts.get(trait) ?? 0) + 1);
  return [...counts].map(([trait, count]) => ({ trait, count })).sort((a, b) => b.count - a.count);
}

import { type MemorySplit, splitWith } from '../load/memory';
import type { Setup } from '../load/types';
import type { FixLevel } from './fix-facts';

/** The editor itself, in MiB, beside the pictures that it computes. Assumption. */
export const editorSpareMib = 1800;

/** How the machine's memory would be split under a fix that sets an amount; null for any other. */
export function memorySplitUnder(
  setup: Setup,
  { id, level }: { readonly id: string; readonly level: FixLevel },
): MemorySplit | null {
  if (typeof level !== 'number') return null;
  if (id === 'give-editor-memory') return splitWith(setup, level);
  return id === 'raise-preview-memory' ? splitWith(setup, editorSpareMib + level) : null;
}

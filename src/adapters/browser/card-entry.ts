import type { CommandFailure, JobCard } from '@/core/card';
import type { Result } from '@/core/result';

/**
 * A command bound to its input. The store is handed the change, not the command's name, so that the list of cards,
 * which carries none out, does not load all of them.
 */
export type CardChange = (card: JobCard, atMs: number) => Result<JobCard, CommandFailure>;

/** A change that is shown already and not yet written. */
export interface PendingChange {
  readonly change: CardChange;
  readonly atMs: number;
}

/** A card in this tab: what is stored, what is still to be written, and both together as it is shown. */
export interface CardEntry {
  readonly base: JobCard;
  /** The stored revision that `base` is; 0 for a card that was never stored. */
  readonly revision: number;
  readonly pending: readonly PendingChange[];
  /** True for a new or imported card until it is written: it stands for itself, whatever is stored under its id. */
  readonly isReplacing: boolean;
  readonly view: JobCard;
  /** The card as it was last exported, for cards that cannot be stored. */
  readonly exported: JobCard | null;
}

/** Applies changes in order; those that no longer fit are left out. */
export const replay = (base: JobCard, changes: readonly PendingChange[]): JobCard =>
  changes.reduce((card, { change, atMs }) => {
    const result = change(card, atMs);
    return result.ok ? result.value : card;
  }, base);

/** An entry for a card that is stored under this revision; 0 for one that is not. */
export const createEntry = (base: JobCard, revision: number, isReplacing = false): CardEntry => ({
  base,
  revision,
  pending: [],
  isReplacing,
  view: base,
  exported: null,
});

/** The entry on another base, its pending changes applied again. */
export const rebase = (entry: CardEntry, base: JobCard, revision: number): CardEntry => ({
  ...entry,
  base,
  revision,
  view: replay(base, entry.pending),
});

/** Whether everything in this entry is in the browser's storage. */
export const isStored = (entry: CardEntry): boolean => entry.revision > 0 && entry.pending.length === 0;

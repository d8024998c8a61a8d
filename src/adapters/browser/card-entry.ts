import type { CommandFailure, JobCard } from '@/core/card';
import type { AnswerSummary } from '@/core/diagnose/answer/answer-summary';
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

/** What was concluded of a card, and of which one. */
export interface KeptAnswer {
  readonly summary: AnswerSummary;
  /** The very card that it was concluded from, where that was in this tab; else null. */
  readonly card: JobCard | null;
  /** The stored revision of that card; 0 while it is not stored. */
  readonly revision: number;
}

/** A card in this tab: what is stored, what is still to be written, and both together as it is shown. */
export interface CardEntry {
  readonly base: JobCard;
  /** The stored revision that `base` is; 0 for a card that was never stored. */
  readonly revision: number;
  readonly pending: readonly PendingChange[];
  /** True for a new or imported card until it is written: it stands for itself, whatever is stored under its id. */
  readonly isReplacing: boolean;
  /** True for a card that was brought back, until it is written: in the storage it may still be marked as deleted. */
  readonly mayLieDeleted: boolean;
  readonly view: JobCard;
  /** The card as it was last exported, for cards that cannot be stored. */
  readonly exported: JobCard | null;
  readonly answer: KeptAnswer | null;
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
  mayLieDeleted: false,
  view: base,
  exported: null,
  answer: null,
});

/** The entry on another base, its pending changes applied again. */
export const rebase = (entry: CardEntry, base: JobCard, revision: number): CardEntry => ({
  ...entry,
  base,
  revision,
  view: replay(base, entry.pending),
});

/** What a finished write of an entry has left in the storage. */
export interface WrittenCard {
  readonly card: JobCard;
  readonly revision: number;
  /** How many of the pending changes are in it. */
  readonly changeCount: number;
  /** Whether another tab's changes are in it too. */
  readonly isMerged: boolean;
}

/** The entry after a write is through. What was changed meanwhile is still pending. */
export function settleEntry(entry: CardEntry, { card, revision, changeCount, isMerged }: WrittenCard): CardEntry {
  const pending = entry.pending.slice(changeCount);
  return {
    ...entry,
    base: card,
    revision,
    pending,
    isReplacing: false,
    mayLieDeleted: false,
    // Where no other tab changed it, the card is the very one that is shown already: nothing is worked out again.
    view: isMerged ? replay(card, pending) : entry.view,
  };
}

/** A card as one of its own, because it does not fit what is stored under its id. */
export const copyCard = (card: JobCard, id: string, origin: 'from this tab' | 'from a closed tab'): JobCard => ({
  ...card,
  id,
  title: `${card.title.slice(0, 180)} (${origin})`,
});

/** Whether something was done to the card that is not in the browser's storage. */
export const hasChanges = (entry: CardEntry): boolean =>
  entry.pending.length > 0 || entry.isReplacing || entry.mayLieDeleted;

/** Whether everything in this entry is in the browser's storage. */
export const isStored = (entry: CardEntry): boolean => entry.revision > 0 && !hasChanges(entry);

/** Whether what was concluded is of the card as it is now. */
export const isAnswerFresh = ({ answer, view, revision, pending }: CardEntry): boolean =>
  answer !== null &&
  (answer.card === view || (answer.revision > 0 && answer.revision === revision && pending.length === 0));

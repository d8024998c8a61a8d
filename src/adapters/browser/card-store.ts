import { liveQuery } from 'dexie';
import { type CardFailure, type CommandFailure, type JobCard, parseCard, type StorageFailure } from '@/core/card';
import { type AnswerSummary, parseAnswerSummary } from '@/core/diagnose/answer/answer-summary';
import { fail, type Result, succeed } from '@/core/result';
import { type AnswerRow, CardDatabase, type CardRow } from './card-database';
import {
  type CardChange,
  type CardEntry,
  copyCard,
  createEntry,
  hasChanges,
  isAnswerFresh,
  isStored,
  type PendingChange,
  rebase,
  replay,
  settleEntry,
  type WrittenCard,
} from './card-entry';
import type { LeftCards } from './left-cards';
import { toStorageFailure } from './storage-failure';

/** A row that cannot be shown; it is kept as it is. */
export interface UnreadableCard {
  readonly id: string;
  readonly failure: CardFailure;
  readonly document: unknown;
}

/** What was concluded of a card last; stale where the card has changed since. */
export interface KnownAnswer {
  readonly summary: AnswerSummary;
  readonly isFresh: boolean;
}

/** A card as screens see it. */
export interface OpenCard {
  readonly card: JobCard;
  readonly isStored: boolean;
  /** False where the card is not stored and has changed since it was last exported. */
  readonly isSafe: boolean;
  readonly answer: KnownAnswer | null;
}

/** A change made here did not fit a card that was changed elsewhere in the meantime; both are kept. */
export interface CardConflict {
  readonly cardId: string;
  readonly copyId: string;
  readonly failure: CommandFailure | CardFailure;
}

export interface CardsSnapshot {
  readonly status: 'opening' | 'ready';
  readonly storageFailure: StorageFailure | null;
  readonly cards: ReadonlyMap<string, OpenCard>;
  readonly unreadable: readonly UnreadableCard[];
  readonly conflict: CardConflict | null;
}

export type RunFailure = CommandFailure | { readonly code: 'card-missing'; readonly id: string };

/** All job cards of this browser: shown at once, written behind, and followed in other tabs. */
export interface CardStore {
  readonly subscribe: (listener: () => void) => () => void;
  readonly getSnapshot: () => CardsSnapshot;
  /** Opens the storage and lays in the given cards on the very first visit. Never rejects. */
  readonly open: (loadFirstCards: () => Promise<readonly JobCard[]>) => Promise<void>;
  /** Carries out a change: shown at once, written behind, made again on what another tab stored meanwhile. */
  readonly run: (cardId: string, change: CardChange) => Result<JobCard, RunFailure>;
  readonly add: (card: JobCard) => void;
  readonly remove: (cardId: string) => void;
  /** Brings back a card removed in this tab. */
  readonly restore: (cardId: string) => void;
  readonly markExported: (cardId: string) => void;
  /** Keeps what was concluded of a card; it is stored once that very card is. */
  readonly keepAnswer: (card: JobCard, summary: AnswerSummary) => void;
  readonly dismissConflict: () => void;
  /** Tries again to write what could not be written. */
  readonly retry: () => void;
  /** Resolves when everything so far has been written, or has failed to be. */
  readonly settle: () => Promise<void>;
  /**
   * The tab is going: what is not in the database yet is left where the next opening takes it up. From then on this
   * store writes nothing more; a page that comes back after all opens a new one.
   */
  readonly leave: () => void;
  readonly close: () => void;
}

/** Deleted cards are dropped for good after this long. */
const keepDeletedMs = 7 * 24 * 3_600_000;

const emptySnapshot: CardsSnapshot = {
  status: 'opening',
  storageFailure: null,
  cards: new Map(),
  unreadable: [],
  conflict: null,
};

export interface CardStoreOptions {
  readonly database?: CardDatabase;
  /** Where a closing tab leaves what it cannot wait for; null where there is no such place. */
  readonly leftCards?: LeftCards | null;
  readonly nowMs: () => number;
  readonly createId: () => string;
}

/** What a write of one card came to. Nothing of it counts before its transaction is through. */
type Written =
  | { readonly kind: 'stored'; readonly written: WrittenCard }
  /** This tab's version does not fit what is stored: it became a card of its own. */
  | {
      readonly kind: 'kept-both';
      readonly copy: JobCard;
      /** How many pending changes are in the copy. */
      readonly changeCount: number;
      readonly failure: CommandFailure | CardFailure;
      /** What is stored under the card's own id, or null where this Oil Can cannot read it. */
      readonly stored: CardEntry | null;
      readonly unreadable: UnreadableCard | null;
    };

/** Applies pending changes to the stored card, or tells which one no longer fits. */
function applyPending(base: JobCard, pending: readonly PendingChange[]): Result<JobCard, CommandFailure> {
  let card = base;
  for (const { change, atMs } of pending) {
    const result = change(card, atMs);
    if (!result.ok) return result;
    card = result.value;
  }
  return succeed(card);
}

const toRow = (card: JobCard, revision: number): CardRow => ({ id: card.id, revision, deletedAtMs: 0, document: card });

/** Creates the store; nothing is opened or read before `open`. */
export function createCardStore({
  database = new CardDatabase(),
  leftCards = null,
  nowMs,
  createId,
}: CardStoreOptions): CardStore {
  const entries = new Map<string, CardEntry>();
  const removed = new Map<string, CardEntry>();
  /** Removed cards whose mark is not in the storage yet. */
  const unmarked = new Map<string, number>();
  const unreadable = new Map<string, UnreadableCard>();
  /** Conclusions that are not in the storage yet. */
  const unkept = new Set<string>();
  /** When the last change was made of those that are being written, by card. */
  const writingAtMs = new Map<string, number>();
  const listeners = new Set<() => void>();
  let snapshot = emptySnapshot;
  let writing: Promise<void> = Promise.resolve();
  let subscription: { unsubscribe: () => void } | null = null;
  let loadFirst: (() => Promise<readonly JobCard[]>) | null = null;
  let isLeaving = false;
  let isClosed = false;

  const publish = (change: Partial<Pick<CardsSnapshot, 'status' | 'storageFailure' | 'conflict'>> = {}): void => {
    const cards = [...entries].map(([id, entry]): [string, OpenCard] => {
      const before = snapshot.cards.get(id);
      const isFresh = isAnswerFresh(entry);
      const answer =
        before?.answer && before.answer.summary === entry.answer?.summary && before.answer.isFresh === isFresh
          ? before.answer
          : entry.answer && { summary: entry.answer.summary, isFresh };
      const stored = isStored(entry);
      const isSafe = stored || entry.exported === entry.view;
      const isSame =
        before?.card === entry.view &&
        before.isStored === stored &&
        before.isSafe === isSafe &&
        before.answer === answer;
      return [id, isSame ? before : { card: entry.view, isStored: stored, isSafe, answer }];
    });
    snapshot = { ...snapshot, ...change, cards: new Map(cards), unreadable: [...unreadable.values()] };
    for (const listener of listeners) listener();
  };

  /** Lets cards go that another tab has deleted; asked once more, because what a query saw may be older than a write. */
  const dropGone = async (ids: readonly string[]): Promise<void> => {
    if (ids.length === 0) return;
    const rows = await database.cards.bulkGet([...ids]);
    for (const [i, id] of ids.entries()) {
      const entry = entries.get(id);
      const row = rows[i];
      if (entry && isStored(entry) && (row === undefined || row.deletedAtMs > 0)) entries.delete(id);
    }
    publish();
  };

  const takeAnswers = (rows: readonly AnswerRow[]): void => {
    for (const { cardId, revision, answer } of rows) {
      const entry = entries.get(cardId);
      if (!entry || (entry.answer && entry.answer.revision >= revision) || unkept.has(cardId)) continue;
      const summary = parseAnswerSummary(answer);
      if (summary) entries.set(cardId, { ...entry, answer: { summary, card: null, revision } });
    }
  };

  /** Takes in what the storage holds: rows of another tab, and this tab's own writes coming back. */
  const follow = (rows: readonly CardRow[], answers: readonly AnswerRow[]): void => {
    const seen = new Set(rows.map((row) => row.id));
    const missing = [...entries].filter(([id, entry]) => !seen.has(id) && isStored(entry)).map(([id]) => id);
    for (const id of unreadable.keys()) if (!seen.has(id)) unreadable.delete(id);
    for (const row of rows) {
      const entry = entries.get(row.id);
      if (removed.has(row.id) || (entry && entry.revision >= row.revision)) continue;
      const parsed = parseCard(row.document);
      if (parsed.ok) {
        unreadable.delete(row.id);
        entries.set(
          row.id,
          entry ? rebase(entry, parsed.value, row.revision) : createEntry(parsed.value, row.revision),
        );
      } else unreadable.set(row.id, { id: row.id, failure: parsed.failure, document: row.document });
    }
    takeAnswers(answers);
    publish();
    dropGone(missing).catch((error) => publish({ storageFailure: toStorageFailure(error) }));
  };

  const readAll = (): Promise<[CardRow[], AnswerRow[]]> =>
    Promise.all([database.cards.where('deletedAtMs').equals(0).toArray(), database.answers.toArray()]);

  /** Writes this tab's version as a card of its own, because it does not fit what is stored now. */
  const writeCopy = async (
    cardId: string,
    entry: CardEntry,
    outcome: Pick<Extract<Written, { kind: 'kept-both' }>, 'failure' | 'stored' | 'unreadable'>,
  ): Promise<Written> => {
    // What was typed while the row was being read belongs to this tab's version too.
    const mine = entries.get(cardId) ?? entry;
    const copy = copyCard(mine.view, createId(), 'from this tab');
    await database.cards.put(toRow(copy, 1));
    return { kind: 'kept-both', copy, changeCount: mine.pending.length, ...outcome };
  };

  /** Leaves a card with changes that are not stored to the next opening. */
  const leaveCard = (entry: CardEntry): void => {
    if (hasChanges(entry)) leftCards?.put(entry.view, entry.revision, writingAtMs.get(entry.view.id) ?? null);
  };

  const takeUpAllLeft = async (): Promise<void> => {
    const left = leftCards?.readAll();
    if (!leftCards || !left || left.size === 0) return;
    // Seldom needed, and not to be waited for by every first page.
    const { takeUpLeft } = await import('./take-up-left');
    for (const [key, text] of left) if (await takeUpLeft(database, text, createId)) leftCards.drop(key);
  };

  /**
   * Puts one entry's pending changes on the revision that is stored now; resolves once the storage has them. Null where the tab
   * goes meanwhile: they were left to the next opening.
   */
  const writeOn = (cardId: string, entry: CardEntry): Promise<Written | null> =>
    database.transaction('rw', database.cards, async (): Promise<Written | null> => {
      const row = await database.cards.get(cardId);
      if (isLeaving) return null;
      const isMerged = row !== undefined && row.revision !== entry.revision && !entry.isReplacing;
      const stored = isMerged ? parseCard(row.document) : null;
      // A newer Oil Can in another tab may have written a form that this one cannot read: it is left alone.
      if (isMerged && stored && !stored.ok) {
        const { failure } = stored;
        return writeCopy(cardId, entry, {
          failure,
          stored: null,
          unreadable: { id: cardId, failure, document: row.document },
        });
      }
      const base = stored?.ok ? stored.value : entry.base;
      const result = applyPending(base, entry.pending);
      if (!result.ok)
        return writeCopy(cardId, entry, {
          failure: result.failure,
          stored: createEntry(base, row?.revision ?? 0),
          unreadable: null,
        });
      const revision = (row?.revision ?? 0) + 1;
      // With another tab's changes in it, what is shown here is not all of the card.
      if (!isMerged) writingAtMs.set(cardId, result.value.updatedAtMs);
      await database.cards.put(toRow(result.value, revision));
      return {
        kind: 'stored',
        written: { card: result.value, revision, changeCount: entry.pending.length, isMerged },
      };
    });

  /** Takes over what a write came to, wherever the card is by now. */
  const takeOver = (cardId: string, outcome: Written): void => {
    const place = entries.has(cardId) ? entries : removed;
    const now = place.get(cardId);
    if (outcome.kind === 'stored') {
      if (now) place.set(cardId, settleEntry(now, outcome.written));
      return;
    }
    const { copy, changeCount, failure, stored } = outcome;
    const late = now?.pending.slice(changeCount) ?? [];
    entries.set(copy.id, { ...createEntry(copy, 1), pending: late, view: replay(copy, late) });
    if (stored) place.set(cardId, stored);
    else place.delete(cardId);
    if (outcome.unreadable) unreadable.set(cardId, outcome.unreadable);
    publish({ conflict: { cardId, copyId: copy.id, failure } });
  };

  /** Writes one entry's pending commands. Memory changes only when the transaction is through. */
  const writeEntry = async (cardId: string): Promise<void> => {
    const entry = entries.get(cardId);
    if (!entry || isStored(entry)) return;
    try {
      const outcome = await writeOn(cardId, entry);
      if (outcome) takeOver(cardId, outcome);
    } finally {
      writingAtMs.delete(cardId);
    }
  };

  /**
   * Marks removed cards as deleted. One that came back meanwhile by undo or by import is left alone, and so is one that
   * another tab has changed since it was removed here: it is shown again.
   */
  const writeRemovals = async (): Promise<void> => {
    for (const [id, atMs] of [...unmarked]) {
      const known = removed.get(id)?.revision ?? 0;
      const isMarked =
        entries.has(id) ||
        (await database.transaction('rw', database.cards, async () => {
          const row = await database.cards.get(id);
          if (row && row.revision > known) return false;
          if (row) await database.cards.update(id, { deletedAtMs: atMs });
          return true;
        }));
      unmarked.delete(id);
      if (isMarked) continue;
      removed.delete(id);
      follow(...(await readAll()));
    }
  };

  /** Stores what was concluded of cards that are stored themselves; of others there is a newer one to come. */
  const writeAnswers = async (): Promise<void> => {
    for (const cardId of [...unkept]) {
      const entry = entries.get(cardId);
      const answer = entry?.answer;
      if (entry && answer && isStored(entry) && answer.card === entry.view) {
        await database.answers.put({ cardId, revision: entry.revision, answer: answer.summary });
        const now = entries.get(cardId);
        if (now?.answer === answer) entries.set(cardId, { ...now, answer: { ...answer, revision: entry.revision } });
      }
      unkept.delete(cardId);
    }
  };

  /** Runs storage work after all that came before; a failure leaves everything in memory and says so. */
  const enqueue = (): void => {
    writing = writing.then(async () => {
      if (isClosed || isLeaving) return;
      try {
        await startFollowing();
        // What could not be written earlier is tried again with each later change.
        for (const id of [...entries.keys()]) await writeEntry(id);
        await writeRemovals();
        await writeAnswers();
        publish({ storageFailure: null });
      } catch (error) {
        publish({ storageFailure: toStorageFailure(error) });
      }
    });
  };

  const layInFirstCards = async (loadFirstCards: () => Promise<readonly JobCard[]>): Promise<void> => {
    if ((await database.meta.get('first-cards')) !== undefined) return;
    // Where the server does not give them, they are laid in at a later visit.
    const cards = await loadFirstCards().catch(() => null);
    if (cards === null) return;
    await database.transaction('rw', database.cards, database.meta, async () => {
      if ((await database.meta.get('first-cards')) !== undefined) return;
      await database.meta.put({ key: 'first-cards', value: 'laid in' });
      // A card of this id may be here from a visit on which the note above could not be stored.
      for (const card of cards)
        if ((await database.cards.get(card.id)) === undefined) await database.cards.put(toRow(card, 1));
    });
  };

  /** Drops for good what was deleted more than a week ago, with what was concluded of it. */
  const dropOld = async (): Promise<void> => {
    const ids = await database.cards
      .where('deletedAtMs')
      .between(1, nowMs() - keepDeletedMs)
      .primaryKeys();
    await database.answers.bulkDelete(ids);
    await database.cards.bulkDelete(ids);
  };

  /** Reads all that is stored and follows it from then on; does nothing while it is followed. Rejects where it cannot. */
  const startFollowing = async (): Promise<void> => {
    if (subscription) return;
    await database.open();
    if (loadFirst) await layInFirstCards(loadFirst);
    await dropOld();
    await takeUpAllLeft();
    const [rows, answers] = await readAll();
    if (isClosed) return;
    follow(rows, answers);
    subscription = liveQuery(readAll).subscribe({
      next: ([later, concluded]) => follow(later, concluded),
      error: (error) => {
        // It has ended with that; the next change follows anew.
        subscription = null;
        publish({ storageFailure: toStorageFailure(error) });
      },
    });
  };

  return {
    subscribe: (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    getSnapshot: () => snapshot,
    settle: () => writing,
    retry: enqueue,
    open: (loadFirstCards) => {
      loadFirst = loadFirstCards;
      const holdInMemory = async (failure: StorageFailure): Promise<void> => {
        // Where the server does not give them either, there are none.
        for (const card of await loadFirstCards().catch(() => []))
          if (!entries.has(card.id)) entries.set(card.id, createEntry(card, 0));
        publish({ status: 'ready', storageFailure: failure });
      };
      // Another tab holds the storage in an older form and does not let go: the page goes on without it.
      database.on('blocked', () => {
        holdInMemory({ code: 'storage-blocked', detail: 'an older tab holds the database' });
      });
      writing = writing
        .then(startFollowing)
        .then(() => publish({ status: 'ready', storageFailure: null }))
        .catch((error) => holdInMemory(toStorageFailure(error)));
      return writing;
    },
    run: (cardId, change) => {
      const entry = entries.get(cardId);
      if (!entry) return fail({ code: 'card-missing', id: cardId });
      const atMs = nowMs();
      const result = change(entry.view, atMs);
      if (!result.ok || result.value === entry.view) return result;
      const next = { ...entry, pending: [...entry.pending, { change, atMs }], view: result.value };
      entries.set(cardId, next);
      // What is typed last is run while the tab is going.
      if (isLeaving) leaveCard(next);
      enqueue();
      publish();
      return result;
    },
    add: (card) => {
      // A card that comes back by import is the card now; an older undo must not put the deleted one over it.
      removed.delete(card.id);
      unmarked.delete(card.id);
      entries.set(card.id, createEntry(card, 0, true));
      publish();
      enqueue();
    },
    remove: (cardId) => {
      const entry = entries.get(cardId);
      if (!entry) return;
      removed.set(cardId, entry);
      unmarked.set(cardId, nowMs());
      entries.delete(cardId);
      publish();
      enqueue();
    },
    restore: (cardId) => {
      const entry = removed.get(cardId);
      if (!entry) return;
      removed.delete(cardId);
      unmarked.delete(cardId);
      // It may lie there marked as deleted: it is not stored before it has been written once more.
      entries.set(cardId, { ...entry, mayLieDeleted: true });
      publish();
      enqueue();
    },
    markExported: (cardId) => {
      const entry = entries.get(cardId);
      if (!entry) return;
      entries.set(cardId, { ...entry, exported: entry.view });
      publish();
    },
    keepAnswer: (card, summary) => {
      const entry = entries.get(card.id);
      // The card has changed since: a newer conclusion is on its way.
      if (!entry || entry.view !== card) return;
      entries.set(card.id, { ...entry, answer: { summary, card, revision: 0 } });
      unkept.add(card.id);
      publish();
      enqueue();
    },
    dismissConflict: () => publish({ conflict: null }),
    leave: () => {
      if (!leftCards) return;
      isLeaving = true;
      for (const entry of entries.values()) leaveCard(entry);
    },
    close: () => {
      isClosed = true;
      subscription?.unsubscribe();
      database.close();
    },
  };
}

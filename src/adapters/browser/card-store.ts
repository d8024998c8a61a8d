import Dexie, { liveQuery } from 'dexie';
import { type CardFailure, type CommandFailure, type JobCard, parseCard, type StorageFailure } from '@/core/card';
import { fail, type Result, succeed } from '@/core/result';
import { CardDatabase, type CardRow } from './card-database';
import {
  type CardChange,
  type CardEntry,
  createEntry,
  isStored,
  type PendingChange,
  rebase,
  replay,
} from './card-entry';

/** A row that cannot be shown; it is kept as it is. */
export interface UnreadableCard {
  readonly id: string;
  readonly failure: CardFailure;
  readonly document: unknown;
}

/** A card as screens see it. */
export interface OpenCard {
  readonly card: JobCard;
  readonly isStored: boolean;
  /** False where the card is not stored and has changed since it was last exported. */
  readonly isSafe: boolean;
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
  readonly dismissConflict: () => void;
  /** Resolves when everything so far has been written, or has failed to be. */
  readonly settle: () => Promise<void>;
  readonly close: () => void;
}

/** Deleted cards are dropped for good after this long. */
const keepDeletedMs = 7 * 24 * 3_600_000;

function toStorageFailure(error: unknown): StorageFailure {
  const names =
    error instanceof Dexie.DexieError ? [error.name, error.inner?.name ?? ''] : [Reflect.get(Object(error), 'name')];
  const detail = error instanceof Error ? error.message : String(error);
  return names.includes('QuotaExceededError') ? { code: 'storage-full', detail } : { code: 'storage-refused', detail };
}

const emptySnapshot: CardsSnapshot = {
  status: 'opening',
  storageFailure: null,
  cards: new Map(),
  unreadable: [],
  conflict: null,
};

export interface CardStoreOptions {
  readonly database?: CardDatabase;
  readonly nowMs: () => number;
  readonly createId: () => string;
}

/** Creates the store; nothing is opened or read before `open`. */
export function createCardStore({ database = new CardDatabase(), nowMs, createId }: CardStoreOptions): CardStore {
  const entries = new Map<string, CardEntry>();
  const removed = new Map<string, CardEntry>();
  const unreadable = new Map<string, UnreadableCard>();
  const listeners = new Set<() => void>();
  let snapshot = emptySnapshot;
  let writing: Promise<void> = Promise.resolve();
  let subscription: { unsubscribe: () => void } | null = null;

  const publish = (change: Partial<Pick<CardsSnapshot, 'status' | 'storageFailure' | 'conflict'>> = {}): void => {
    const cards = [...entries].map(([id, entry]): [string, OpenCard] => {
      const stored = isStored(entry);
      const before = snapshot.cards.get(id);
      const isSafe = stored || entry.exported === entry.view;
      const isSame = before?.card === entry.view && before.isStored === stored && before.isSafe === isSafe;
      return [id, isSame ? before : { card: entry.view, isStored: stored, isSafe }];
    });
    snapshot = { ...snapshot, ...change, cards: new Map(cards), unreadable: [...unreadable.values()] };
    for (const listener of listeners) listener();
  };

  /** Takes in what the storage holds: rows of another tab, and this tab's own writes coming back. */
  const follow = (rows: readonly CardRow[]): void => {
    const seen = new Set(rows.map((row) => row.id));
    for (const [id, entry] of entries) if (!seen.has(id) && isStored(entry)) entries.delete(id);
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
    publish();
  };

  /** Applies pending changes to the stored card, or tells which one no longer fits. */
  const applyPending = (base: JobCard, pending: readonly PendingChange[]): Result<JobCard, CommandFailure> => {
    let card = base;
    for (const { change, atMs } of pending) {
      const result = change(card, atMs);
      if (!result.ok) return result;
      card = result.value;
    }
    return succeed(card);
  };

  const putRow = async (card: JobCard, revision: number): Promise<void> => {
    await database.cards.put({ id: card.id, revision, deletedAtMs: 0, document: card });
  };

  /** Keeps this tab's version as a card of its own, because it does not fit what is stored now. */
  const keepBoth = async (
    cardId: string,
    stored: CardEntry | null,
    failure: CommandFailure | CardFailure,
  ): Promise<void> => {
    // What was typed while the row was being read belongs to this tab's version too.
    const mine = entries.get(cardId)?.view;
    if (!mine) return;
    const copy = { ...mine, id: createId(), title: `${mine.title.slice(0, 180)} (from this tab)` };
    await putRow(copy, 1);
    entries.set(copy.id, createEntry(copy, 1));
    if (stored) entries.set(cardId, stored);
    else entries.delete(cardId);
    publish({ conflict: { cardId, copyId: copy.id, failure } });
  };

  /** Writes one entry's pending commands on the revision that is stored now. */
  const writeEntry = async (cardId: string): Promise<void> => {
    const entry = entries.get(cardId);
    if (!entry || isStored(entry)) return;
    const { pending } = entry;
    await database.transaction('rw', database.cards, async () => {
      const row = await database.cards.get(cardId);
      const isChanged = row?.deletedAtMs === 0 && row.revision !== entry.revision && !entry.isReplacing;
      const stored = row && isChanged ? parseCard(row.document) : null;
      // A newer Oil Can in another tab may have written a form that this one cannot read: it is left alone.
      if (row && stored && !stored.ok) {
        unreadable.set(cardId, { id: cardId, failure: stored.failure, document: row.document });
        return keepBoth(cardId, null, stored.failure);
      }
      const base = stored?.ok ? stored.value : entry.base;
      const result = applyPending(base, pending);
      if (!result.ok) return keepBoth(cardId, createEntry(base, row?.revision ?? 0), result.failure);
      const revision = (row?.revision ?? 0) + 1;
      await putRow(result.value, revision);
      const now = entries.get(cardId);
      if (!now) return;
      const left = now.pending.slice(pending.length);
      entries.set(cardId, {
        ...now,
        base: result.value,
        revision,
        pending: left,
        isReplacing: false,
        // Where no other tab changed it, the card is the very one that is shown already: nothing is worked out again.
        view: isChanged ? replay(result.value, left) : now.view,
      });
    });
  };

  /** Runs storage work after all that came before; a failure leaves everything in memory and says so. */
  const enqueue = (work: () => Promise<void>): void => {
    writing = writing.then(async () => {
      try {
        await work();
        // What could not be written earlier is tried again with each later change.
        for (const id of [...entries.keys()]) await writeEntry(id);
        publish({ storageFailure: null });
      } catch (error) {
        publish({ storageFailure: toStorageFailure(error) });
      }
    });
  };

  const startFollowing = (): void => {
    subscription = liveQuery(() => database.cards.where('deletedAtMs').equals(0).toArray()).subscribe({
      next: follow,
      error: (error) => publish({ storageFailure: toStorageFailure(error) }),
    });
  };

  const layInFirstCards = async (loadFirstCards: () => Promise<readonly JobCard[]>): Promise<void> => {
    if ((await database.meta.get('first-cards')) !== undefined) return;
    const cards = await loadFirstCards();
    await database.transaction('rw', database.cards, database.meta, async () => {
      if ((await database.meta.get('first-cards')) !== undefined) return;
      await database.meta.put({ key: 'first-cards', value: 'laid in' });
      // A card of this id may be here from a visit on which the note above could not be stored.
      for (const card of cards) if ((await database.cards.get(card.id)) === undefined) await putRow(card, 1);
    });
  };

  return {
    subscribe: (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    getSnapshot: () => snapshot,
    settle: () => writing,
    open: async (loadFirstCards) => {
      const holdInMemory = async (error: unknown): Promise<void> => {
        for (const card of await loadFirstCards())
          if (!entries.has(card.id)) entries.set(card.id, createEntry(card, 0));
        publish({ storageFailure: toStorageFailure(error) });
      };
      try {
        await database.open();
        await layInFirstCards(loadFirstCards).catch(holdInMemory);
        await database.cards
          .where('deletedAtMs')
          .between(1, nowMs() - keepDeletedMs)
          .delete();
        follow(await database.cards.where('deletedAtMs').equals(0).toArray());
        startFollowing();
      } catch (error) {
        await holdInMemory(error);
      }
      publish({ status: 'ready' });
    },
    run: (cardId, change) => {
      const entry = entries.get(cardId);
      if (!entry) return fail({ code: 'card-missing', id: cardId });
      const atMs = nowMs();
      const result = change(entry.view, atMs);
      if (!result.ok || result.value === entry.view) return result;
      entries.set(cardId, { ...entry, pending: [...entry.pending, { change, atMs }], view: result.value });
      publish();
      enqueue(() => writeEntry(cardId));
      return result;
    },
    add: (card) => {
      // A card that comes back by import is the card now; an older undo must not put the deleted one over it.
      removed.delete(card.id);
      entries.set(card.id, createEntry(card, 0, true));
      publish();
      enqueue(() => writeEntry(card.id));
    },
    remove: (cardId) => {
      const entry = entries.get(cardId);
      if (!entry) return;
      removed.set(cardId, entry);
      entries.delete(cardId);
      publish();
      // By the time this runs the card may be back, by undo or by import.
      enqueue(async () => {
        if (!entries.has(cardId)) await database.cards.update(cardId, { deletedAtMs: nowMs() });
      });
    },
    restore: (cardId) => {
      const entry = removed.get(cardId);
      if (!entry) return;
      removed.delete(cardId);
      entries.set(cardId, entry);
      publish();
      enqueue(async () => {
        if (entries.has(cardId)) await database.cards.update(cardId, { deletedAtMs: 0 });
      });
    },
    markExported: (cardId) => {
      const entry = entries.get(cardId);
      if (!entry) return;
      entries.set(cardId, { ...entry, exported: entry.view });
      publish();
    },
    dismissConflict: () => publish({ conflict: null }),
    close: () => {
      subscription?.unsubscribe();
      database.close();
    },
  };
}

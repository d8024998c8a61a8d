import type { JobCard } from '@/core/card';

/** Where a closing tab leaves what it cannot wait for: a `Storage`, which is written before the tab is gone. */
export interface LeftCards {
  /**
   * Leaves a card with changes that were made on the stored `revision`, 0 for none. `writingAtMs` tells when the last of
   * those changes was made that are being written as the tab goes; null for none.
   */
  readonly put: (card: JobCard, revision: number, writingAtMs: number | null) => void;
  /** Each left card as it was written, under its key. */
  readonly readAll: () => ReadonlyMap<string, string>;
  readonly drop: (key: string) => void;
}

const prefix = 'oil-can.left:';

/** The left cards in a storage, of which this tab's own are told apart by its id. */
export const createLeftCards = (storage: Storage, tabId: string): LeftCards => ({
  put: (card, revision, writingAtMs) => {
    try {
      storage.setItem(prefix + tabId + card.id, JSON.stringify({ id: card.id, revision, writingAtMs, document: card }));
    } catch {
      // No room for a very large card. It is the second net: the database is being written all the same.
    }
  },
  readAll: () => {
    const keys = Array.from({ length: storage.length }, (_, i) => storage.key(i) ?? '');
    return new Map(keys.filter((key) => key.startsWith(prefix)).map((key) => [key, storage.getItem(key) ?? '']));
  },
  drop: (key) => storage.removeItem(key),
});

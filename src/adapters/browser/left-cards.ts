import { type infer as Infer, nullable, number, object, string, unknown } from 'zod/mini';
import { type JobCard, parseCard } from '@/core/card';
import type { CardDatabase, CardRow } from './card-database';
import { copyCard } from './card-entry';

/** A card as a closing tab knew it, with a change in it that the database may not have yet. */
export interface LeftCard {
  /** Where it lies among the left cards. */
  readonly key: string;
  readonly id: string;
  /** The stored revision that the tab's changes were made on; 0 for a card that was never stored. */
  readonly revision: number;
  /** When the last change was made that was being written as the tab went, under the next revision; null for none. */
  readonly writingAtMs: number | null;
  readonly document: unknown;
}

/** Where a closing tab leaves what it cannot wait for: a `Storage`, which is written before the tab is gone. */
export interface LeftCards {
  readonly put: (card: JobCard, revision: number, writingAtMs: number | null) => void;
  readonly readAll: () => readonly LeftCard[];
  readonly drop: (key: string) => void;
}

const prefix = 'oil-can.left:';
const valueSchema = object({ id: string(), revision: number(), writingAtMs: nullable(number()), document: unknown() });

const parse = (text: string | null): Infer<typeof valueSchema> | null => {
  try {
    return valueSchema.parse(JSON.parse(text ?? 'null'));
  } catch {
    // Cut off, or written by somebody else: nothing of a card can be had from it.
    return null;
  }
};

/** The left cards in a storage, of which this tab's own are told apart by its id. */
export function createLeftCards(
  storage: Pick<Storage, 'getItem' | 'setItem' | 'removeItem' | 'key' | 'length'>,
  tabId: string,
): LeftCards {
  return {
    put: (card, revision, writingAtMs) => {
      try {
        storage.setItem(
          `${prefix}${tabId}:${card.id}`,
          JSON.stringify({ id: card.id, revision, writingAtMs, document: card }),
        );
      } catch {
        // No room for a very large card. It is the second net: the database is being written all the same.
      }
    },
    readAll: () =>
      Array.from({ length: storage.length }, (_, i) => storage.key(i) ?? '')
        .filter((key) => key.startsWith(prefix))
        .flatMap((key) => {
          const value = parse(storage.getItem(key));
          if (value) return [{ key, ...value }];
          storage.removeItem(key);
          return [];
        }),
    drop: (key) => storage.removeItem(key),
  };
}

/** Whether nobody but the tab that left the card has written it since: at most its own last write went through. */
function isOurs(row: CardRow | undefined, { revision, writingAtMs }: LeftCard): boolean {
  if ((row?.revision ?? 0) === revision) return true;
  const written = object({ updatedAtMs: number() }).safeParse(row?.document);
  return row?.revision === revision + 1 && written.success && written.data.updatedAtMs === writingAtMs;
}

/**
 * Brings a left card into the database. Where all of it had been written after all, nothing is left to do; where another
 * tab has stored something since, both are kept, the left one as a card of its own.
 *
 * @returns False where this Oil Can cannot read the left card: it stays where it lies.
 */
export const takeUp = (database: CardDatabase, left: LeftCard, createId: () => string): Promise<boolean> =>
  database.transaction('rw', database.cards, async () => {
    const row = await database.cards.get(left.id);
    if (row?.deletedAtMs === 0 && JSON.stringify(row.document) === JSON.stringify(left.document)) return true;
    if (isOurs(row, left)) {
      const revision = (row?.revision ?? 0) + 1;
      await database.cards.put({ id: left.id, revision, deletedAtMs: 0, document: left.document });
      return true;
    }
    const parsed = parseCard(left.document);
    if (!parsed.ok) return false;
    const copy = copyCard(parsed.value, createId(), 'from a closed tab');
    await database.cards.put({ id: copy.id, revision: 1, deletedAtMs: 0, document: copy });
    return true;
  });

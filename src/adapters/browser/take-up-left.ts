import { type infer as Infer, nullable, number, object, string, unknown } from 'zod/mini';
import { parseCard } from '@/core/card';
import type { CardDatabase, CardRow } from './card-database';
import { copyCard } from './card-entry';

const leftSchema = object({ id: string(), revision: number(), writingAtMs: nullable(number()), document: unknown() });
type LeftCard = Infer<typeof leftSchema>;

const parseLeft = (text: string): LeftCard | null => {
  try {
    return leftSchema.parse(JSON.parse(text));
  } catch {
    return null;
  }
};

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
export function takeUpLeft(database: CardDatabase, text: string, createId: () => string): Promise<boolean> | boolean {
  const left = parseLeft(text);
  // Cut off, or written by somebody else: nothing of a card can be had from it.
  if (!left) return true;
  return database.transaction('rw', database.cards, async () => {
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
}

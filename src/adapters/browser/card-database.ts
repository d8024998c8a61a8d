import Dexie, { type EntityTable } from 'dexie';

/** One card as it lies in the browser. The document is checked each time it is read: an older Oil Can may have written it. */
export interface CardRow {
  readonly id: string;
  /** Goes up by one with every write; a command is written on the revision that it read, else applied again. */
  readonly revision: number;
  /** 0 while the card is not deleted. Deleted cards stay for a while, so that deleting can be undone. */
  readonly deletedAtMs: number;
  readonly document: unknown;
}

/** Single facts about this browser's copy, such as that the demo cards were laid in once. */
export interface MetaRow {
  readonly key: string;
  readonly value: string;
}

/** Oil Can's tables in this browser. A change of their shape is a new `version(...)`, never an edit of an old one. */
export class CardDatabase extends Dexie {
  cards!: EntityTable<CardRow, 'id'>;
  meta!: EntityTable<MetaRow, 'key'>;

  constructor(name = 'oil-can') {
    super(name);
    this.version(1).stores({ cards: 'id, deletedAtMs', readingIntervals: 'readingId, cardId', meta: 'key' });
    // Intervals stand on the card, so that they go where it goes; the table was never written.
    this.version(2).stores({ readingIntervals: null });
  }
}

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

/** What was concluded last of a card, so that it need not be worked out anew to be shown. */
export interface AnswerRow {
  readonly cardId: string;
  /** The card's revision that it was concluded from; of any other it is stale. */
  readonly revision: number;
  readonly answer: unknown;
}

/** A folder that the person picked, to be asked for again with one press. */
export interface FolderRow {
  readonly key: string;
  readonly handle: FileSystemDirectoryHandle;
}

/** Single facts about this browser's copy, such as that the demo cards were laid in once. */
export interface MetaRow {
  readonly key: string;
  readonly value: string;
}

/** Oil Can's tables in this browser. A change of their shape is a new `version(...)`, never an edit of an old one. */
export class CardDatabase extends Dexie {
  cards!: EntityTable<CardRow, 'id'>;
  answers!: EntityTable<AnswerRow, 'cardId'>;
  meta!: EntityTable<MetaRow, 'key'>;
  folders!: EntityTable<FolderRow, 'key'>;

  constructor(name = 'oil-can', options?: ConstructorParameters<typeof Dexie>[1]) {
    super(name, options);
    this.version(1).stores({ cards: 'id, deletedAtMs', readingIntervals: 'readingId, cardId', meta: 'key' });
    // Intervals stand on the card, so that they go where it goes; the table was never written.
    this.version(2).stores({ readingIntervals: null });
    this.version(3).stores({ answers: 'cardId' });
    this.version(4).stores({ folders: 'key' });
  }
}

/** Runs one piece of work on the database and closes it. */
export async function withDatabase<T>(work: (database: CardDatabase) => Promise<T>): Promise<T> {
  const database = new CardDatabase();
  try {
    return await work(database);
  } finally {
    database.close();
  }
}

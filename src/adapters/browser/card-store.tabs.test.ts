import Dexie from 'dexie';
import { IDBKeyRange, indexedDB } from 'fake-indexeddb';
import { afterAll, afterEach, beforeAll, describe, expect, it, vi } from 'vitest';
import { applyCommand, createJobCard, createProgram, type JobCard } from '@/core/card';
import { type AnswerSummary, answerEdition } from '@/core/diagnose/answer/answer-summary';
import { CardDatabase } from './card-database';
import type { CardChange } from './card-entry';
import { type CardStore, createCardStore } from './card-store';

const opened: CardStore[] = [];
const openDatabase = (name: string) => new CardDatabase(name, { indexedDB, IDBKeyRange });
const card = (id: string) => createJobCard({ id, title: `Card ${id}`, nowMs: 1 });
const rename =
  (title: string): CardChange =>
  (on, atMs) =>
    applyCommand(on, { type: 'renameCard', input: { title } }, atMs);
const create = (name: string, database = openDatabase(name)) => {
  let copyCount = 0;
  const store = createCardStore({ database, nowMs: () => 1_000, createId: () => `copy-${++copyCount}` });
  opened.push(store);
  return store;
};
const openStore = async (name: string, first: readonly JobCard[] = [card('a')], database = openDatabase(name)) => {
  const store = create(name, database);
  await store.open(async () => first);
  return store;
};
const shown = (store: CardStore, id = 'a') => {
  const found = store.getSnapshot().cards.get(id);
  if (!found) throw new Error(`no card ${id}`);
  return found;
};
const usable: AnswerSummary = { edition: answerEdition, cause: { kind: 'usable' }, move: null, lessons: [] };
const unknown: AnswerSummary = {
  edition: answerEdition,
  cause: { kind: 'unknown', needs: ['footage'] },
  move: null,
  lessons: [],
};

/** What another tab wrote arrives by a message of the database. */
const until = (isTrue: () => boolean) => vi.waitFor(() => expect(isTrue()).toBe(true), { interval: 10 });
/** Long enough for such a message to have come. */
const aWhile = () => new Promise((resolve) => setTimeout(resolve, 60));

// One tab follows another only where Dexie itself has a database, not these stores alone.
const before = { ...Dexie.dependencies };
beforeAll(() => {
  Object.assign(Dexie.dependencies, { indexedDB, IDBKeyRange });
});
afterAll(() => {
  Object.assign(Dexie.dependencies, before);
});
afterEach(() => {
  for (const store of opened.splice(0)) store.close();
});

describe('what was concluded of a card', () => {
  it('is shown at once, kept, and found again by the next opening and by other tabs', async () => {
    const store = await openStore('answer');
    const other = await openStore('answer');
    expect(shown(store).answer).toBeNull();
    store.keepAnswer(shown(store).card, usable);
    expect(shown(store).answer).toEqual({ summary: usable, isFresh: true });
    await store.settle();
    expect(shown(store).answer).toEqual({ summary: usable, isFresh: true });
    await until(() => shown(other).answer?.isFresh === true);
    expect(shown(other).answer).toEqual({ summary: usable, isFresh: true });
    expect(shown(await openStore('answer')).answer).toEqual({ summary: usable, isFresh: true });
  });

  it('is stale once the card changes, and is fresh again with the next', async () => {
    const store = await openStore('stale');
    store.keepAnswer(shown(store).card, usable);
    await store.settle();
    store.run('a', rename('Pans'));
    expect(shown(store).answer).toEqual({ summary: usable, isFresh: false });
    await store.settle();
    expect(shown(store).answer).toEqual({ summary: usable, isFresh: false });
    expect(shown(await openStore('stale')).answer).toEqual({ summary: usable, isFresh: false });
    store.keepAnswer(shown(store).card, unknown);
    await store.settle();
    expect(shown(await openStore('stale')).answer).toEqual({ summary: unknown, isFresh: true });
  });

  it('is not taken of a card that has changed while it was worked out, nor of one that is gone', async () => {
    const database = openDatabase('late');
    const store = await openStore('late', [card('a')], database);
    const before = shown(store).card;
    store.run('a', rename('Pans'));
    store.keepAnswer(before, usable);
    store.keepAnswer(card('nobody'), usable);
    await store.settle();
    expect(shown(store).answer).toBeNull();
    expect(await database.answers.count()).toBe(0);
  });

  it('is not stored of a card that could not be stored itself, and stands by it all the same', async () => {
    const database = openDatabase('answer-full');
    const store = await openStore('answer-full', [card('a')], database);
    const put = database.cards.put.bind(database.cards);
    database.cards.put = (() => Promise.reject(new DOMException('full', 'QuotaExceededError'))) as never;
    store.run('a', rename('Pans'));
    store.keepAnswer(shown(store).card, usable);
    await store.settle();
    expect(await database.answers.count()).toBe(0);
    expect(shown(store).answer).toEqual({ summary: usable, isFresh: true });
    database.cards.put = put;
    store.retry();
    await store.settle();
    expect(await database.answers.toArray()).toEqual([{ cardId: 'a', revision: 2, answer: usable }]);
  });

  it('of another tab does not take the place of a newer one, and one that cannot be read is none', async () => {
    const database = openDatabase('answers-read');
    const store = await openStore('answers-read', [card('a'), card('b')], database);
    await database.answers.put({ cardId: 'b', revision: 1, answer: { edition: answerEdition, cause: 'soup' } });
    store.run('a', rename('Pans'));
    await store.settle();
    store.keepAnswer(shown(store).card, usable);
    await store.settle();
    await database.answers.put({ cardId: 'a', revision: 1, answer: unknown });
    await aWhile();
    expect(shown(store).answer).toEqual({ summary: usable, isFresh: true });
    await database.answers.put({ cardId: 'a', revision: 3, answer: unknown });
    await until(() => shown(store).answer?.summary.cause.kind === 'unknown');
    expect(shown(store, 'b').answer).toBeNull();
  });

  it('goes for good with its card', async () => {
    const database = openDatabase('answers-old');
    await database.cards.put({ id: 'old', revision: 1, deletedAtMs: 5, document: card('old') });
    await database.answers.bulkPut([
      { cardId: 'old', revision: 1, answer: usable },
      { cardId: 'a', revision: 1, answer: usable },
    ]);
    const store = createCardStore({ database, nowMs: () => 30 * 24 * 3_600_000, createId: () => 'copy' });
    opened.push(store);
    await store.open(async () => [card('a')]);
    expect(await database.answers.toCollection().primaryKeys()).toEqual(['a']);
    expect(shown(store).answer).toEqual({ summary: usable, isFresh: true });
  });
});

describe('what another tab does', () => {
  it('is seen: a new card, a change, a removal', async () => {
    const [one, two] = [await openStore('seen'), await openStore('seen')];
    one.add(card('b'));
    await until(() => two.getSnapshot().cards.has('b'));
    one.run('b', rename('Pans'));
    await until(() => shown(two, 'b').card.title === 'Pans');
    one.remove('b');
    await until(() => !two.getSnapshot().cards.has('b'));
    expect([...two.getSnapshot().cards.keys()]).toEqual(['a']);
  });

  it('takes a card away that was wiped from the storage, but none that has changes of this tab', async () => {
    const database = openDatabase('wiped');
    const store = await openStore('wiped', [card('a'), card('b')], database);
    const put = database.cards.put.bind(database.cards);
    database.cards.put = (() => Promise.reject(new DOMException('full', 'QuotaExceededError'))) as never;
    store.run('b', rename('Not stored'));
    await store.settle();
    await database.cards.bulkDelete(['a', 'b']);
    await until(() => !store.getSnapshot().cards.has('a'));
    expect([...store.getSnapshot().cards.keys()]).toEqual(['b']);
    database.cards.put = put;
    store.retry();
    await store.settle();
    expect((await database.cards.get('b'))?.revision).toBe(1);
  });

  it('puts a card in the place of one that could not be read', async () => {
    const database = openDatabase('readable');
    await database.cards.put({ id: 'x', revision: 1, deletedAtMs: 0, document: { version: 99 } });
    const store = await openStore('readable', [card('a')], database);
    expect(store.getSnapshot().unreadable.map(({ id }) => id)).toEqual(['x']);
    await database.cards.put({ id: 'x', revision: 2, deletedAtMs: 0, document: card('x') });
    await until(() => store.getSnapshot().cards.has('x'));
    expect(store.getSnapshot().unreadable).toEqual([]);
    await database.cards.put({ id: 'y', revision: 1, deletedAtMs: 0, document: { version: 99 } });
    await until(() => store.getSnapshot().unreadable.length === 1);
    await database.cards.delete('y');
    await until(() => store.getSnapshot().unreadable.length === 0);
  });

  it('does not bring back a card that was removed here, while that is being written', async () => {
    const database = openDatabase('removed-here');
    const store = await openStore('removed-here', [card('a')], database);
    store.remove('a');
    await database.cards.put({ id: 'z', revision: 1, deletedAtMs: 0, document: card('z') });
    await until(() => store.getSnapshot().cards.has('z'));
    expect(store.getSnapshot().cards.has('a')).toBe(false);
    await store.settle();
    expect((await database.cards.get('a'))?.deletedAtMs).toBe(1_000);
  });

  it('meets this tab’s change on the card as it is stored by then, and marks nothing of its own as left', async () => {
    const [one, two] = [await openStore('meet'), await openStore('meet')];
    const program = createProgram('p', { name: 'Loft sync', busyCores: 1, memoryMib: 100, canClose: 'yes' });
    one.run('a', rename('Pans'));
    two.run('a', (on, atMs) => applyCommand(on, { type: 'addProgram', input: { program } }, atMs));
    await Promise.all([one.settle(), two.settle()]);
    await until(() => shown(one).card.programs.length === 1 && shown(two).card.title === 'Pans');
    expect([shown(one).isStored, shown(two).isStored]).toEqual([true, true]);
    expect(one.getSnapshot().conflict).toBeNull();
  });
});

describe('what screens are told', () => {
  it('tells who listens of each change until it stops listening, and of no change none', async () => {
    const store = await openStore('listen');
    const listener = vi.fn();
    const stop = store.subscribe(listener);
    store.run('a', (on) => ({ ok: true, value: on }));
    store.run('nobody', rename('x'));
    store.remove('nobody');
    store.restore('a');
    store.markExported('nobody');
    expect(listener).not.toHaveBeenCalled();
    store.run('a', rename('Pans'));
    expect(listener).toHaveBeenCalledTimes(1);
    await store.settle();
    stop();
    listener.mockClear();
    store.run('a', rename('Lids'));
    await store.settle();
    expect(listener).not.toHaveBeenCalled();
  });

  it('hands out a card that has not changed as the very same thing', async () => {
    const store = await openStore('same', [card('a'), card('b')]);
    store.keepAnswer(shown(store, 'b').card, usable);
    await store.settle();
    const before = shown(store, 'b');
    store.run('a', rename('Pans'));
    await store.settle();
    expect(shown(store, 'b')).toBe(before);
    const { answer } = before;
    store.run('b', rename('Lids'));
    store.keepAnswer(shown(store, 'b').card, unknown);
    expect(shown(store, 'b').answer).not.toBe(answer);
  });

  it('says that it is opening, and then that it is ready', async () => {
    const store = create('status');
    expect(store.getSnapshot()).toMatchObject({ status: 'opening', storageFailure: null, conflict: null });
    await store.open(async () => []);
    expect(store.getSnapshot().status).toBe('ready');
  });

  it('opens without the first cards where nobody gives them, and lays them in at a later visit', async () => {
    const store = create('no-server');
    await store.open(() => Promise.reject(new Error('no server')));
    expect(store.getSnapshot()).toMatchObject({ status: 'ready', storageFailure: null });
    expect(store.getSnapshot().cards.size).toBe(0);
    expect([...(await openStore('no-server')).getSnapshot().cards.keys()]).toEqual(['a']);
  });

  it('goes on without storage, and without first cards, where there is neither', async () => {
    const database = openDatabase('neither');
    database.open = () => Promise.reject(new DOMException('no', 'InvalidStateError')) as never;
    const store = create('neither', database);
    await store.open(() => Promise.reject(new Error('no server')));
    expect(store.getSnapshot()).toMatchObject({ status: 'ready', storageFailure: { code: 'storage-refused' } });
    store.add(card('b'));
    expect(shown(store, 'b')).toMatchObject({ isStored: false, isSafe: false });
  });

  it('lets go of a conflict that was read', async () => {
    const database = openDatabase('let-go');
    const store = await openStore('let-go', [card('a')], database);
    const writing = database.cards.put({ id: 'a', revision: 7, deletedAtMs: 0, document: { version: 99 } });
    store.run('a', rename('Pans'));
    await writing;
    await store.settle();
    expect(store.getSnapshot().conflict).toMatchObject({ cardId: 'a', copyId: 'copy-1' });
    expect([...store.getSnapshot().cards.keys()]).toEqual(['copy-1']);
    expect(shown(store, 'copy-1')).toMatchObject({ isStored: true });
    store.dismissConflict();
    expect(store.getSnapshot().conflict).toBeNull();
  });

  it('goes on without the storage where an older tab holds it, with the first cards', async () => {
    // The database itself says so too, for whoever looks at the console.
    vi.spyOn(console, 'warn').mockReturnValueOnce();
    const database = openDatabase('blocked');
    const store = create('blocked', database);
    database.open = () => new Promise(() => undefined) as never;
    store.open(async () => [card('a')]);
    database.on.blocked.fire(new Event('blocked'));
    await until(() => store.getSnapshot().status === 'ready');
    expect(store.getSnapshot().storageFailure?.code).toBe('storage-blocked');
    expect(shown(store).card.title).toBe('Card a');
  });

  it('does nothing more once it is closed', async () => {
    const database = openDatabase('closed');
    const store = await openStore('closed', [card('a')], database);
    store.close();
    store.run('a', rename('Pans'));
    await store.settle();
    expect(store.getSnapshot().storageFailure).toBeNull();
    expect(shown(await openStore('closed')).card.title).toBe('Card a');
  });
});

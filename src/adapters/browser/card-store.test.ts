import { IDBKeyRange, indexedDB } from 'fake-indexeddb';
import { afterEach, describe, expect, it } from 'vitest';
import { applyCommand, type CardCommand, createJobCard, createProgram, type JobCard } from '@/core/card';
import { CardDatabase } from './card-database';
import type { CardChange } from './card-entry';
import { type CardStore, createCardStore } from './card-store';

let idCount = 0;
const createId = () => `id-${++idCount}`;
const openStores: CardStore[] = [];
const openDatabase = (name: string) => new CardDatabase(name, { indexedDB, IDBKeyRange });

const openStore = async (name: string, first: readonly JobCard[] = [], database = openDatabase(name)) => {
  const store = createCardStore({ database, nowMs: () => 1_000, createId });
  openStores.push(store);
  await store.open(async () => first);
  return store;
};

const card = (id: string) => createJobCard({ id, title: `Card ${id}`, nowMs: 1 });
const titleOf = (store: CardStore, id: string) => store.getSnapshot().cards.get(id)?.card.title;
const doing =
  (command: CardCommand): CardChange =>
  (on, atMs) =>
    applyCommand(on, command, atMs);
const rename = (title: string) => doing({ type: 'renameCard', input: { title } });
const program = createProgram('p', { name: 'Loft sync', busyCores: 1, memoryMib: 100, canClose: 'yes' });

/** Follows another tab's writes, which arrive by a message of the database. */
const until = async (isTrue: () => boolean) => {
  for (let i = 0; i < 100 && !isTrue(); i++) await new Promise((resolve) => setTimeout(resolve, 10));
  expect(isTrue()).toBe(true);
};

afterEach(() => {
  for (const store of openStores.splice(0)) store.close();
});

describe('createCardStore', () => {
  it('lays in the first cards once, and not again after they are deleted', async () => {
    const store = await openStore('first', [card('a')]);
    expect(titleOf(store, 'a')).toBe('Card a');
    store.remove('a');
    await store.settle();
    const again = await openStore('first', [card('a')]);
    expect(again.getSnapshot().cards.size).toBe(0);
  });

  it('shows a command at once and finds it again after the tab was closed', async () => {
    const store = await openStore('keeps', [card('a')]);
    store.run('a', rename('Pots'));
    expect(titleOf(store, 'a')).toBe('Pots');
    const shown = store.getSnapshot().cards.get('a')?.card;
    await store.settle();
    expect(store.getSnapshot().cards.get('a')?.isStored).toBe(true);
    // Storing it is no change of the card: whatever is worked out from it stands.
    expect(store.getSnapshot().cards.get('a')?.card).toBe(shown);
    const again = await openStore('keeps');
    expect(titleOf(again, 'a')).toBe('Pots');
  });

  it('brings a deleted card back as it was', async () => {
    const store = await openStore('undo', [card('a')]);
    store.run('a', rename('Pots'));
    store.remove('a');
    expect(titleOf(store, 'a')).toBeUndefined();
    store.restore('a');
    await store.settle();
    expect(titleOf(await openStore('undo'), 'a')).toBe('Pots');
  });

  it('applies a command again on the newer card of another tab, so that neither change is lost', async () => {
    const one = await openStore('two-tabs', [card('a')]);
    const two = await openStore('two-tabs');
    one.run('a', rename('Named in tab one'));
    two.run('a', doing({ type: 'addProgram', input: { program } }));
    await Promise.all([one.settle(), two.settle()]);
    const later = await openStore('two-tabs');
    const seen = later.getSnapshot().cards.get('a')?.card;
    expect(seen?.title).toBe('Named in tab one');
    expect(seen?.programs.map(({ name }) => name)).toEqual(['Loft sync']);
    await until(() => titleOf(two, 'a') === 'Named in tab one');
  });

  it('counts on from the revision that is stored, not from the one that a tab knows, so that all tabs follow', async () => {
    const database = openDatabase('revisions');
    const one = await openStore('revisions', [card('a')], database);
    for (const title of ['One', 'Two', 'Three']) {
      one.run('a', rename(title));
      await one.settle();
    }
    const stored = (await database.cards.get('a'))?.revision ?? 0;
    expect(stored).toBe(4);
    const row = await database.cards.get('a');
    if (!row) throw new Error('no row');
    // Another tab is further than this one knows.
    await database.cards.put({ ...row, revision: 40 });
    one.run('a', doing({ type: 'addProgram', input: { program } }));
    await one.settle();
    expect((await database.cards.get('a'))?.revision).toBe(41);
  });

  it('keeps both versions where a command does not fit the newer card', async () => {
    const one = await openStore('conflict', [card('a')]);
    one.run('a', doing({ type: 'addProgram', input: { program } }));
    await one.settle();
    const two = await openStore('conflict');
    one.run('a', doing({ type: 'removeProgram', input: { id: 'p' } }));
    two.run('a', doing({ type: 'updateProgram', input: { id: 'p', patch: { name: 'Loft sync, paused' } } }));
    await one.settle();
    await two.settle();
    const { conflict, cards } = two.getSnapshot();
    expect(conflict?.failure).toEqual({ code: 'item-missing', item: 'program', id: 'p' });
    expect(cards.get('a')?.card.programs).toEqual([]);
    expect(cards.get(conflict?.copyId ?? '')?.card.programs[0]?.name).toBe('Loft sync, paused');
  });

  it('holds cards in memory and says so where the database does not open, until they are exported', async () => {
    const database = openDatabase('refused');
    database.open = () => Promise.reject(new DOMException('no', 'InvalidStateError')) as never;
    const store = await openStore('refused', [card('a')], database);
    expect(store.getSnapshot().storageFailure?.code).toBe('storage-refused');
    store.run('a', rename('Only here'));
    expect(store.getSnapshot().cards.get('a')).toMatchObject({ card: { title: 'Only here' }, isSafe: false });
    store.markExported('a');
    expect(store.getSnapshot().cards.get('a')?.isSafe).toBe(true);
    store.run('a', rename('Changed again'));
    expect(store.getSnapshot().cards.get('a')?.isSafe).toBe(false);
  });

  it('goes on in memory when the storage is full, and writes all of it once there is room', async () => {
    const database = openDatabase('full');
    const store = await openStore('full', [card('a')], database);
    const put = database.cards.put.bind(database.cards);
    database.cards.put = (() => Promise.reject(new DOMException('full', 'QuotaExceededError'))) as never;
    store.run('a', rename('Pots'));
    store.run('a', doing({ type: 'addProgram', input: { program } }));
    await store.settle();
    expect(store.getSnapshot().storageFailure?.code).toBe('storage-full');
    expect(titleOf(store, 'a')).toBe('Pots');
    database.cards.put = put;
    store.run('a', rename('Pots and pans'));
    await store.settle();
    expect(store.getSnapshot().storageFailure).toBeNull();
    const seen = (await openStore('full')).getSnapshot().cards.get('a')?.card;
    expect(seen).toMatchObject({ title: 'Pots and pans', programs: [{ name: 'Loft sync' }] });
  });

  it('leaves a row of a newer form alone, and keeps this tab’s change as a card of its own', async () => {
    const database = openDatabase('newer');
    const store = await openStore('newer', [card('a')], database);
    const newer = { format: 'oil-can-job-card', version: 99, id: 'a' };
    const writing = database.cards.put({ id: 'a', revision: 7, deletedAtMs: 0, document: newer });
    store.run('a', rename('Typed in the old tab'));
    await writing;
    await store.settle();
    expect((await database.cards.get('a'))?.document).toEqual(newer);
    const { conflict, cards, unreadable } = store.getSnapshot();
    expect(conflict?.failure.code).toBe('card-newer-version');
    expect(cards.get(conflict?.copyId ?? '')?.card.title).toBe('Typed in the old tab (from this tab)');
    expect(unreadable.map(({ id }) => id)).toEqual(['a']);
  });

  it('does not let an older undo put a deleted card over one that was imported again', async () => {
    const store = await openStore('import-again', [card('a')]);
    store.run('a', rename('Deleted'));
    store.remove('a');
    store.add({ ...card('a'), title: 'Imported again' });
    store.restore('a');
    await store.settle();
    expect(titleOf(store, 'a')).toBe('Imported again');
    expect(titleOf(await openStore('import-again'), 'a')).toBe('Imported again');
  });

  it('does not put the demo cards of a failed start over those stored earlier, once storage works again', async () => {
    const earlier = await openStore('recovers', [card('a')]);
    earlier.run('a', rename('Edited last week'));
    await earlier.settle();
    const database = openDatabase('recovers');
    const open = database.open.bind(database);
    database.open = (() => Promise.reject(new DOMException('busy', 'UnknownError'))) as never;
    const store = await openStore('recovers', [card('a')], database);
    database.open = open;
    store.run('a', doing({ type: 'addProgram', input: { program } }));
    await store.settle();
    const seen = (await openStore('recovers')).getSnapshot().cards.get('a')?.card;
    expect(seen).toMatchObject({ title: 'Edited last week', programs: [{ name: 'Loft sync' }] });
  });

  it('drops deleted cards for good after a week, and not before', async () => {
    const database = openDatabase('week');
    const day = 24 * 3_600_000;
    const rowOf = (id: string, deletedAtMs: number) => ({ id, revision: 1, deletedAtMs, document: card(id) });
    await database.cards.bulkPut([rowOf('old', day), rowOf('young', 9 * day), rowOf('kept', 0)]);
    const store = createCardStore({ database, nowMs: () => 10 * day, createId });
    openStores.push(store);
    await store.open(async () => []);
    expect((await database.cards.toCollection().primaryKeys()).sort()).toEqual(['kept', 'young']);
    expect([...store.getSnapshot().cards.keys()]).toEqual(['kept']);
  });

  it('says that a command on a card that is gone has nothing to act on', async () => {
    const store = await openStore('gone', [card('a')]);
    expect(store.run('nowhere', rename('x'))).toEqual({ ok: false, failure: { code: 'card-missing', id: 'nowhere' } });
  });

  it('shows a row that cannot be read as that, and leaves it alone', async () => {
    const database = openDatabase('unreadable');
    await database.cards.put({
      id: 'x',
      revision: 3,
      deletedAtMs: 0,
      document: { format: 'oil-can-job-card', version: 99 },
    });
    const store = await openStore('unreadable', [], database);
    expect(store.getSnapshot().unreadable).toMatchObject([{ id: 'x', failure: { code: 'card-newer-version' } }]);
    expect(await database.cards.count()).toBe(1);
  });
});

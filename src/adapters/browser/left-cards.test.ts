import { IDBKeyRange, indexedDB } from 'fake-indexeddb';
import { describe, expect, it } from 'vitest';
import { createMemoryStorage } from '../../../tests/memory-storage';
import { applyCommand, createJobCard, type JobCard } from '../../core/card';
import { CardDatabase } from './card-database';
import { createCardStore } from './card-store';
import { createLeftCards } from './left-cards';

let tabCount = 0;
const opened = async (name: string, left: Storage) => {
  const store = createCardStore({
    database: new CardDatabase(name, { indexedDB, IDBKeyRange }),
    leftCards: createLeftCards(left, `tab-${++tabCount}`),
    nowMs: () => 1000 + tabCount,
    createId: () => `copy-${tabCount}`,
  });
  await store.open(async () => [createJobCard({ id: 'a', title: 'Pots', nowMs: 1 })]);
  return store;
};
const rename = (title: string) => (card: JobCard, atMs: number) =>
  applyCommand(card, { type: 'renameCard', input: { title } }, atMs);
const titlesOf = (store: Awaited<ReturnType<typeof opened>>) =>
  [...store.getSnapshot().cards.values()].map(({ card }) => card.title).sort();

describe('a tab that is closed in the middle', () => {
  it('leaves what is not written yet, and what is typed while it goes, to the next opening', async () => {
    const left = createMemoryStorage();
    const store = await opened('left', left);
    store.run('a', rename('Pots and'));
    store.leave();
    store.run('a', rename('Pots and pans'));
    store.close();
    expect(titlesOf(await opened('left', left))).toEqual(['Pots and pans']);
    expect(left.length).toBe(0);
  });

  it('leaves nothing where all is written', async () => {
    const left = createMemoryStorage();
    const store = await opened('written', left);
    store.run('a', rename('Pots and pans'));
    await store.settle();
    store.leave();
    expect(left.length).toBe(0);
  });

  it('is not taken for somebody else, however far its own last write had come', async () => {
    for (let turns = 0; turns < 40; turns++) {
      const left = createMemoryStorage();
      const store = await opened(`through-${turns}`, left);
      store.run('a', rename('Pots and'));
      const writing = store.settle();
      for (let i = 0; i < turns; i++) await new Promise(setImmediate);
      store.run('a', rename('Pots and pans'));
      store.leave();
      await writing;
      store.close();
      expect(titlesOf(await opened(`through-${turns}`, left)), `${turns}`).toEqual(['Pots and pans']);
      expect(left.length).toBe(0);
    }
  });

  it('keeps both where another tab has stored something since', async () => {
    const left = createMemoryStorage();
    const [one, two] = [await opened('both', left), await opened('both', left)];
    one.run('a', rename('Left behind'));
    one.leave();
    one.close();
    two.run('a', rename('Stored since'));
    await two.settle();
    two.close();
    expect(titlesOf(await opened('both', left))).toEqual(['Left behind (from a closed tab)', 'Stored since']);
    expect(left.length).toBe(0);
  });

  it('takes nothing from a note that is cut off, and keeps a card that it cannot read', async () => {
    const left = createMemoryStorage();
    left.setItem('oil-can.left:xa', '{"id":"a","rev');
    left.setItem(
      'oil-can.left:ya',
      JSON.stringify({ id: 'a', revision: 7, writingAtMs: null, document: { form: 99 } }),
    );
    expect(titlesOf(await opened('cut', left))).toEqual(['Pots']);
    expect(left.length).toBe(1);
  });
});

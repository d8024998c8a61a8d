import { describe, expect, it, vi } from 'vitest';
import { createFaultyStorage } from '../../../tests/faults/faulty-indexed-db';
import { runFaults } from '../../../tests/faults/run-faults';
import { applyCommand, createJobCard } from '../../core/card';
import { CardDatabase } from './card-database';
import { createCardStore } from './card-store';

const openOn = async (storage: ReturnType<typeof createFaultyStorage>) => {
  const store = createCardStore({
    database: new CardDatabase('faults', storage.options),
    nowMs: () => 1000,
    createId: () => 'copy',
  });
  await store.open(async () => [createJobCard({ id: 'a', title: 'Pots', nowMs: 1 })]);
  return store;
};
const rename =
  (title: string) =>
  (card: Parameters<typeof applyCommand>[0], atMs: number): ReturnType<typeof applyCommand> =>
    applyCommand(card, { type: 'renameCard', input: { title } }, atMs);
const titleOf = (store: Awaited<ReturnType<typeof openOn>>) => store.getSnapshot().cards.get('a')?.card.title;

describe('createCardStore on a storage that fails', () => {
  it('does not call a change stored whose transaction fails when it is committed, and writes it once it can', async () => {
    const storage = createFaultyStorage();
    const store = await openOn(storage);
    storage.fail('quota');
    store.run('a', rename('Pots and pans'));
    await store.settle();
    expect(store.getSnapshot().storageFailure?.code).toBe('storage-full');
    expect(store.getSnapshot().cards.get('a')).toMatchObject({ isStored: false, isSafe: false });
    expect(titleOf(store)).toBe('Pots and pans');
    storage.fail(null);
    store.retry();
    await store.settle();
    expect(store.getSnapshot().storageFailure).toBeNull();
    store.close();
    expect(titleOf(await openOn(storage))).toBe('Pots and pans');
  });

  it('does not call a card brought back whose mark of deletion could not be taken away', async () => {
    const storage = createFaultyStorage();
    const store = await openOn(storage);
    store.remove('a');
    await store.settle();
    storage.fail('put');
    store.restore('a');
    await store.settle();
    expect(store.getSnapshot().cards.get('a')).toMatchObject({ isStored: false });
    storage.fail(null);
    store.retry();
    await store.settle();
    expect(store.getSnapshot().cards.get('a')).toMatchObject({ isStored: true });
    store.close();
    expect(titleOf(await openOn(storage))).toBe('Pots');
  });

  it('leaves alone a card that another tab has changed since it was removed here, and shows it again', async () => {
    const storage = createFaultyStorage();
    const [one, two] = [await openOn(storage), await openOn(storage)];
    storage.fail('put');
    one.remove('a');
    await one.settle();
    storage.fail(null);
    two.run('a', rename('Kept in tab two'));
    await two.settle();
    one.retry();
    await one.settle();
    await vi.waitFor(() => expect(titleOf(one)).toBe('Kept in tab two'));
    one.close();
    two.close();
  });

  it('loses nothing that it showed as stored, and says of all else that it is not, in fifty runs of random faults', async () => {
    vi.spyOn(console, 'warn').mockImplementation(() => undefined);
    for (let seed = 1; seed <= 50; seed++) expect(await runFaults(seed)).toMatchObject({ lost: [], silent: [] });
    vi.restoreAllMocks();
  });
});

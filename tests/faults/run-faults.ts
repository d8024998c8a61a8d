import { CardDatabase } from '@/adapters/browser/card-database';
import type { CardChange } from '@/adapters/browser/card-entry';
import { type CardStore, createCardStore } from '@/adapters/browser/card-store';
import { createLeftCards } from '@/adapters/browser/left-cards';
import { applyCommand, type CardCommand, createJobCard, createProgram, type JobCard } from '@/core/card';
import { createRandom, type Random } from '@/core/numbers/random';
import { createMemoryStorage } from '../memory-storage';
import { createFaultyStorage, type FaultKind, faultKinds } from './faulty-indexed-db';

/** What a run of random commands over a failing storage came to. */
export interface FaultRun {
  readonly seed: number;
  readonly commandCount: number;
  readonly faults: readonly FaultKind[];
  /** What had been shown as stored, or in a tab that was closed in the middle, and was not there afterwards. */
  readonly lost: readonly string[];
  /** What was not stored, and neither announced nor there to be exported. */
  readonly silent: readonly string[];
}

const stepCount = 24;
const cardIds = ['one', 'two'] as const;

const commandOf = (random: Random, mark: string): CardCommand =>
  random.isTrue(0.4)
    ? { type: 'renameCard', input: { title: `Named ${mark}` } }
    : {
        type: 'addProgram',
        input: {
          program: createProgram(mark, { name: `Program ${mark}` }),
        },
      };

const toChange =
  (command: CardCommand): CardChange =>
  (card, atMs) =>
    applyCommand(card, command, atMs);

/** Marks of programs on all cards that a store shows, or that lie in the storage. */
const marksOf = (cards: readonly JobCard[]): ReadonlySet<string> =>
  new Set(cards.flatMap(({ programs }) => programs.map(({ id }) => id)));

const cardsOf = (store: CardStore): readonly JobCard[] =>
  [...store.getSnapshot().cards.values()].map(({ card }) => card);

/** Cards whose every change is shown as stored. */
const storedOf = (store: CardStore): readonly JobCard[] =>
  [...store.getSnapshot().cards.values()].filter(({ isStored }) => isStored).map(({ card }) => card);

const pause = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 1));

/**
 * One run: random commands in one or two tabs while the storage fails and recovers; then the tabs are closed, some in the
 * middle, and opened again on the storage as it is. Titles are overwritten by design, so what is followed is what is added.
 */
export async function runFaults(seed: number): Promise<FaultRun> {
  const random = createRandom(seed);
  const storage = createFaultyStorage();
  const name = `faults-${seed}`;
  let now = 1_000_000;
  let idCount = 0;
  let tabCount = 0;
  const left = createMemoryStorage();
  const openTab = async (): Promise<CardStore> => {
    const store = createCardStore({
      database: new CardDatabase(name, storage.options),
      leftCards: createLeftCards(left, `tab-${++tabCount}`),
      nowMs: () => ++now,
      createId: () => `copy-${seed}-${++idCount}`,
    });
    await store.open(async () => cardIds.map((id) => createJobCard({ id, title: `Card ${id}`, nowMs: 1 })));
    return store;
  };
  const tabs = [await openTab()];
  if (random.isTrue(0.5)) tabs.push(await openTab());
  const faults: FaultKind[] = [];
  const deleted = new Set<string>();
  let commandCount = 0;
  for (let step = 0; step < stepCount; step++) {
    if (random.isTrue(0.2)) {
      const kind = random.pick([...faultKinds]);
      faults.push(kind);
      storage.fail(kind);
    } else if (random.isTrue(0.3)) storage.fail(null);
    const store = random.pick(tabs);
    const id = random.pick([...cardIds]);
    const luck = random.next();
    if (luck < 0.08) {
      store.remove(id);
      // Brought back most times, at once or a little later.
      if (random.isTrue(0.5)) await store.settle();
      if (random.isTrue(0.85)) store.restore(id);
      else deleted.add(id);
    } else if (luck < 0.14) store.retry();
    else if (store.run(id, toChange(commandOf(random, `m${step}`))).ok) {
      commandCount++;
      deleted.delete(id);
    }
    if (random.isTrue(0.3)) await store.settle();
    if (random.isTrue(0.3)) await pause();
  }
  // In some runs the tabs are closed in the middle: what they show then must be there again, stored or not.
  const isCutOff = random.isTrue(0.4);
  if (isCutOff) for (const tab of tabs) tab.leave();
  else {
    if (random.isTrue(0.6)) {
      storage.fail(null);
      for (const tab of tabs) tab.retry();
    }
    for (const tab of tabs) await tab.settle();
    for (let i = 0; i < 3; i++) await pause();
  }
  const mustStay = new Set(tabs.flatMap((tab) => [...marksOf(isCutOff ? cardsOf(tab) : storedOf(tab))]));
  const isAnnounced = (tab: CardStore): boolean => tab.getSnapshot().storageFailure !== null;
  const unsafe = tabs.flatMap((tab) =>
    [...tab.getSnapshot().cards.values()].filter(({ isStored }) => !isStored).map((open) => ({ tab, open })),
  );
  // Every card that is not stored is announced as that, and stands there to be exported.
  const silent = (isCutOff ? [] : unsafe)
    .filter(({ tab, open }) => !isAnnounced(tab) || open.isSafe)
    .map(({ open }) => `${open.card.id}: not stored, and nothing says so`);
  for (const tab of tabs) tab.close();

  storage.fail(null);
  const again = await openTab();
  const there = marksOf(cardsOf(again));
  const onDeleted = new Set(
    (await readAll(name, storage)).filter(({ deletedAtMs }) => deletedAtMs > 0).flatMap(({ marks }) => marks),
  );
  const lost = [...mustStay].filter((mark) => !there.has(mark) && !(deleted.size > 0 && onDeleted.has(mark)));
  again.close();
  return { seed, commandCount, faults, lost, silent };
}

/** Every row that lies in the storage, deleted ones too. */
async function readAll(name: string, storage: ReturnType<typeof createFaultyStorage>) {
  const database = new CardDatabase(name, storage.options);
  const rows = await database.cards.toArray();
  database.close();
  return rows.map(({ deletedAtMs, document }) => ({ deletedAtMs, marks: [...marksOf([document as JobCard])] }));
}

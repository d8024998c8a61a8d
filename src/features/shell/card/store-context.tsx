'use client';

import { createContext, type ReactNode, useContext, useEffect, useState, useSyncExternalStore } from 'react';
import { type CardStore, type CardsSnapshot, createCardStore } from '@/adapters/browser/card-store';
import { fetchDemoCards } from '@/adapters/browser/fetch-demo-cards';
import { createLeftCards, type LeftCards } from '@/adapters/browser/left-cards';

const emptySnapshot: CardsSnapshot = {
  status: 'opening',
  storageFailure: null,
  cards: new Map(),
  unreadable: [],
  conflict: null,
};

const StoreContext = createContext<CardStore | null>(null);

const retryEveryMs = 20_000;

/** What a closing tab leaves lies in the storage that is written at once; some browsers refuse it altogether. */
function openLeftCards(): LeftCards | null {
  try {
    return createLeftCards(window.localStorage, crypto.randomUUID());
  } catch {
    return null;
  }
}

/** Opens the card store once the page runs in a browser, and hands it down. */
export function CardStoreProvider({ children }: { readonly children: ReactNode }) {
  const [store, setStore] = useState<CardStore | null>(null);
  useEffect(() => {
    const created = createCardStore({
      nowMs: Date.now,
      createId: () => crypto.randomUUID(),
      leftCards: openLeftCards(),
    });
    setStore(created);
    created.open(fetchDemoCards);
    // What could not be written is tried again when the page comes to the front, and now and then.
    const retry = () => {
      if (document.visibilityState === 'visible' && created.getSnapshot().storageFailure) created.retry();
    };
    // A page that comes back from the browser's memory had left its changes to the next opening, which is this one.
    const comeBack = (event: PageTransitionEvent) => {
      if (event.persisted) window.location.reload();
    };
    window.addEventListener('pagehide', created.leave);
    window.addEventListener('pageshow', comeBack);
    document.addEventListener('visibilitychange', retry);
    const timer = setInterval(retry, retryEveryMs);
    return () => {
      window.removeEventListener('pagehide', created.leave);
      window.removeEventListener('pageshow', comeBack);
      document.removeEventListener('visibilitychange', retry);
      clearInterval(timer);
      created.close();
    };
  }, []);
  return <StoreContext.Provider value={store}>{children}</StoreContext.Provider>;
}

/** The card store, or null on the server and in the first moment of a page. */
export const useCardStore = (): CardStore | null => useContext(StoreContext);

const neverChanges = () => () => undefined;
const getEmptySnapshot = () => emptySnapshot;

/** All cards as they are now; the component follows changes of this and other tabs. */
export function useCards(): CardsSnapshot {
  const store = useCardStore();
  return useSyncExternalStore(
    store?.subscribe ?? neverChanges,
    store?.getSnapshot ?? getEmptySnapshot,
    getEmptySnapshot,
  );
}

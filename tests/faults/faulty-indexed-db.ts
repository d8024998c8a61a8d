import { IDBFactory, IDBKeyRange } from 'fake-indexeddb';

/** What can go wrong with a browser's storage. */
export const faultKinds = ['open', 'put', 'commit', 'quota', 'blocked', 'closed', 'gone'] as const;
export type FaultKind = (typeof faultKinds)[number];

/** A storage that fails when it is told to: once, or until it is told to recover. */
export interface FaultyStorage {
  readonly options: { readonly indexedDB: IDBFactory; readonly IDBKeyRange: typeof IDBKeyRange };
  /** From the next operation of its kind on it fails; null for none. */
  fail: (kind: FaultKind | null) => void;
}

const error = (name: string): DOMException => new DOMException(`injected: ${name}`, name);

/** The stand-in's own ways to end a transaction and a connection, which browsers have inside. */
interface Abortable extends IDBTransaction {
  _abort: (name: string | null) => void;
  _state: string;
}

/**
 * A real IndexedDB (the stand-in that tests use) whose operations fail on command, each as a browser would fail it: `open` and `blocked` refuse
 * the connection, `put` a single write, `commit` and `quota` the whole transaction after every write in it has succeeded,
 * `closed` takes the connection away as an upgrade in another tab does, and `gone` as a machine that slept does.
 */
export function createFaultyStorage(): FaultyStorage {
  const factory = new IDBFactory();
  let fault: FaultKind | null = null;
  const connections = new Set<IDBDatabase>();
  const open = factory.open.bind(factory);

  /** The transaction ends as aborted although all its writes went well. */
  const failAtCommit = (transaction: IDBTransaction, name: string): void => {
    const dispatch = transaction.dispatchEvent.bind(transaction);
    transaction.dispatchEvent = (event: Event): boolean => {
      if (event.type !== 'complete') return dispatch(event);
      const inner = transaction as Abortable;
      inner._state = 'active';
      inner._abort(name);
      return true;
    };
  };

  const watch = (database: IDBDatabase): void => {
    connections.add(database);
    const begin = database.transaction.bind(database);
    database.transaction = (...args: Parameters<IDBDatabase['transaction']>): IDBTransaction => {
      const transaction = begin(...args);
      if (transaction.mode !== 'readwrite') return transaction;
      if (fault === 'commit') failAtCommit(transaction, 'AbortError');
      if (fault === 'quota') failAtCommit(transaction, 'QuotaExceededError');
      if (fault !== 'put') return transaction;
      const storeOf = transaction.objectStore.bind(transaction);
      transaction.objectStore = (name: string): IDBObjectStore => {
        const store = storeOf(name);
        store.put = () => {
          throw error('UnknownError');
        };
        return store;
      };
      return transaction;
    };
  };

  factory.open = (...args: Parameters<IDBFactory['open']>): IDBOpenDBRequest => {
    if (fault === 'open' || fault === 'blocked') throw error(fault === 'open' ? 'InvalidStateError' : 'SecurityError');
    const request = open(...args);
    request.addEventListener('success', () => watch(request.result));
    return request;
  };

  return {
    options: { indexedDB: factory, IDBKeyRange },
    fail: (kind) => {
      fault = kind;
      if (kind !== 'closed' && kind !== 'gone') return;
      for (const database of connections) {
        if (kind === 'closed') {
          const change = Object.assign(new Event('versionchange'), { oldVersion: 30, newVersion: 40 });
          database.onversionchange?.(change as IDBVersionChangeEvent);
        } else {
          database.close();
          database.onclose?.(new Event('close'));
        }
      }
      connections.clear();
      fault = null;
    },
  };
}

import Dexie from 'dexie';
import type { StorageFailure } from '@/core/card';

/** Says whether the storage is full, held by an older tab, or refuses; the library's own words go along for the log. */
export function toStorageFailure(error: unknown): StorageFailure {
  const names =
    error instanceof Dexie.DexieError ? [error.name, error.inner?.name ?? ''] : [Reflect.get(Object(error), 'name')];
  const detail = error instanceof Error ? error.message : String(error);
  return names.includes('QuotaExceededError') ? { code: 'storage-full', detail } : { code: 'storage-refused', detail };
}

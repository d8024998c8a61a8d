import { assertNever } from '@/core/assert-never';
import type { StorageFailure } from '@/core/card';

/** What happened to the storage, what was kept and what to do. */
export function describeStorageFailure(failure: StorageFailure): string {
  switch (failure.code) {
    case 'storage-full':
      return 'This browser’s storage is full, so the newest changes are only held in this tab. Export the card to keep it, then free some space.';
    case 'storage-refused':
      return 'This browser does not let Oil Can store anything, so cards are only held in this tab. Export each card that you want to keep.';
    case 'storage-blocked':
      return 'Another tab with an older Oil Can holds this browser’s storage, so changes are only held in this tab. Close the other tab; until then export what you want to keep.';
    default:
      return assertNever(failure);
  }
}

/** Why cards cannot be stored in this browser. `detail` is the platform's own text, for the log only. */
export type StorageFailure =
  | { readonly code: 'storage-full'; readonly detail: string }
  | { readonly code: 'storage-refused'; readonly detail: string };

/** Why cards cannot be stored in this browser. `detail` is the platform's own text, for the log only. */
export type StorageFailure =
  | { readonly code: 'storage-full'; readonly detail: string }
  | { readonly code: 'storage-refused'; readonly detail: string }
  /** Another tab holds it in an older form and has to be closed first. */
  | { readonly code: 'storage-blocked'; readonly detail: string };

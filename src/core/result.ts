/** What a computation answers where a person's file, browser or disk can make it fail. Plain data: it survives a worker. */
export type Result<T, F extends { readonly code: string }> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly failure: F };

/** Wraps a value as a success. */
export const succeed = <T>(value: T): { readonly ok: true; readonly value: T } => ({ ok: true, value });

/** Wraps a coded failure. */
export const fail = <F extends { readonly code: string }>(failure: F): { readonly ok: false; readonly failure: F } => ({
  ok: false,
  failure,
});

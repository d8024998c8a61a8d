/** Why nothing was read from a list of processes. */
export type ProcessListFailure =
  | { readonly code: 'list-empty' }
  | { readonly code: 'list-too-large'; readonly mostMegabytes: number }
  | { readonly code: 'list-unknown' }
  | { readonly code: 'list-without-processes' };

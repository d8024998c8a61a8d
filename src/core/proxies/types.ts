/** How far the making of one proxy is. */
export interface ProxyProgress {
  readonly frameCount: number;
  readonly atMs: number;
  readonly elapsedMs: number;
}

/** Why a proxy could not be made. What had been written of it is gone again. `detail` is for the log. */
export type ProxyFailure =
  | { readonly code: 'proxy-stopped' }
  /** This browser does not decode the codec. */
  | { readonly code: 'proxy-codec-not-decoded'; readonly codec: string }
  /** A frame of the original could not be decoded. */
  | { readonly code: 'proxy-frame-unreadable'; readonly atMs: number; readonly detail: string }
  | { readonly code: 'proxy-encoder-failed'; readonly detail: string }
  /** The drive that proxies go to is full. */
  | { readonly code: 'proxy-disk-full' }
  /** The folder may not be written to any more. */
  | { readonly code: 'proxy-permission-lost' }
  /** The original was moved, changed or taken away. */
  | { readonly code: 'proxy-original-gone' }
  /** A file of that name lies there, and it is not one that was begun here. */
  | { readonly code: 'proxy-name-taken'; readonly name: string }
  | { readonly code: 'proxy-broke'; readonly detail: string };

/** What making a proxy came to. */
export interface MadeProxy {
  readonly frameCount: number;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly sizeBytes: number;
  readonly elapsedMs: number;
  /** Sound tracks that could not be copied: in a codec that the proxy's form does not hold. */
  readonly droppedSoundCount: number;
}

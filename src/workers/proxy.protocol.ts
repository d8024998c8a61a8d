import type {
  CheckedProxy,
  MadeProxy,
  ProxyCheck,
  ProxyFailure,
  ProxyOriginal,
  ProxyProgress,
  ProxyRecipe,
} from '@/core/proxies';
import type { Result } from '@/core/result';

/** What is to be made, of what, and where it goes. Files and folders travel as handles. */
export interface ProxyOrder {
  readonly file: File;
  readonly facts: ProxyOriginal;
  readonly recipe: ProxyRecipe;
  readonly folder: FileSystemDirectoryHandle;
  readonly name: string;
  /** Whether a proxy of that name that was made here before is made anew. */
  readonly isReplacing: boolean;
}

/** What came of an order. */
export interface ProxyOutcome {
  readonly made: MadeProxy;
  /** Null where one of the two could not be read again. */
  readonly check: ProxyCheck | null;
}

export type ProxyReport =
  | { readonly kind: 'making'; readonly progress: ProxyProgress }
  | { readonly kind: 'checking'; readonly made: MadeProxy };

/** What the proxy worker offers. Frames never leave it. */
export interface ProxyWorkerApi {
  /** Makes one proxy and checks it. */
  readonly make: (
    order: ProxyOrder,
    onReport: (report: ProxyReport) => void,
  ) => Promise<Result<ProxyOutcome, ProxyFailure>>;
  readonly setPaused: (isPaused: boolean) => void;
  /** Breaks off; `make` then ends with `proxy-stopped` and nothing of the file is left. */
  readonly stop: () => void;
  /** Compares a proxy with its original. */
  readonly check: (original: File, proxy: File, onReport: () => void) => Promise<Result<CheckedProxy, ProxyFailure>>;
}

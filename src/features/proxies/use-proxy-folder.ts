'use client';

import { useCallback, useEffect, useState } from 'react';
import { clearInterrupted, openProxyFolder, type ProxyFolder } from '@/adapters/browser/proxy-folder';
import {
  askAgain,
  canPickFolder,
  isAllowed,
  openOwnFolder,
  pickFolder,
  readOwnRoom,
  recallFolder,
} from '@/adapters/browser/proxy-place';

/** Where proxies go, as the screen shows it. */
export interface ProxyPlace {
  readonly status: 'opening' | 'none' | 'asks-again' | 'open' | 'failed';
  readonly handle: FileSystemDirectoryHandle | null;
  readonly folder: ProxyFolder | null;
  /** Names of proxies whose making had been broken off before; what was left of them is gone. */
  readonly interrupted: readonly string[];
  /** Free bytes where they are known. */
  readonly freeBytes: number | null;
  readonly isOwn: boolean;
  readonly pick: () => Promise<void>;
  readonly allow: () => Promise<void>;
  /** Looks into it again. */
  readonly refresh: () => Promise<void>;
}

type State = Pick<ProxyPlace, 'status' | 'handle' | 'folder' | 'interrupted' | 'freeBytes'>;
const nothing: State = { status: 'opening', handle: null, folder: null, interrupted: [], freeBytes: null };

/** Opens the folder of last time, or this browser's own where none can be picked, and clears what was interrupted. */
export function useProxyFolder(): ProxyPlace {
  const [state, setState] = useState<State>(nothing);
  const isOwn = state.handle !== null && !canPickFolder();
  const open = useCallback(async (handle: FileSystemDirectoryHandle) => {
    if (!(await isAllowed(handle))) {
      setState({ ...nothing, status: 'asks-again', handle });
      return;
    }
    try {
      const interrupted = await clearInterrupted(handle);
      const folder = await openProxyFolder(handle);
      const freeBytes = canPickFolder() ? null : await readOwnRoom();
      setState({ status: 'open', handle, folder, interrupted: interrupted.map(({ name }) => name), freeBytes });
    } catch {
      // Taken away, renamed, or not readable any more: another one can be picked.
      setState({ ...nothing, status: 'failed', handle });
    }
  }, []);
  useEffect(() => {
    const recall = async () => {
      const handle = canPickFolder() ? await recallFolder() : await openOwnFolder();
      if (handle) await open(handle);
      else setState({ ...nothing, status: 'none' });
    };
    recall().catch(() => setState({ ...nothing, status: 'none' }));
  }, [open]);
  return {
    ...state,
    isOwn,
    pick: async () => {
      const handle = await pickFolder();
      if (handle) await open(handle);
    },
    allow: async () => {
      if (state.handle && (await askAgain(state.handle))) await open(state.handle);
    },
    refresh: async () => {
      if (state.handle) await open(state.handle);
    },
  };
}

'use client';

import { useCallback, useEffect, useRef, useState } from 'react';

/** A small window that stays in front of other programs, where a browser has such; not yet in TypeScript's own types. */
interface PictureWindows {
  readonly requestWindow: (options: { readonly width: number; readonly height: number }) => Promise<Window>;
}

const padSize = { width: 380, height: 300 } as const;

async function openPad(name: string): Promise<Window | null> {
  const pictures = Reflect.get(window, 'documentPictureInPicture') as PictureWindows | undefined;
  // A browser may have it and refuse it here; a narrow window beside the editor does as well.
  const inFront = await pictures?.requestWindow(padSize).catch(() => null);
  return (
    inFront ?? window.open('', `oil-can-${name.toLowerCase()}`, `popup,width=${padSize.width},height=${padSize.height}`)
  );
}

export interface PadWindow {
  /** The small window while it is open. */
  readonly pad: Window | null;
  /** False where the browser opened none. */
  readonly open: () => Promise<boolean>;
  readonly close: () => void;
}

/** A small window of our own that keeps the keyboard while the editor plays; it goes with the page. */
export function usePadWindow(name: string): PadWindow {
  const [pad, setPad] = useState<Window | null>(null);
  const held = useRef<Window | null>(null);
  const close = useCallback(() => {
    held.current?.close();
    held.current = null;
    setPad(null);
  }, []);
  useEffect(() => close, [close]);
  const open = useCallback(async () => {
    const opened = await openPad(name);
    if (!opened) return false;
    opened.document.title = `${name} · Oil Can`;
    opened.document.documentElement.lang = 'en';
    const { theme } = document.documentElement.dataset;
    if (theme) opened.document.documentElement.dataset.theme = theme;
    // The fonts; what components look like comes with them.
    for (const sheet of document.querySelectorAll('link[rel="stylesheet"]'))
      opened.document.head.append(opened.document.importNode(sheet, true));
    opened.addEventListener('pagehide', () => {
      if (held.current !== opened) return;
      held.current = null;
      setPad(null);
    });
    held.current = opened;
    setPad(opened);
    return true;
  }, [name]);
  return { pad, open, close };
}

import { readGraphicsName } from './machine-probe';

/** What a browser states of the computer and its screen; null where it does not. */
export interface BrowserFacts {
  readonly coreCount: number | null;
  /** Rounded down, and capped by the browser. */
  readonly memoryClassGib: number | null;
  readonly graphicsName: string | null;
  readonly screenPx: { readonly width: number; readonly height: number };
  /** Pixels of the screen for one of the page's, to hundredths. */
  readonly scale: number;
  readonly refreshHz: number | null;
  /** What this browser may still store, in bytes. */
  readonly storageLeftBytes: number | null;
}

/** Frames that are timed to tell how often the screen is drawn. */
const timedFrames = 24;
/** A page that is not in front is not drawn. */
const waitMs = 1500;

/** How often the screen is drawn, by the middle of the time between frames; null where the page is not in front. */
function readRefreshHz(): Promise<number | null> {
  return new Promise((resolve) => {
    const timer = setTimeout(() => resolve(null), waitMs);
    const times: number[] = [];
    const step = (atMs: number): void => {
      times.push(atMs);
      if (times.length <= timedFrames) {
        requestAnimationFrame(step);
        return;
      }
      clearTimeout(timer);
      const gaps = times.slice(1).map((time, i) => time - (times[i] as number));
      resolve(Math.round(1000 / Math.max(1, gaps.toSorted((a, b) => a - b)[timedFrames >> 1] as number)));
    };
    requestAnimationFrame(step);
  });
}

async function readStorageLeft(): Promise<number | null> {
  const { quota, usage } = (await navigator.storage?.estimate?.()) ?? {};
  return quota === undefined || usage === undefined ? null : Math.max(0, quota - usage);
}

/** Reads what this browser states; takes half a second, because frames are timed. */
export async function readBrowserFacts(): Promise<BrowserFacts> {
  const memoryClassGib: unknown = Reflect.get(navigator, 'deviceMemory');
  const [refreshHz, storageLeftBytes] = await Promise.all([readRefreshHz(), readStorageLeft()]);
  const scale = window.devicePixelRatio || 1;
  return {
    coreCount: navigator.hardwareConcurrency > 0 ? navigator.hardwareConcurrency : null,
    memoryClassGib: typeof memoryClassGib === 'number' ? memoryClassGib : null,
    graphicsName: readGraphicsName(),
    screenPx: { width: Math.round(screen.width * scale), height: Math.round(screen.height * scale) },
    scale: Math.round(scale * 100) / 100,
    refreshHz,
    storageLeftBytes,
  };
}

'use client';

import { useEffect, useState } from 'react';

export const pressureStates = ['nominal', 'fair', 'serious', 'critical'] as const;
export type PressureState = (typeof pressureStates)[number];

/** How a browser tells how hard the processor works; not yet in TypeScript's own types. */
interface PressureWatch {
  readonly observe: (source: 'cpu', options: { readonly sampleInterval: number }) => Promise<void>;
  readonly disconnect: () => void;
}
type PressureWatchClass = new (tell: (records: readonly { readonly state: string }[]) => void) => PressureWatch;

const findWatch = (): PressureWatchClass | null => {
  const found: unknown = Reflect.get(globalThis, 'PressureObserver');
  return typeof found === 'function' ? (found as PressureWatchClass) : null;
};

/** How hard the processor works by the browser's own word, while it is watched; null where it does not say. */
export function useComputePressure(isOn: boolean): PressureState | null {
  const [state, setState] = useState<PressureState | null>(null);
  useEffect(() => {
    const Watch = isOn ? findWatch() : null;
    if (!Watch) return;
    const watch = new Watch((records) => {
      const told = pressureStates.find((known) => known === records.at(-1)?.state);
      if (told) setState(told);
    });
    // A browser may have it and refuse it on this page; then nothing is said.
    watch.observe('cpu', { sampleInterval: 1000 }).catch(() => setState(null));
    return () => watch.disconnect();
  }, [isOn]);
  return state;
}

/** Whether this browser says how hard the processor works. */
export const hasComputePressure = (): boolean => findWatch() !== null;

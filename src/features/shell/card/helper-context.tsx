'use client';

import { createContext, type ReactNode, useContext } from 'react';

const HelperContext = createContext(false);

/** Whether Oil Can's server runs on this computer and may look at it. */
export const useHasHelper = (): boolean => useContext(HelperContext);

/** Says below whether there is a local helper; the server knows. */
export function HelperProvider({ isOn, children }: { readonly isOn: boolean; readonly children: ReactNode }) {
  return <HelperContext value={isOn}>{children}</HelperContext>;
}

'use client';

import { createContext, type ReactNode, useContext } from 'react';
import { useCardId } from '../shell/card/use-open-card';
import { type FootageControls, useFootageState } from './use-footage-state';

const FootageContext = createContext<FootageControls | null>(null);

function CardReading({ children }: { readonly children: ReactNode }) {
  return <FootageContext.Provider value={useFootageState()}>{children}</FootageContext.Provider>;
}

/** Stands around all steps of a card, so that files are read on while the person goes to another step of it. */
export function FootageReading({ children }: { readonly children: ReactNode }) {
  return <CardReading key={useCardId()}>{children}</CardReading>;
}

/** The reading of this card's files. Throws outside of `FootageReading`. */
export function useFootage(): FootageControls {
  const controls = useContext(FootageContext);
  if (!controls) throw new Error('useFootage: there is no FootageReading around this step');
  return controls;
}

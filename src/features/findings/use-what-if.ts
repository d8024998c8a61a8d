'use client';

import { useMemo, useState } from 'react';
import type { Belief } from '@/core/belief';
import { fixesInForce, type JobCard } from '@/core/card';
import { choicesAsIs, countProxyClips, forecastChoices, type WhatIfChoices } from '@/core/diagnose';
import type { FrameForecast } from '@/core/load';

/** Height of the proxies that the what-if control stands for. */
const proxyHeightPx = 540;

export interface WhatIfState {
  readonly choices: WhatIfChoices;
  readonly before: FrameForecast;
  readonly after: FrameForecast;
  readonly isChanged: boolean;
  readonly proxyHeightPx: number;
  readonly proxyClipCount: number;
  readonly isHardwareKnown: boolean;
  readonly set: (patch: Partial<WhatIfChoices>) => void;
  readonly reset: () => void;
}

/** The controls that do not stand as they are. */
const listMoved = (asIs: WhatIfChoices, touched: Partial<WhatIfChoices>): Partial<WhatIfChoices> =>
  Object.fromEntries(Object.entries(touched).filter(([key, value]) => asIs[key as keyof WhatIfChoices] !== value));

/**
 * Where the what-if controls stand, and what that would bring; nothing on the card changes. By what is
 * believed, the frame's time by what of it agrees with the last reading (`ofFrame`).
 */
export function useWhatIf(card: JobCard, belief: Belief, ofFrame: Belief): WhatIfState {
  const [touched, setTouched] = useState<Partial<WhatIfChoices>>({});
  const asIs = useMemo(() => choicesAsIs(card), [card]);
  const moved = useMemo(() => listMoved(asIs, touched), [asIs, touched]);
  const choices = useMemo(() => ({ ...asIs, ...moved }), [asIs, moved]);
  const inForce = useMemo(() => fixesInForce(card), [card]);
  const before = useMemo(() => forecastChoices(belief, inForce, {}, ofFrame), [belief, ofFrame, inForce]);
  const after = useMemo(() => forecastChoices(belief, inForce, moved, ofFrame), [belief, ofFrame, inForce, moved]);
  const heightPx = choices.proxyHeightPx ?? proxyHeightPx;
  const proxyClipCount = useMemo(() => countProxyClips(card, choices, heightPx), [card, choices, heightPx]);
  return {
    choices,
    before,
    after,
    isChanged: Object.keys(moved).length > 0,
    proxyHeightPx: heightPx,
    proxyClipCount,
    isHardwareKnown: asIs.hardwareDecode !== 'unknown',
    set: (patch) => setTouched((current) => ({ ...current, ...patch })),
    reset: () => setTouched({}),
  };
}

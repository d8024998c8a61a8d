'use client';

import { useMemo, useState } from 'react';
import type { Belief } from '@/core/belief';
import { fixesInForce, type JobCard } from '@/core/card';
import {
  choicesAsIs,
  countProxyClips,
  forecastChoices,
  forecastChoicesUnder,
  type WhatIfChoices,
} from '@/core/diagnose';
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
 * Where the what-if controls stand, and what that would bring; nothing on the card changes. By what readings and
 * answers leave possible, the frame's time by what of it agrees with the last reading (`fitted`); or by the estimate alone
 * where there is no reading yet.
 */
export function useWhatIf(card: JobCard, believed: Belief | null, fitted: Belief | null): WhatIfState {
  const posterior = fitted && believed;
  const [touched, setTouched] = useState<Partial<WhatIfChoices>>({});
  const asIs = useMemo(() => choicesAsIs(card), [card]);
  const moved = useMemo(() => listMoved(asIs, touched), [asIs, touched]);
  const choices = useMemo(() => ({ ...asIs, ...moved }), [asIs, moved]);
  const inForce = useMemo(() => fixesInForce(card), [card]);
  const before = useMemo(
    () => (posterior ? forecastChoicesUnder(posterior, inForce, {}, fitted ?? posterior) : forecastChoices(card, asIs)),
    [card, posterior, fitted, inForce, asIs],
  );
  const after = useMemo(
    () =>
      posterior ? forecastChoicesUnder(posterior, inForce, moved, fitted ?? posterior) : forecastChoices(card, choices),
    [card, posterior, fitted, inForce, moved, choices],
  );
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

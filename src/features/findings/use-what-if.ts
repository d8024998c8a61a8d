'use client';

import { useMemo, useState } from 'react';
import type { JobCard } from '@/core/card';
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

/** Where the what-if controls stand, and what that would bring; nothing on the card changes. */
export function useWhatIf(card: JobCard): WhatIfState {
  const [changed, setChanged] = useState<Partial<WhatIfChoices>>({});
  const asIs = useMemo(() => choicesAsIs(card), [card]);
  const choices = useMemo(() => ({ ...asIs, ...changed }), [asIs, changed]);
  const before = useMemo(() => forecastChoices(card, asIs), [card, asIs]);
  const after = useMemo(() => forecastChoices(card, choices), [card, choices]);
  const heightPx = choices.proxyHeightPx ?? proxyHeightPx;
  const proxyClipCount = useMemo(() => countProxyClips(card, choices, heightPx), [card, choices, heightPx]);
  const isChanged = Object.entries(changed).some(([key, value]) => asIs[key as keyof WhatIfChoices] !== value);
  return {
    choices,
    before,
    after,
    isChanged,
    proxyHeightPx: heightPx,
    proxyClipCount,
    isHardwareKnown: asIs.hardwareDecode !== 'unknown',
    set: (patch) => setChanged((current) => ({ ...current, ...patch })),
    reset: () => setChanged({}),
  };
}

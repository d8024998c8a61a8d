import { deriveBaseState, type JobCard } from '../card';
import { applyFixes, clipsForProxies } from '../fixes';
import { type FrameForecast, forecast, type SetupState } from '../load';
import type { KnownState } from '../machine';
import { currentState } from './findings';

/** Where the what-if controls stand; absolute, so that each can be moved both ways from the set-up as it is. */
export interface WhatIfChoices {
  readonly qualityRatio: number;
  readonly heightPx: number | null;
  readonly hardwareDecode: KnownState;
  /** Height of the proxies, or null for the originals. */
  readonly proxyHeightPx: number | null;
  readonly areEffectsBypassed: boolean;
  readonly areProgramsClosed: boolean;
}

/** The controls where they stand for the set-up as it is. */
export function choicesAsIs(card: JobCard): WhatIfChoices {
  const { preview, clips, programs } = currentState(card).setup;
  return {
    qualityRatio: preview.qualityRatio,
    heightPx: preview.heightPx,
    hardwareDecode: preview.hardwareDecode,
    proxyHeightPx: clips.find((clip) => clip.proxy !== null)?.proxy?.heightPx ?? null,
    areEffectsBypassed: preview.areEffectsBypassed,
    areProgramsClosed: card.programs.length > 0 && programs.length < card.programs.length,
  };
}

/** The card's set-up with the controls where they stand. */
export function stateOfChoices(card: JobCard, choices: WhatIfChoices): SetupState {
  const base = deriveBaseState(card);
  const previewed: SetupState = {
    ...base,
    setup: {
      ...base.setup,
      preview: {
        ...base.setup.preview,
        qualityRatio: choices.qualityRatio,
        heightPx: choices.heightPx,
        hardwareDecode: choices.hardwareDecode,
        areEffectsBypassed: choices.areEffectsBypassed,
      },
    },
  };
  return applyFixes(previewed, [
    ...(choices.areProgramsClosed ? [{ id: 'close-programs', level: 'all' }] : []),
    ...(choices.proxyHeightPx === null ? [] : [{ id: 'make-proxies', level: choices.proxyHeightPx }]),
  ]);
}

/** What to expect with the controls where they stand. */
export const forecastChoices = (card: JobCard, choices: WhatIfChoices): FrameForecast =>
  forecast(stateOfChoices(card, choices));

/** How many clips proxies of this height would be made for, with the controls where they stand but without proxies. */
export const countProxyClips = (card: JobCard, choices: WhatIfChoices, heightPx: number): number =>
  clipsForProxies(stateOfChoices(card, { ...choices, proxyHeightPx: null }), heightPx).length;

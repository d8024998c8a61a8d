import { type Belief, forecastWith } from '../../belief';
import { deriveBaseState, type JobCard } from '../../card';
import { applyFixes, clipsForProxies, closingFix, type FixAtLevel } from '../../fixes';
import type { FrameForecast, SetupState } from '../../load';
import type { KnownState } from '../../machine';
import { linesOf } from '../../proxies';
import { averageStagesWith } from '../answer/average-stages';
import { currentState } from '../answer/findings';

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

const proxyHeightOf = ({ setup }: SetupState): number | null => {
  const proxy = setup.clips.find((clip) => clip.proxy !== null)?.proxy;
  return proxy ? linesOf(proxy) : null;
};

/** The controls where they stand for the set-up as it is. */
export function choicesAsIs(card: JobCard): WhatIfChoices {
  const state = currentState(card);
  const { preview, programs } = state.setup;
  return {
    qualityRatio: preview.qualityRatio,
    heightPx: preview.heightPx,
    hardwareDecode: preview.hardwareDecode,
    proxyHeightPx: proxyHeightOf(state),
    areEffectsBypassed: preview.areEffectsBypassed,
    areProgramsClosed: card.programs.length > 0 && programs.length < card.programs.length,
  };
}

/** The same state with programs closed, or with those of `base` running again. */
const withPrograms = (state: SetupState, base: SetupState, areClosed: boolean): SetupState =>
  areClosed ? applyFixes(state, [closingFix]) : { ...state, setup: { ...state.setup, programs: base.setup.programs } };

/** The same state with proxies of a height, or with none; where it has them already, as it is. */
function withProxies(state: SetupState, base: SetupState, heightPx: number | null): SetupState {
  if (heightPx === proxyHeightOf(state)) return state;
  const bare = {
    hidden: {
      ...state.hidden,
      areProxiesAttached: base.hidden.areProxiesAttached,
      areProxiesShown: base.hidden.areProxiesShown,
    },
    setup: { ...state.setup, clips: state.setup.clips.map((clip) => ({ ...clip, proxy: null })) },
  };
  return heightPx === null ? bare : applyFixes(bare, [{ id: 'make-proxies', level: heightPx }]);
}

/** A set-up with some controls moved; `base` is the same set-up before any fix. */
function withChoices(now: SetupState, base: SetupState, changed: Partial<WhatIfChoices>): SetupState {
  const { preview } = now.setup;
  let state: SetupState = {
    ...now,
    setup: {
      ...now.setup,
      preview: {
        ...preview,
        qualityRatio: changed.qualityRatio ?? preview.qualityRatio,
        heightPx: changed.heightPx === undefined ? preview.heightPx : changed.heightPx,
        hardwareDecode: changed.hardwareDecode ?? preview.hardwareDecode,
        areEffectsBypassed: changed.areEffectsBypassed ?? preview.areEffectsBypassed,
      },
    },
  };
  if (changed.areProgramsClosed !== undefined) state = withPrograms(state, base, changed.areProgramsClosed);
  return changed.proxyHeightPx === undefined ? state : withProxies(state, base, changed.proxyHeightPx);
}

/** The card's set-up, all fixes in force included, with the controls where they stand. */
const stateOfChoices = (card: JobCard, choices: WhatIfChoices): SetupState =>
  withChoices(currentState(card), deriveBaseState(card), choices);

/**
 * What is to be expected with some fixes in force and some controls moved. Controls that are
 * not named stay as each hypothesis has them; the frame's time is that of what agrees with the last reading, where that is
 * given, as it is shown everywhere else. O(hypotheses × clips + samples).
 */
export function forecastChoices(
  belief: Belief,
  inForce: readonly FixAtLevel[],
  changed: Partial<WhatIfChoices>,
  ofFrame: Belief = belief,
): FrameForecast {
  const change = (state: SetupState): SetupState => withChoices(applyFixes(state, inForce), state, changed);
  const { shownFps, scrubMs } = forecastWith(belief, change, ['shownFps', 'scrubMs']);
  return { ...averageStagesWith(ofFrame, change), shownFps, scrubMs };
}

/** How many clips proxies of this height would be made for, with the controls where they stand but without proxies. */
export const countProxyClips = (card: JobCard, choices: WhatIfChoices, heightPx: number): number =>
  clipsForProxies(stateOfChoices(card, { ...choices, proxyHeightPx: null }), heightPx).length;

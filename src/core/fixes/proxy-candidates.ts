import type { CardClip, JobCard } from '../card';
import { deriveBaseState } from '../card';
import type { StillFacts } from '../footage';
import type { SetupClip, SetupState } from '../load';
import { rationalToNumber } from '../numbers/rational';
import {
  linesFor,
  linesOf,
  type ProxyOriginal,
  type ProxyRecipe,
  proxyMegabitPerSec,
  proxySizeOf,
  soundMegabitPerSec,
  stillProxyBytes,
} from '../proxies';
import {
  type ClipLoad,
  clipsForProxies,
  conversionMinutes,
  loadOfClip,
  loadOfStill,
  makingOverDecoding,
} from './proxy-work';

/** Why a clip should have a proxy, or needs none. */
export type ProxyVerdict =
  /** It breaks the budget of a picture. */
  | 'too-heavy'
  /** It plays, and jumping into it takes too long. */
  | 'slow-to-jump'
  /** A still of far more lines than the timeline has: scaling it down takes its time in every picture. */
  | 'large-still'
  /** It decodes in time, and effects are computed on its own picture. */
  | 'lightens-effects'
  /** It decodes in time. */
  | 'light'
  /** It has no more lines than the proxy would have. */
  | 'small'
  /** One that is fine lies there. */
  | 'has-one';

/** A clip that could have a proxy, with what making it would take. */
export interface ProxyCandidate {
  readonly clip: CardClip;
  readonly facts: ProxyOriginal;
  readonly verdict: ProxyVerdict;
  readonly load: ClipLoad;
  /** 0 where none can be made. */
  readonly proxyBytes: number;
  readonly minutes: number;
}

const verdictOf = (load: ClipLoad, isSuggested: boolean, isLarger: boolean, hasOne: boolean): ProxyVerdict => {
  if (hasOne) return 'has-one';
  if (!isLarger) return 'small';
  if (!isSuggested) return 'light';
  return load.pictureMs > load.budgetMs ? 'too-heavy' : 'slow-to-jump';
};

/** A still is large from so many times the timeline's lines on, where scaling it takes so much of a picture's time. Assumption. */
const largeStillLines = 1.5;
const largeStillShare = 0.1;

/** A still as a candidate: it is never decoded anew, and scaled down for every picture that shows it. */
function stillCandidate(
  state: SetupState,
  setupClip: SetupClip,
  { clip, facts, recipe, hasOne }: StillInput,
): ProxyCandidate {
  const size = proxySizeOf(facts, linesFor(recipe, facts));
  const load = loadOfStill(state, setupClip);
  const isLarge =
    linesOf(facts) > largeStillLines * linesOf(state.setup.timeline) &&
    load.pictureMs > largeStillShare * load.budgetMs;
  return {
    clip,
    facts,
    verdict: hasOne ? 'has-one' : !size ? 'small' : isLarge ? 'large-still' : 'light',
    load,
    proxyBytes: size ? stillProxyBytes(facts, size) : 0,
    minutes: 0,
  };
}

interface StillInput {
  readonly clip: CardClip;
  readonly facts: StillFacts;
  readonly recipe: ProxyRecipe;
  readonly hasOne: boolean;
}

/** All clips with a picture of a card, those that suffer most first: what a proxy by this recipe would take, and whether it is worth it. */
export function listProxyCandidates(card: JobCard, recipe: ProxyRecipe): readonly ProxyCandidate[] {
  // What proxies are there already is said of each clip by itself.
  const state = deriveBaseState({ ...card, proxies: [], editor: { ...card.editor, proxies: 'none' } });
  const setupClips = new Map(state.setup.clips.map((clip) => [clip.id, clip]));
  const suggested = new Set(clipsForProxies(state, recipe.share === null ? recipe.lines : 0).map(({ id }) => id));
  const fine = new Set(card.proxies.filter(({ faults }) => faults?.length === 0).map(({ clipId }) => clipId));
  return card.clips
    .flatMap((clip): ProxyCandidate[] => {
      const setupClip = setupClips.get(clip.id);
      const { facts } = clip;
      if (facts.kind === 'sound' || !setupClip) return [];
      if (facts.kind === 'still')
        return [stillCandidate(state, setupClip, { clip, facts, recipe, hasOne: fine.has(clip.id) })];
      const size = proxySizeOf(facts, linesFor(recipe, facts));
      const load = loadOfClip(state, setupClip);
      const megabit = size
        ? proxyMegabitPerSec(size, rationalToNumber(facts.frameRate), recipe) + soundMegabitPerSec(facts)
        : 0;
      return [
        {
          clip,
          facts,
          verdict: verdictOf(load, suggested.has(clip.id), size !== null, fine.has(clip.id)),
          load,
          proxyBytes: (megabit * facts.durationMs * 1000) / 8,
          minutes: size ? conversionMinutes(state, [setupClip], makingOverDecoding) : 0,
        },
      ];
    })
    .sort(
      (a, b) =>
        b.load.pictureMs / b.load.budgetMs - a.load.pictureMs / a.load.budgetMs || b.load.jumpMs - a.load.jumpMs,
    );
}

/** Whether a clip is one that Oil Can would make a proxy of. */
export const isSuggested = ({ verdict }: ProxyCandidate): boolean =>
  verdict === 'too-heavy' || verdict === 'slow-to-jump' || verdict === 'large-still' || verdict === 'lightens-effects';

/** Clips that need none for their own sake as clips whose proxies lighten the effects on them. */
export const asLightening = (candidates: readonly ProxyCandidate[]): readonly ProxyCandidate[] =>
  candidates.map((candidate) =>
    candidate.verdict === 'light' && candidate.facts.kind === 'video'
      ? { ...candidate, verdict: 'lightens-effects' }
      : candidate,
  );

/** Whether what is to be made fits on a drive, a tenth of its free room to spare. */
export function fitsOnDrive(
  neededBytes: number,
  freeBytes: number,
): { readonly fits: boolean; readonly missingBytes: number } {
  const usable = 0.9 * freeBytes;
  return { fits: neededBytes <= usable, missingBytes: Math.max(0, neededBytes - usable) };
}

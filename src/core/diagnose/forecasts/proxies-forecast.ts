import { type Belief, forecastWith } from '../../belief';
import { fixesInForce, type JobCard } from '../../card';
import { applyFixes } from '../../fixes';
import type { SetupState } from '../../load';
import { changeClips, withHidden } from '../../load/change-state';
import { proxyStreamOf } from '../../load/proxy-stream';
import type { Range } from '../../numbers/percentile';
import { linesFor, type ProxyRecipe } from '../../proxies';

/** What playing and jumping would come to. */
export interface PlayForecast {
  readonly shownFps: Range;
  readonly scrubMs: Range;
}

const figures = ['shownFps', 'scrubMs'] as const;

/**
 * What proxies of some clips would bring once the preview shows them, by all that is believed; with the fixes in force. O(clips × samples).
 */
export function forecastProxies(
  card: JobCard,
  belief: Belief,
  clipIds: ReadonlySet<string>,
  recipe: ProxyRecipe,
): { readonly before: PlayForecast; readonly after: PlayForecast } {
  const inForce = fixesInForce(card);
  const playUnder = (change: (state: SetupState) => SetupState): PlayForecast => forecastWith(belief, change, figures);
  const asNow = (state: SetupState): SetupState => applyFixes(state, inForce);
  // The set itself is the key: equal lists of clips get equal proxies while it is the same one.
  const withThem = (state: SetupState): SetupState =>
    withHidden(
      changeClips(asNow(state), clipIds, (clip) =>
        clipIds.has(clip.id)
          ? { ...clip, proxy: proxyStreamOf(clip.original, linesFor(recipe, clip.original), recipe) }
          : clip,
      ),
      { areProxiesShown: true, areProxiesAttached: true },
    );
  return { before: playUnder(asNow), after: clipIds.size > 0 ? playUnder(withThem) : playUnder(asNow) };
}

/** So much more of the rate makes proxies of clips that decode in time worth making. */
const worthRatio = 1.08;

/**
 * Whether proxies of clips that decode in time are worth making beside those that need one, because effects are computed on the clip's
 * own picture: by what they bring to playing, by all that is believed. Never without effects. O(clips × samples).
 */
export function lightensEffects(
  card: JobCard,
  belief: Belief,
  { needed, light }: { readonly needed: readonly string[]; readonly light: readonly string[] },
  recipe: ProxyRecipe,
): boolean {
  if (card.timeline.effects.length === 0 || light.length === 0) return false;
  const rateWith = (ids: readonly string[]): number =>
    forecastProxies(card, belief, new Set(ids), recipe).after.shownFps.mid;
  return rateWith([...needed, ...light]) > worthRatio * rateWith(needed);
}

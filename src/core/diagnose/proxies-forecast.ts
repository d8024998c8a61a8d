import { type Belief, forecastWith } from '../belief';
import { deriveBaseState, fixesInForce, type JobCard } from '../card';
import { applyFixes } from '../fixes';
import { forecast, type SetupState } from '../load';
import { changeClips, withHidden } from '../load/change-state';
import { proxyStreamOf } from '../load/proxy-stream';
import type { Range } from '../numbers/percentile';
import type { ProxyRecipe } from '../proxies';

/** What playing and jumping would come to. */
export interface PlayForecast {
  readonly shownFps: Range;
  readonly scrubMs: Range;
}

const figures = ['shownFps', 'scrubMs'] as const;

/**
 * What proxies of some clips would bring once the preview shows them, by all that is believed, or by the estimate alone where
 * nothing was read yet; with the fixes in force. O(clips × samples).
 */
export function forecastProxies(
  card: JobCard,
  belief: Belief | null,
  clipIds: ReadonlySet<string>,
  recipe: ProxyRecipe,
): { readonly before: PlayForecast; readonly after: PlayForecast } {
  const inForce = fixesInForce(card);
  const base = deriveBaseState(card);
  const playUnder = (change: (state: SetupState) => SetupState): PlayForecast =>
    belief ? forecastWith(belief, change, figures) : forecast(change(base));
  const asNow = (state: SetupState): SetupState => applyFixes(state, inForce);
  // The set itself is the key: equal lists of clips get equal proxies while it is the same one.
  const withThem = (state: SetupState): SetupState =>
    withHidden(
      changeClips(asNow(state), clipIds, (clip) =>
        clipIds.has(clip.id) ? { ...clip, proxy: proxyStreamOf(clip.original, recipe.lines, recipe) } : clip,
      ),
      { areProxiesShown: true, areProxiesAttached: true },
    );
  return { before: playUnder(asNow), after: clipIds.size > 0 ? playUnder(withThem) : playUnder(asNow) };
}

import { type Belief, forecastWith } from '../../belief';
import type { FixUse } from '../../card';
import { applyFixes } from '../../fixes';
import type { EffectKind, SetupState } from '../../load';
import { withTimeline } from '../../load/change-state';

/** What could be added to the timeline before the preview is no longer likely usable. */
export interface RoomLeft {
  readonly layerCount: number;
  readonly effects: readonly { readonly kind: EffectKind; readonly layerCount: number }[];
}

/** Effects that people add most often, dearest first. */
const addedKinds: readonly EffectKind[] = ['blur', 'colour-curves', 'zoom'];
const mostLayers = 8;
/** Room is what leaves the preview more likely usable than not, and about as likely as before. Assumption. */
const leastProbability = 0.5;
const keptRatio = 0.85;

const withLayers = (state: SetupState, count: number): SetupState =>
  withTimeline(state, { videoLayerCount: state.setup.timeline.videoLayerCount + count });

const withEffect = (state: SetupState, kind: EffectKind, layerCount: number): SetupState =>
  withTimeline(state, { effects: [...state.setup.timeline.effects, { kind, layerCount, strength: 'usual' }] });

/** The most of something that still leaves the preview usable, from 0 to `most`. */
function mostThatFit(isUsableWith: (count: number) => boolean, most: number): number {
  let [fits, tooMany] = [0, most + 1];
  while (tooMany - fits > 1) {
    const middle = Math.floor((fits + tooMany) / 2);
    if (isUsableWith(middle)) fits = middle;
    else tooMany = middle;
  }
  return fits;
}

/** The room that is left under some fixes; null where the preview is not likely usable as it is. */
export function findRoomLeft(belief: Belief, fixes: readonly FixUse[]): RoomLeft | null {
  const probabilityWith = (change: (state: SetupState) => SetupState): number =>
    forecastWith(belief, (state) => change(applyFixes(state, fixes)), []).usableProbability;
  const now = probabilityWith((state) => state);
  if (now < leastProbability) return null;
  const least = Math.max(leastProbability, keptRatio * now);
  const isUsableWith = (change: (state: SetupState) => SetupState): boolean => probabilityWith(change) >= least;
  return {
    layerCount: mostThatFit((count) => isUsableWith((state) => withLayers(state, count)), mostLayers),
    // With effects bypassed any number of them costs nothing, which says nothing.
    effects: (applyFixes(belief.base, fixes).setup.preview.areEffectsBypassed ? [] : addedKinds).map((kind) => ({
      kind,
      layerCount: mostThatFit((count) => isUsableWith((state) => withEffect(state, kind, count)), mostLayers),
    })),
  };
}

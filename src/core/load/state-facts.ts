import type { KnownState } from '../machine/facts';
import type { Setup, SetupState } from './types';

/** What holds of a set-up, whatever is known of it. Apart from what changes it: the first page needs only this. */

/** What is supposed, else what is set. */
const really = (supposed: KnownState, set: KnownState): KnownState => (supposed === 'unknown' ? set : supposed);

/** Whether the graphics really decode. */
export const isHardwareDecoding = ({ setup, hidden }: SetupState): KnownState =>
  really(hidden.hardwareDecode, setup.preview.hardwareDecode);
/** Whether the graphics really draw. */
export const isGraphicsDrawing = ({ setup, hidden }: SetupState): KnownState =>
  really(hidden.graphicsDrawing, setup.preview.graphicsDrawing);
/** Whether the graphics could decode any of the clips. */
export const canHardwareDecode = ({ machine, clips }: Setup): boolean =>
  machine.decodeMegapixelPerSec > 0 && clips.some((clip) => clip.original.hardwareDecode !== 'no');

/** Whether any effect lies on the timeline, or may where nobody stated them. */
export const mayHoldEffects = ({ setup: { timeline } }: SetupState): boolean =>
  timeline.effects.length > 0 || !(timeline.areEffectsStated || timeline.hasOnlyListedEffects);

/** Whether more than one layer lies on the timeline, or may where nobody stated them. */
export const mayHoldLayers = ({ setup: { timeline } }: SetupState): boolean =>
  timeline.videoLayerCount + timeline.coveredLayerCount + timeline.titleCount > 1 ||
  !(timeline.areLayersStated || timeline.hasOnlyListedLayers);

/** How far late pictures are left out, 0 to 1; where nobody knows, most editors do. Assumption. */
export const leftOutRatioOf = ({ editor }: Setup): number =>
  ({ skipped: 1, unknown: 0.6, 'all-played': 0 })[editor.lateFrames];

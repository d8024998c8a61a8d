import { type ClipCost, costOfStream, heaviestShare, meanCost, rankingMsOf, shownStreamOf } from './clip-cost';
import type { PictureStream, Setup, SetupState } from './types';

/** The clips of a set-up reduced to a few averages. */
export interface ClipMix {
  /** The dearest quarter of the footage by duration. */
  readonly heaviest: ClipCost;
  readonly usual: ClipCost;
  /** The average original, whatever the preview shows: what a panel or a plain player decodes. */
  readonly original: ClipCost;
  /** Bytes of a decoded picture of the first clips that editors keep open, in MiB, added up. */
  readonly openPictureMib: number;
}

/** Share of the footage that "heaviest" stands for. */
const heaviestRatio = 0.25;

/** Clips that an editor keeps open at once. Assumption. */
const mostOpenClips = 12;

const known = new WeakMap<readonly unknown[], Map<string, ClipMix>>();
const knownCosts = new WeakMap<PictureStream, Map<string, ClipCost>>();

/** What one stream costs on a machine, remembered for the stream: lists of clips share most of theirs. */
function rememberedCost(stream: PictureStream, { machine, timeline }: Setup, key: string): ClipCost {
  const ofStream = knownCosts.get(stream) ?? new Map<string, ClipCost>();
  knownCosts.set(stream, ofStream);
  const cost = ofStream.get(key) ?? costOfStream(stream, machine, timeline.frameRateFps);
  ofStream.set(key, cost);
  return cost;
}

/**
 * The averages for a set-up. O(clips log clips) the first time; after that they are remembered for the same list of
 * clips, because a diagnosis weighs thousands of set-ups that differ in anything but their clips.
 */
export function mixClips({ setup, hidden }: SetupState): ClipMix {
  const { clips, machine, timeline, preview } = setup;
  const costKey = [timeline.frameRateFps, machine.graphicsYear, machine.decodeMegapixelPerSec].join();
  const key = [hidden.areProxiesShown && hidden.areProxiesAttached, preview.hardwareDecode === 'yes', costKey].join();
  const ofClips = known.get(clips) ?? new Map<string, ClipMix>();
  known.set(clips, ofClips);
  const remembered = ofClips.get(key);
  if (remembered) return remembered;
  const parts = clips.map((clip) => {
    const cost = rememberedCost(shownStreamOf(clip, hidden), setup, costKey);
    return { cost, weight: clip.durationMs, rankingMs: rankingMsOf(cost, setup) };
  });
  const originals = clips.map((clip) => ({
    cost: rememberedCost(clip.original, setup, costKey),
    weight: clip.durationMs,
  }));
  const openPictureMib = clips.slice(0, mostOpenClips).reduce((sum, clip) => {
    const { widthPx, heightPx, bitDepth } = shownStreamOf(clip, hidden);
    return sum + (widthPx * heightPx * 1.5 * (bitDepth > 8 ? 2 : 1)) / 2 ** 20;
  }, 0);
  const mix = {
    heaviest: meanCost(heaviestShare(parts, heaviestRatio)),
    usual: meanCost(parts),
    original: meanCost(originals),
    openPictureMib,
  };
  ofClips.set(key, mix);
  return mix;
}

import {
  type ClipCost,
  costOfStream,
  type FetchCost,
  heaviestShare,
  jumpTo,
  meanCost,
  type RankedCost,
  rankingMsOf,
  shownStreamOf,
  showsProxies,
} from './clip-cost';
import { listLandings, meanJump } from './jumps';
import type { PictureStream, Setup, SetupState } from './types';

/** The clips of a set-up reduced to a few averages. */
export interface ClipMix {
  /** The dearest quarter of the footage by duration. */
  readonly heaviest: ClipCost;
  readonly usual: ClipCost;
  /** The same of the originals, whatever the preview shows: what a panel decodes. */
  readonly heavyOriginal: ClipCost;
  readonly original: ClipCost;
  /** A frame of the dearest quarter of the originals: what somebody opens in a plain player to see. */
  readonly plain: FetchCost;
  /** Jumps to places all over the footage: the usual one, and one of the slowest tenth. */
  readonly jump: FetchCost;
  readonly slowJump: FetchCost;
  /** The usual jump among the originals: what looking through clips does. */
  readonly look: FetchCost;
  /** To the middle between two key frames, on average over the dearest quarter and all, of what is shown and of the originals. */
  readonly toHeaviest: FetchCost;
  readonly toUsual: FetchCost;
  readonly toHeavyOriginal: FetchCost;
  readonly toOriginal: FetchCost;
  /** Half of the way there: where the pictures of clips in lists are taken. */
  readonly toThumbnail: FetchCost;
  /** Bytes of a decoded picture of the first clips that editors keep open, in MiB, added up. */
  readonly openPictureMib: number;
}

/** Share of the footage that "heaviest" stands for. */
const heaviestRatio = 0.25;

/** The jumps that "usual" stands for, around the middle one, and the slow ones, around the slowest tenth. */
const jumpShares = { usual: [0.4, 0.6], slow: [0.85, 0.95] } as const;

/** Clips that an editor keeps open at once. Assumption. */
const mostOpenClips = 12;

/** What clips cost by, of a machine and a timeline. */
interface CostBasis {
  readonly frameRateFps: number;
  readonly graphicsYear: number;
  readonly decodeMegapixelPerSec: number;
  /** What each stream costs by it: lists of clips share most of theirs. */
  readonly costs: WeakMap<PictureStream, ClipCost>;
}

/** Few are ever asked for at a time: a diagnosis keeps to one machine, and tries a frame rate or two. */
const bases: CostBasis[] = [];
const mostBases = 16;

function basisOf({ machine, timeline: { frameRateFps } }: Setup): CostBasis {
  const { graphicsYear, decodeMegapixelPerSec } = machine;
  const known = bases.find(
    (basis) =>
      basis.frameRateFps === frameRateFps &&
      basis.graphicsYear === graphicsYear &&
      basis.decodeMegapixelPerSec === decodeMegapixelPerSec,
  );
  if (known) return known;
  const made = { frameRateFps, graphicsYear, decodeMegapixelPerSec, costs: new WeakMap<PictureStream, ClipCost>() };
  bases.unshift(made);
  bases.length = Math.min(bases.length, mostBases);
  return made;
}

/** A list's averages, and what they were made for. */
interface KnownMix {
  readonly basis: CostBasis;
  readonly areProxiesShown: boolean;
  readonly isHardware: boolean;
  readonly mix: ClipMix;
}
const knownMixes = new WeakMap<readonly unknown[], KnownMix[]>();

function rememberedCost(stream: PictureStream, { machine }: Setup, { costs, frameRateFps }: CostBasis): ClipCost {
  const known = costs.get(stream);
  if (known) return known;
  const cost = costOfStream(stream, machine, frameRateFps);
  costs.set(stream, cost);
  return cost;
}

/** What footage comes to, shown or as it was recorded. */
function summarise(costs: readonly RankedCost[], setup: Setup) {
  const landings = listLandings(costs, setup);
  return {
    heaviest: meanCost(heaviestShare(costs, heaviestRatio)),
    mean: meanCost(costs),
    landings,
    jump: meanJump(landings, ...jumpShares.usual),
  };
}

/**
 * The averages for a set-up. O(clips log clips) the first time; after that they are remembered for the same list of
 * clips, because a diagnosis weighs thousands of set-ups that differ in anything but their clips.
 */
export function mixClips(state: SetupState): ClipMix {
  const { setup } = state;
  const { clips, preview } = setup;
  const basis = basisOf(setup);
  const areProxiesShown = showsProxies(state);
  const isHardware = preview.hardwareDecode === 'yes';
  const ofClips = knownMixes.get(clips) ?? [];
  const remembered = ofClips.find(
    (known) => known.basis === basis && known.areProxiesShown === areProxiesShown && known.isHardware === isHardware,
  );
  if (remembered) return remembered.mix;
  const rankedCostOf = (stream: PictureStream, weight: number): RankedCost => {
    const cost = rememberedCost(stream, setup, basis);
    const { decodeMs, readMs } = rankingMsOf(cost.playing, setup);
    return { cost, weight, rankingMs: Math.max(decodeMs, readMs) };
  };
  const shown = clips.map((clip) => shownStreamOf(clip, areProxiesShown));
  const ofShown = summarise(
    shown.map((stream, i) => rankedCostOf(stream, clips[i]?.durationMs ?? 0)),
    setup,
  );
  // Mostly there are no proxies, or they are not shown: then the originals are what is shown.
  const ofOriginals = clips.every(({ original }, i) => original === shown[i])
    ? ofShown
    : summarise(
        clips.map(({ original, durationMs }) => rankedCostOf(original, durationMs)),
        setup,
      );
  const openPictureMib = shown.slice(0, mostOpenClips).reduce((sum, { widthPx, heightPx, bitDepth }) => {
    return sum + (widthPx * heightPx * 1.5 * (bitDepth > 8 ? 2 : 1)) / 2 ** 20;
  }, 0);
  const { heaviest, mean: usual, jump, landings } = ofShown;
  const { heaviest: heavyOriginal, mean: original, jump: look } = ofOriginals;
  const mix = {
    heaviest,
    usual,
    heavyOriginal,
    original,
    plain: { ...heavyOriginal.playing, latencyMs: heavyOriginal.latencyMs },
    jump,
    slowJump: meanJump(landings, ...jumpShares.slow),
    look,
    toHeaviest: jumpTo(heaviest),
    toUsual: jumpTo(usual),
    toHeavyOriginal: jumpTo(heavyOriginal),
    toOriginal: jumpTo(original),
    toThumbnail: jumpTo(original, 0.5),
    openPictureMib,
  };
  ofClips.push({ basis, areProxiesShown, isHardware, mix });
  knownMixes.set(clips, ofClips);
  return mix;
}

import type { KnownState } from '../machine/facts';
import { type ClipCost, costOfStream, heaviestShare, meanCost, rankingMsOf, shownStreamOf } from './clip-cost';
import { blendCost, effectMs, showCost } from './effect-costs';
import { memoryNeededMib } from './memory';
import { previewMegapixels } from './preview-picture';
import type { PlayingMoment, Setup, SetupState } from './types';

/** One playing moment of a set-up, reduced to the numbers that `evaluate` needs. All `RefMs` are on the reference core. */
export interface Coefficients {
  /** Reading a frame, at the drives' stated speed. */
  readonly readMs: number;
  readonly softwareOnlyRefMs: number;
  readonly hardwareAbleRefMs: number;
  readonly hardwareMs: number;
  readonly hardwareCopyRefMs: number;
  readonly scaleRefMs: number;
  readonly effectsRefMs: number;
  readonly layersRefMs: number;
  readonly showRefMs: number;
  readonly scrubReadMs: number;
  readonly scrubSoftwareOnlyRefMs: number;
  readonly scrubHardwareAbleRefMs: number;
  readonly scrubHardwareMs: number;
  readonly coreCount: number;
  readonly coreSpeedRatio: number;
  readonly graphicsRatio: number;
  readonly driveLatencyMs: number;
  readonly busyCores: number;
  readonly memoryNeededMib: number;
  readonly memoryMib: number;
  readonly hardwareDecodeProbability: number;
  readonly graphicsDrawingProbability: number;
  readonly targetFps: number;
}

/** Share of the footage that "heaviest" stands for. */
const heaviestRatio = 0.25;

/** Where nobody knows: most editors come with both switched on where the machine can. Assumption. */
const probabilityOf = (state: KnownState): number => (state === 'yes' ? 1 : state === 'no' ? 0 : 0.6);

const sumOf = <T>(items: readonly T[], pick: (item: T) => number): number =>
  items.reduce((sum, item) => sum + pick(item), 0);

/** Drawing after decoding, all of it on the preview picture, but for editors that compute effects larger. */
function drawingCosts(setup: Setup, effectsAt: SetupState['hidden']['effectsAt'], clipMegapixels: number) {
  const { timeline, preview } = setup;
  const shownMegapixels = previewMegapixels(timeline, preview);
  const effectMegapixels = {
    preview: shownMegapixels,
    project: (timeline.widthPx * timeline.heightPx) / 1e6,
    clip: clipMegapixels,
  }[effectsAt];
  const extraLayerCount = timeline.videoLayerCount - 1 + timeline.titleCount;
  return {
    effectsRefMs: preview.areEffectsBypassed
      ? 0
      : sumOf(timeline.effects, ({ kind, layerCount }) => layerCount * effectMs(kind, effectMegapixels)),
    layersRefMs: extraLayerCount * (blendCost.fixedMs + blendCost.msPerMegapixel * shownMegapixels),
    showRefMs: showCost.fixedMs + showCost.msPerMegapixel * shownMegapixels,
  };
}

/** What is decoded for one shown frame: the moment's own clip, an average clip for each further layer, a panel's original. */
function streamsOfMoment({ setup, hidden }: SetupState, moment: PlayingMoment): readonly ClipCost[] {
  const { clips, machine, timeline } = setup;
  const parts = clips.map((clip) => {
    const cost = costOfStream(shownStreamOf(clip, hidden), machine, timeline.frameRateFps);
    return { cost, weight: clip.durationMs, rankingMs: rankingMsOf(cost, setup) };
  });
  const usual = meanCost(parts);
  const main = moment === 'heaviest' ? meanCost(heaviestShare(parts, heaviestRatio)) : usual;
  const panel = hidden.isPanelReadingOriginals
    ? [
        meanCost(
          clips.map((clip) => ({
            cost: costOfStream(clip.original, machine, timeline.frameRateFps),
            weight: clip.durationMs,
          })),
        ),
      ]
    : [];
  return [main, ...Array.from({ length: timeline.videoLayerCount - 1 }, () => usual), ...panel];
}

/**
 * Reduces a set-up to the coefficients of one playing moment. O(clips log clips); everything that depends on a
 * sample's parameters is left to `evaluate`. The set-up needs at least one clip with a duration.
 */
export function compile(state: SetupState, moment: PlayingMoment): Coefficients {
  const { setup, hidden } = state;
  const { machine, preview } = setup;
  const streams = streamsOfMoment(state, moment);
  return {
    readMs: sumOf(streams, (s) => s.readMs),
    softwareOnlyRefMs: sumOf(streams, (s) => s.softwareOnlyMs),
    hardwareAbleRefMs: sumOf(streams, (s) => s.hardwareAbleMs),
    hardwareMs: sumOf(streams, (s) => s.hardwareMs),
    hardwareCopyRefMs: sumOf(streams, (s) => s.hardwareCopyMs),
    scaleRefMs: sumOf(streams, (s) => s.scaleMs),
    ...drawingCosts(setup, hidden.effectsAt, streams[0]?.megapixels ?? 0),
    scrubReadMs: sumOf(streams, (s) => s.readMs * s.scrubFrames),
    scrubSoftwareOnlyRefMs: sumOf(streams, (s) => s.softwareOnlyMs * s.scrubFrames),
    scrubHardwareAbleRefMs: sumOf(streams, (s) => s.hardwareAbleMs * s.scrubFrames),
    scrubHardwareMs: sumOf(streams, (s) => s.hardwareMs * s.scrubFrames),
    coreCount: machine.coreCount,
    coreSpeedRatio: machine.coreSpeedRatio * machine.powerRatio,
    graphicsRatio: machine.graphicsRatio,
    driveLatencyMs: streams.reduce((longest, s) => Math.max(longest, s.latencyMs), 0),
    busyCores: sumOf(setup.programs, (program) => program.busyCores),
    memoryNeededMib: memoryNeededMib(setup, hidden),
    memoryMib: machine.memoryMib,
    hardwareDecodeProbability: probabilityOf(preview.hardwareDecode),
    graphicsDrawingProbability: machine.graphicsRatio > 1 ? probabilityOf(preview.graphicsDrawing) : 0,
    targetFps: setup.targetFps,
  };
}

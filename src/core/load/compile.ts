import type { KnownState } from '../machine/facts';
import { addFetches, addWork, type ClipCost, type FetchCost, type FileWork } from './clip-cost';
import { mixClips } from './clip-mix';
import { leastGraphicsMemoryMib } from './conditions';
import { drawingHabitIds, drawingHabits } from './drawing-habits';
import { blendCost, effectMs, scaleMs, showCost } from './effect-costs';
import { editorWantsMib, graphicsNeededMib, memoryNeededMib, previewMemoryMibOf } from './memory';
import { drawnLayerCount, idleBlendCount, previewMegapixels } from './preview-picture';
import { isGraphicsDrawing, isHardwareDecoding, leftOutRatioOf } from './state-facts';
import { pieceCount, usualCutsPerMinute } from './timeline-length';
import type { PlayingMoment, Setup, SetupState, TroubleId } from './types';

/** Drawing one picture after decoding and scaling, on the reference core. */
export interface DrawCost {
  /** Scaling what is taken from files to the preview picture. */
  readonly scaleRefMs: number;
  /** Effects computed on the preview picture, and on the clip's own. */
  readonly effectsRefMs: number;
  readonly effectsAtClipRefMs: number;
  readonly layersRefMs: number;
  /** One further layer, were there one that nobody listed. */
  readonly layerRefMs: number;
  /** What an editor adds that blends even a single picture, and empty tracks. */
  readonly idleBlendRefMs: number;
  readonly showRefMs: number;
  /** Megapixels, working depth included, that unlisted effects would be computed on; 0 where all effects are bypassed. */
  readonly effectMegapixels: number;
  readonly effectAtClipMegapixels: number;
}

/** One playing moment of a set-up, reduced to the numbers that `evaluate` needs. All `RefMs` are on the reference core. */
export interface Coefficients {
  /** For one shown frame while playing. */
  readonly playing: FileWork;
  readonly hardwareCopyRefMs: number;
  readonly draw: DrawCost;
  /** Drawing while the playhead moves. */
  readonly moving: DrawCost;
  readonly scrub: FetchCost;
  /** The same into the dearest quarter of the footage. */
  readonly slowScrub: FetchCost;
  /** Going on in another clip at a cut. */
  readonly cut: FetchCost;
  readonly look: FetchCost;
  readonly plain: FetchCost;
  readonly thumbnail: FetchCost;
  readonly cutOpenMs: number;
  readonly timelineFps: number;
  readonly coreCount: number;
  readonly coreSpeedRatio: number;
  readonly areThreadsRaised: boolean;
  readonly graphicsRatio: number;
  readonly graphicsNeededMib: number;
  readonly graphicsMemoryMib: number;
  readonly busyCores: number;
  readonly memoryNeededMib: number;
  readonly memoryMib: number;
  readonly editorWantsMib: number;
  /** Infinite where nobody set a limit. */
  readonly memoryGivenMib: number;
  readonly clipCount: number;
  readonly pieceCount: number;
  readonly cacheLatencyMs: number;
  readonly previewMemoryMib: number;
  readonly previewFrameMib: number;
  readonly hardwareDecodeProbability: number;
  readonly graphicsDrawingProbability: number;
  readonly effectsAtClipProbability: number;
  readonly computesFirstProbability: number;
  /** How far late pictures are left out, 0 to 1: they are fetched all the same. */
  readonly skippedRatio: number;
  readonly unlistedEffectsProbability: number;
  readonly unlistedLayersProbability: number;
  readonly idleBlendProbability: number;
  readonly troubles: Readonly<Record<TroubleId, number>>;
  readonly targetFps: number;
}

/** Where nobody knows: most editors come with both switched on where the machine can. Assumption. */
const probabilityOf = (state: KnownState): number => (state === 'yes' ? 1 : state === 'no' ? 0 : 0.6);

/**
 * Editors that compute effects on the clip's own picture, that compute first and then play, and that blend a single picture with
 * nothing. Assumptions.
 */
const unknownEditors = { effectsAtClip: 0.2, computesFirst: 0.06, idleBlend: 0.08 } as const;

/** How often more lies on a timeline than its owner lists. Assumptions. */
const unlistedProbability = { stated: 0.05, unstated: 0.6 } as const;

const unlistedProbabilityOf = (hasOnlyListed: boolean, isStated: boolean): number =>
  hasOnlyListed ? 0 : unlistedProbability[isStated ? 'stated' : 'unstated'];

/** Graphics of the slower kind that sits beside a separate one. Assumption: shared graphics. */
const slowGraphicsRatio = 4;

const depthRatioOf = (setup: Setup): number => setup.preview.workingDepthBits / 8;

const habitRatioOf = (setup: Setup, stage: 'scale' | 'show'): number => {
  let ratio = 1;
  for (const [i, habit] of drawingHabits.entries())
    if (habit.stage === stage) ratio *= 1 + (habit.ratio - 1) * setup.preview.habits[drawingHabitIds[i] ?? habit.id];
  return ratio;
};

/** Drawing after decoding, all of it on the preview picture, but for editors that compute effects larger. */
function drawingCosts(
  setup: Setup,
  preview: Setup['preview'],
  effectsAt: SetupState['hidden']['effectsAt'],
  taken: readonly (readonly [ClipCost, number])[],
): DrawCost {
  const { timeline } = setup;
  const depth = depthRatioOf(setup);
  const shownMegapixels = previewMegapixels(timeline, preview);
  const projectMegapixels = (timeline.widthPx * timeline.heightPx) / 1e6;
  const isOff = preview.areEffectsBypassed || preview.isPrerendered;
  const previewEffectMegapixels = isOff ? 0 : (effectsAt === 'project' ? projectMegapixels : shownMegapixels) * depth;
  const [[main]] = taken as readonly [readonly [ClipCost, number]];
  const clipEffectMegapixels = isOff ? 0 : main.megapixels * depth;
  let effectsPerMegapixel = 0;
  for (const { kind, layerCount, strength } of timeline.effects)
    effectsPerMegapixel += layerCount * effectMs(kind, 1, strength);
  const layerRefMs = preview.isPrerendered
    ? 0
    : (blendCost.fixedMs + blendCost.msPerMegapixel * shownMegapixels) * depth;
  // Without blending, titles are not drawn either: they lie over the picture.
  const blended = preview.isBlending ? drawnLayerCount(timeline) - 1 + timeline.titleCount : 0;
  const scaledMs = taken.reduce(
    (sum, [{ megapixels }, count]) => sum + scaleMs(megapixels, shownMegapixels) * count,
    0,
  );
  return {
    scaleRefMs: scaledMs * depth * habitRatioOf(setup, 'scale'),
    effectsRefMs: effectsPerMegapixel * previewEffectMegapixels,
    effectsAtClipRefMs: effectsPerMegapixel * clipEffectMegapixels,
    effectMegapixels: previewEffectMegapixels,
    effectAtClipMegapixels: clipEffectMegapixels,
    layersRefMs: blended * layerRefMs,
    layerRefMs: preview.isBlending ? layerRefMs : 0,
    idleBlendRefMs: preview.isBlending ? idleBlendCount(timeline) * layerRefMs : 0,
    showRefMs: (showCost.fixedMs + showCost.msPerMegapixel * shownMegapixels) * depth * habitRatioOf(setup, 'show'),
  };
}

const nothingFetched = addFetches([]);

/** A pre-rendered range plays one small intra-frame file, whatever lies under it. Assumption. */
const prerenderedShare = 0.12;

/**
 * Reduces a set-up to the coefficients of one playing moment. O(clips log clips) for a new list of clips, O(1)
 * after that; everything that depends on a sample's parameters is left to `evaluate`. The set-up needs at least
 * one clip with a duration.
 */
export function compile(state: SetupState, moment: PlayingMoment): Coefficients {
  const { setup, hidden } = state;
  const { machine, preview, timeline, editor } = setup;
  const mix = mixClips(state);
  const main = moment === 'usual' ? mix.usual : mix.heaviest;
  const mainCount = (moment === 'transition' ? 2 : 1) * (preview.isPrerendered ? prerenderedShare : 1);
  const otherCount = preview.isPrerendered ? 0 : drawnLayerCount(timeline) - 1;
  // A panel shows the clip at the playhead.
  const panelCount = hidden.isPanelReadingOriginals ? 1 : 0;
  const panelCost = moment === 'usual' ? mix.original : mix.heavyOriginal;
  const playing = [
    [main, mainCount],
    [mix.usual, otherCount],
    [panelCost, panelCount],
  ] as const;
  // Each cut goes on in the middle of a group: the way from its key frame is decoded in between.
  const cutsPerFrame = (timeline.cutsPerMinute ?? usualCutsPerMinute) / 60 / timeline.frameRateFps;
  const atCutsCount = preview.isPrerendered ? 0 : cutsPerFrame;
  const copyMs = playing.reduce((sum, [cost, count]) => sum + cost.hardwareCopyMs * count, 0);
  const shownMegapixels = previewMegapixels(timeline, preview);
  // A jump goes anywhere, and most of the film is not pre-rendered.
  const moving = {
    ...preview,
    qualityRatio: Math.min(preview.qualityRatio, preview.movingQualityRatio),
    isPrerendered: false,
  };
  const layerCount = drawnLayerCount(timeline);
  const draw = drawingCosts(setup, preview, hidden.effectsAt, playing);
  return {
    playing: addWork([
      [main.playing, mainCount],
      [mix.usual.playing, otherCount],
      [panelCost.playing, panelCount],
      [main.way, atCutsCount],
    ]),
    hardwareCopyRefMs: copyMs,
    draw: moment === 'transition' ? { ...draw, layersRefMs: draw.layersRefMs + draw.layerRefMs } : draw,
    moving: drawingCosts(setup, moving, hidden.effectsAt, playing),
    // At a cut nobody waits for a panel.
    scrub: addFetches([
      [mix.jump, layerCount],
      [mix.toOriginal, panelCount],
    ]),
    slowScrub: addFetches([
      [mix.slowJump, layerCount],
      [mix.toHeavyOriginal, panelCount],
    ]),
    cut: addFetches([
      [mix.toHeaviest, 1],
      [mix.toUsual, layerCount - 1],
    ]),
    look: mix.look,
    plain: mix.plain,
    thumbnail: editor.areThumbnailsOn === 'no' ? nothingFetched : mix.toThumbnail,
    cutOpenMs: editor.areFilesKeptOpen ? 0 : 12 + 2 * main.latencyMs,
    timelineFps: timeline.frameRateFps,
    coreCount: machine.coreCount,
    coreSpeedRatio: machine.coreSpeedRatio * machine.powerRatio,
    areThreadsRaised: editor.areThreadsRaised,
    graphicsRatio: hidden.isOnSlowGraphics ? Math.min(slowGraphicsRatio, machine.graphicsRatio) : machine.graphicsRatio,
    graphicsNeededMib: graphicsNeededMib(setup),
    graphicsMemoryMib: Math.max(leastGraphicsMemoryMib, machine.graphicsMemoryMib),
    busyCores: setup.programs.reduce((sum, program) => sum + program.busyCores, 0),
    memoryNeededMib: memoryNeededMib(setup, mix),
    memoryMib: machine.memoryMib,
    editorWantsMib: editorWantsMib(setup, mix),
    memoryGivenMib: editor.memoryGivenMib ?? Number.POSITIVE_INFINITY,
    clipCount: setup.clips.length + timeline.unusedClipCount,
    pieceCount: pieceCount(timeline),
    cacheLatencyMs: machine.cacheDrive.latencyMs,
    previewMemoryMib: previewMemoryMibOf(setup),
    previewFrameMib: (shownMegapixels * 4e6 * depthRatioOf(setup)) / 2 ** 20,
    hardwareDecodeProbability: probabilityOf(isHardwareDecoding(state)),
    graphicsDrawingProbability: machine.graphicsRatio > 1 ? probabilityOf(isGraphicsDrawing(state)) : 0,
    effectsAtClipProbability:
      hidden.effectsAt === 'unknown' ? unknownEditors.effectsAtClip : hidden.effectsAt === 'clip' ? 1 : 0,
    computesFirstProbability:
      editor.playsBy === 'unknown' ? unknownEditors.computesFirst : editor.playsBy === 'computing-first' ? 1 : 0,
    skippedRatio: leftOutRatioOf(setup),
    unlistedEffectsProbability: unlistedProbabilityOf(timeline.hasOnlyListedEffects, timeline.areEffectsStated),
    unlistedLayersProbability: unlistedProbabilityOf(timeline.hasOnlyListedLayers, timeline.areLayersStated),
    idleBlendProbability: unknownEditors.idleBlend,
    troubles: hidden.troubles,
    targetFps: setup.targetFps,
  };
}

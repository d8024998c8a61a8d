import type { FetchCost } from './clip-cost';
import { type Coefficients, compile, type DrawCost } from './compile';
import {
  endlessSec,
  freeCoresOf,
  graphicsCallRefMs,
  graphicsShortage,
  handMs,
  jumpCoresOf,
  leastGraphicsMemoryMib,
  opening,
  paging,
  reachOf,
  readyAhead,
  shortage,
  standing,
  swapFreezeMs,
  swapStandMs,
  threadGainRatio,
} from './conditions';
import {
  type FrameEstimate,
  type LaneId,
  laneIds,
  laneOfStage,
  type Parameters,
  type PlayingMoment,
  type SetupState,
  type StageCost,
  type StageId,
  stageIds,
} from './types';

/** What a sample's parameters make of the machine and the editor. */
interface Conditions {
  readonly speedRatio: number;
  /** Share of the speed that is left when the machine is warm. */
  readonly heatRatio: number;
  readonly busyCores: number;
  /** Of these, what the editor itself builds with. */
  readonly buildCores: number;
  readonly freeCores: number;
  readonly jumpCores: number;
  readonly threadGain: number;
  readonly isHardware: boolean;
  readonly hardwareSlowness: number;
  readonly isGraphics: boolean;
  readonly drawSpeedRatio: number;
  readonly driveSlowness: number;
  readonly cacheMs: number;
  readonly stallMs: number;
  /** What a full system drive adds to each shown frame on average; it comes in bursts. */
  readonly systemStallMs: number;
  readonly swapFreezeMs: number;
  /** For how long the system holds the picture up at the longest. */
  readonly heldMs: number;
  readonly systemStallRatio: number;
  readonly memoryRatio: number;
  readonly slowness: number;
  readonly isComputingFirst: boolean;
  readonly overlapRatio: number;
}

/** Share of the graphics' memory that something else holds. */
const graphicsTakenRatio = (c: Coefficients, p: Parameters): number =>
  c.troubles.graphicsMemory * reachOf('graphicsMemory', p.graphicsMemorySeverity);

/** How far drawing on the graphics is slowed by its driver and by memory that is short. */
function graphicsSlownessOf(c: Coefficients, p: Parameters): number {
  const takenRatio = graphicsTakenRatio(c, p);
  const haveMib = Math.max(leastGraphicsMemoryMib, c.graphicsMemoryMib * (1 - takenRatio));
  const missing = Math.max(0, (c.graphicsNeededMib * p.graphicsMemoryFactor) / haveMib - 1);
  const driver = 1 + c.troubles.graphicsDrawing * reachOf('graphicsDrawing', p.graphicsDrawingSeverity);
  return driver * (1 + graphicsShortage.gain * Math.min(graphicsShortage.most, missing));
}

function conditionsOf(c: Coefficients, p: Parameters): Conditions {
  const { troubles } = c;
  const power = 1 - troubles.power * reachOf('power', p.powerSeverity);
  const staleness = 1 + troubles.software * reachOf('software', p.softwareSeverity);
  const speedRatio = (c.coreSpeedRatio * p.coreSpeedFactor * power) / staleness;
  const buildCores = c.coreCount * troubles.builds * reachOf('builds', p.buildsSeverity);
  const programCores =
    c.busyCores * p.busyFactor + c.coreCount * troubles.programs * reachOf('programs', p.programsSeverity);
  const freeCores = freeCoresOf(c.coreCount, programCores, buildCores);
  const wantedThreads = c.areThreadsRaised ? Math.max(p.decodeThreadCount, c.coreCount) : p.decodeThreadCount;
  const threadCount = Math.max(1, Math.min(wantedThreads, freeCores));
  const leakMib = troubles.memory * reachOf('memory', p.memorySeverity) * c.memoryMib;
  const memoryRatio = (c.memoryNeededMib * p.memoryFactor + leakMib) / c.memoryMib;
  const memoryOver = Math.min(paging.most, Math.max(0, memoryRatio - 1));
  const pagingRatio = 1 + paging.gain * memoryOver;
  const missing = Math.min(shortage.most, Math.max(0, (c.editorWantsMib * p.memoryFactor) / c.memoryGivenMib - 1));
  const isGraphics = p.graphicsDrawingRank < c.graphicsDrawingProbability;
  return {
    speedRatio,
    heatRatio: 1 - troubles.heat * reachOf('heat', p.heatSeverity),
    busyCores: programCores + buildCores,
    buildCores,
    freeCores,
    jumpCores: jumpCoresOf(c.coreCount, programCores, buildCores),
    threadGain: 1 + threadGainRatio * (threadCount - 1),
    isHardware: p.hardwareDecodeRank < c.hardwareDecodeProbability,
    hardwareSlowness:
      (1 + troubles.hardwareDecode * reachOf('hardwareDecode', p.hardwareDecodeSeverity)) / p.hardwareDecodeFactor,
    isGraphics,
    drawSpeedRatio: isGraphics ? (c.graphicsRatio * p.graphicsFactor) / graphicsSlownessOf(c, p) : speedRatio,
    driveSlowness: (1 + troubles.drive * reachOf('drive', p.driveSeverity)) / p.driveFactor,
    cacheMs: troubles.cache * reachOf('cache', p.cacheSeverity),
    stallMs: troubles.unexplained * reachOf('unexplained', p.unexplainedSeverity),
    systemStallMs: troubles.systemDrive * reachOf('systemDrive', p.systemDriveSeverity),
    systemStallRatio: 1 + troubles.systemDrive * p.systemDriveSeverity,
    memoryRatio,
    swapFreezeMs: swapFreezeMs(memoryOver),
    heldMs: Math.max(swapStandMs(memoryOver), troubles.systemDrive * standing.systemDriveMs),
    slowness: pagingRatio * (1 + shortage.gain * missing),
    isComputingFirst: p.playsByRank < c.computesFirstProbability,
    overlapRatio: p.overlapRatio,
  };
}

/** Effects and layers in reference milliseconds, with those that nobody listed. */
function drawnOf(
  c: Coefficients,
  draw: DrawCost,
  p: Parameters,
): { readonly effectsRefMs: number; readonly layersRefMs: number } {
  const isAtClip = p.effectsAtRank < c.effectsAtClipProbability;
  const effectsRank = 1 - p.unlistedEffectsRank;
  const layersRank = 1 - p.unlistedLayersRank;
  const hasEffects = effectsRank < c.unlistedEffectsProbability;
  const hasLayers = layersRank < c.unlistedLayersProbability;
  const unlistedMs = hasEffects ? 60 - (52 * effectsRank) / c.unlistedEffectsProbability : 0;
  const unlistedCount = hasLayers ? 4 - (3 * layersRank) / c.unlistedLayersProbability : 0;
  return {
    effectsRefMs: isAtClip
      ? draw.effectsAtClipRefMs + unlistedMs * draw.effectAtClipMegapixels
      : draw.effectsRefMs + unlistedMs * draw.effectMegapixels,
    layersRefMs: draw.layersRefMs + unlistedCount * draw.layerRefMs,
  };
}

/** Core time of decoding one frame, before it is shared among threads. */
function decodeCoreMs(c: Coefficients, p: Parameters, on: Conditions): number {
  const softwareRefMs = c.playing.softwareOnlyRefMs + (on.isHardware ? 0 : c.playing.hardwareAbleRefMs);
  return (softwareRefMs * p.decodeFactor + (on.isHardware ? c.hardwareCopyRefMs : 0)) / on.speedRatio;
}

/** For how long the drive is read until a picture has come. */
const readingMs = (fetch: FetchCost, on: Conditions): number => fetch.latencyMs + fetch.readMs * on.driveSlowness;

/** For how long the cores decode until a picture has come. */
function softwareMs(fetch: FetchCost, p: Parameters, on: Conditions): number {
  const softwareRefMs = fetch.softwareOnlyRefMs + (on.isHardware ? 0 : fetch.hardwareAbleRefMs);
  return (softwareRefMs * p.decodeFactor) / on.speedRatio / Math.min(on.threadGain, on.jumpCores);
}

/** The wait until a picture has come from its files. */
const fetchMs = (fetch: FetchCost, p: Parameters, on: Conditions): number =>
  readingMs(fetch, on) + softwareMs(fetch, p, on) + (on.isHardware ? fetch.hardwareMs * on.hardwareSlowness : 0);

const bindingLaneOf = (laneMs: Readonly<Record<LaneId, number>>): LaneId =>
  laneIds.reduce((binding, lane) => (laneMs[lane] > laneMs[binding] ? lane : binding));

/** The interval between shown frames from what the lanes take, and from core time where that is what runs out. */
function intervalOf(laneMs: Readonly<Record<LaneId, number>>, coreMs: number, on: Conditions): number {
  const longestMs = Math.max(laneMs.drive, laneMs.decoder, laneMs.drawing);
  const othersMs = laneMs.drive + laneMs.decoder + laneMs.drawing - longestMs;
  const waitRatio = on.isComputingFirst ? 1 : 1 - on.overlapRatio;
  return Math.max(longestMs + waitRatio * othersMs, coreMs / on.freeCores) * on.slowness;
}

/** Waits that are no playing: scrubbing, looking through clips, cuts, opening. */
function waitsOf(c: Coefficients, p: Parameters, on: Conditions) {
  const { effectsRefMs, layersRefMs } = drawnOf(c, c.moving, p);
  const drawn = (refMs: number): number => (refMs * p.drawFactor) / on.drawSpeedRatio;
  const callMs = on.isGraphics ? graphicsCallRefMs / on.speedRatio : 0;
  const movingDrawnMs = drawn(c.scaleRefMs + effectsRefMs + layersRefMs + c.moving.showRefMs);
  const movingMs = movingDrawnMs + callMs + on.stallMs + on.systemStallMs + 2 * on.cacheMs;
  const jumpRatio = on.slowness * on.systemStallRatio;
  const isAhead = !on.isComputingFirst && on.overlapRatio >= readyAhead.leastOverlap;
  const aheadMs = isAhead ? (readyAhead.frames * 1000) / c.timelineFps : 0;
  const hasThumbnail = c.thumbnail.latencyMs > 0;
  const perClipMs =
    fetchMs(c.thumbnail, p, on) +
    (hasThumbnail ? opening.pictureRefMs / on.speedRatio / Math.min(1, on.freeCores) : 0) +
    opening.indexMs +
    opening.latencies * c.look.latencyMs +
    opening.cacheLatencies * c.cacheLatencyMs +
    2.5 * on.cacheMs;
  const startMs = opening.startRefMs / Math.min(1, on.speedRatio);
  const scrubMs = (handMs + fetchMs(c.scrub, p, on) + movingMs) * jumpRatio;
  return {
    scrubMs,
    scrubReadRatio: readingMs(c.scrub, on) / scrubMs,
    scrubCoreRatio: (softwareMs(c.scrub, p, on) + (on.isGraphics ? callMs : movingDrawnMs)) / scrubMs,
    scrubSlowMs: (handMs + fetchMs(c.slowScrub, p, on) + movingMs) * jumpRatio,
    lookMs: (handMs + fetchMs(c.look, p, on) + drawn(c.scaleRefMs + c.draw.showRefMs) + on.cacheMs) * jumpRatio,
    cutMs: Math.max(0, c.cutOpenMs + fetchMs(c.cut, p, on) - aheadMs) * on.slowness,
    openingSec: ((startMs + c.clipCount * perClipMs) * jumpRatio * p.openingFactor) / 1000,
  };
}

/** The cost of a frame for one sample, from coefficients that `compile` made. */
export function estimateCompiled(c: Coefficients, p: Parameters): FrameEstimate {
  const on = conditionsOf(c, p);
  const coreDecodeMs = decodeCoreMs(c, p, on);
  const hardwareMs = on.isHardware ? c.playing.hardwareMs * on.hardwareSlowness : 0;
  const drawn = (refMs: number): number => (refMs * p.drawFactor) / on.drawSpeedRatio;
  const callMs = on.isGraphics ? graphicsCallRefMs / on.speedRatio : 0;
  const { effectsRefMs, layersRefMs } = drawnOf(c, c.draw, p);
  const stageMs: Readonly<Record<StageId, number>> = {
    read: c.playing.readMs * on.driveSlowness + on.cacheMs,
    decode: coreDecodeMs / on.threadGain + hardwareMs,
    scale: drawn(c.scaleRefMs),
    effects: drawn(effectsRefMs),
    layers: drawn(layersRefMs),
    // Calls to the graphics, and what makes the whole editor wait, stand with showing.
    show: drawn(c.draw.showRefMs) + callMs + on.stallMs,
  };
  const stages: readonly StageCost[] = stageIds.map((id) => ({ id, lane: laneOfStage[id], ms: stageMs[id] }));
  const laneMs = { drive: 0, decoder: 0, drawing: 0 };
  for (const { lane, ms } of stages) laneMs[lane] += ms;
  const drawCoreMs = on.isGraphics ? callMs : laneMs.drawing - on.stallMs;
  const intervalMs = intervalOf(laneMs, coreDecodeMs + drawCoreMs, on);
  const warmth = 1 / on.heatRatio - 1;
  const warmLaneMs = {
    drive: laneMs.drive,
    decoder: laneMs.decoder + (coreDecodeMs / on.threadGain) * warmth,
    drawing: laneMs.drawing + drawCoreMs * warmth,
  };
  const laterMs = intervalOf(warmLaneMs, (coreDecodeMs + drawCoreMs) / on.heatRatio, on);
  const shownAt = (ms: number): number =>
    1000 / (Math.max(1000 / c.targetFps, ms) + on.systemStallMs + on.swapFreezeMs);
  const shownFps = shownAt(intervalMs);
  // Late pictures are left out after they were decoded: others are reckoned from them.
  const mostFetchedFps = Math.min(c.targetFps, 1000 / (Math.max(laneMs.drive, laneMs.decoder) * on.slowness));
  const aheadRatio = on.isComputingFirst ? 0 : on.overlapRatio;
  const fetchedFps = shownFps + c.skippedRatio * aheadRatio * Math.max(0, mostFetchedFps - shownFps);
  const workedCores = (coreDecodeMs * fetchedFps + drawCoreMs * shownFps) / 1000;
  const coresWithoutEditor = freeCoresOf(c.coreCount, on.busyCores - on.buildCores, 0);
  const plainCores = Math.min(coresWithoutEditor, 1 + threadGainRatio * (c.coreCount - 1));
  const plainMs =
    c.plain.hardwareMs > 0
      ? (c.plain.softwareOnlyRefMs * p.decodeFactor) / on.speedRatio / plainCores +
        c.plain.hardwareMs * on.hardwareSlowness
      : (c.plain.softwareOnlyRefMs * p.decodeFactor) / on.speedRatio / plainCores;
  return {
    stages,
    laneMs,
    bindingLane: bindingLaneOf(laneMs),
    intervalMs,
    shownFps,
    laterFps: shownAt(laterMs),
    ...waitsOf(c, p, on),
    standMs: Math.max(1000 / shownFps, on.heldMs),
    fitSec: on.isComputingFirst
      ? Math.min(endlessSec, c.previewMemoryMib / (c.previewFrameMib * c.targetFps))
      : endlessSec,
    coreUseRatio: Math.min(1, (workedCores + on.busyCores) / c.coreCount),
    editorCores: Math.min(c.coreCount, workedCores + on.buildCores),
    driveUseRatio: Math.min(1, (laneMs.drive * fetchedFps) / 1000),
    graphicsUseRatio: on.isGraphics ? Math.min(1, ((laneMs.drawing - on.stallMs - callMs) * shownFps) / 1000) : 0,
    graphicsMemoryRatio:
      graphicsTakenRatio(c, p) +
      (on.isGraphics ? (c.graphicsNeededMib * p.graphicsMemoryFactor) / c.graphicsMemoryMib : 0),
    plainRatio: 1000 / c.timelineFps / Math.max(1e-3, plainMs + c.plain.readMs * on.driveSlowness),
    memoryRatio: on.memoryRatio,
  };
}

/** The cost of a frame of a set-up for one sample, spelled out stage by stage. */
export const estimate = (state: SetupState, moment: PlayingMoment, parameters: Parameters): FrameEstimate =>
  estimateCompiled(compile(state, moment), parameters);

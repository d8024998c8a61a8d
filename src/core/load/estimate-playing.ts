import type { Coefficients, DrawCost } from './compile';
import {
  coresInBursts,
  coresInPauses,
  freeCoresOf,
  fullDriveStandMs,
  fullDriveWait,
  graphicsCallRefMs,
  graphicsShortage,
  jumpCoresOf,
  leastGraphicsMemoryMib,
  paging,
  reachOf,
  shortage,
  swapFreezeMs,
  swapStandMs,
  threadGainOf,
  unlistedMibOf,
} from './conditions';
import {
  type FrameEstimate,
  type LaneId,
  laneIds,
  laneOfStage,
  type Parameters,
  type StageCost,
  type StageId,
  stageIds,
} from './types';

/** What playing alone comes to. */
export type PlayingEstimate = Pick<FrameEstimate, 'stages' | 'laneMs' | 'bindingLane' | 'intervalMs' | 'shownFps'>;

/** Cores that are free, and how many times faster than one thread the editor decodes with them. */
interface CorePhase {
  readonly freeCores: number;
  readonly threadGain: number;
}

/** What a sample's parameters make of the machine and the editor. */
export interface Conditions {
  readonly speedRatio: number;
  /** Share of the speed that is left when the machine is warm. */
  readonly heatRatio: number;
  readonly busyCores: number;
  /** Of these, what the editor itself builds with. */
  readonly buildCores: number;
  readonly freeCores: number;
  /** While programs are in a burst, and while they pause: each half of the time. */
  readonly phases: readonly [CorePhase, CorePhase];
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
export const graphicsTakenRatio = (c: Coefficients, p: Parameters): number =>
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
  const toPhase = (cores: number): CorePhase => ({ freeCores: cores, threadGain: threadGainOf(wantedThreads, cores) });
  const leakMib = troubles.memory * reachOf('memory', p.memorySeverity) * c.memoryMib;
  const unlistedMib = troubles.programs * unlistedMibOf(p.programsSeverity);
  const memoryRatio = (c.memoryNeededMib * p.memoryFactor + leakMib + unlistedMib) / c.memoryMib;
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
    phases: [
      toPhase(coresInBursts(c.coreCount, programCores, buildCores)),
      toPhase(coresInPauses(c.coreCount, programCores, buildCores)),
    ],
    threadGain: threadGainOf(wantedThreads, freeCores),
    isHardware: p.hardwareDecodeRank < c.hardwareDecodeProbability,
    hardwareSlowness:
      (1 + troubles.hardwareDecode * reachOf('hardwareDecode', p.hardwareDecodeSeverity)) / p.hardwareDecodeFactor,
    isGraphics,
    drawSpeedRatio: isGraphics ? (c.graphicsRatio * p.graphicsFactor) / graphicsSlownessOf(c, p) : speedRatio,
    driveSlowness: (1 + troubles.drive * reachOf('drive', p.driveSeverity)) / p.driveFactor,
    cacheMs: troubles.cache * reachOf('cache', p.cacheSeverity),
    stallMs: troubles.unexplained * reachOf('unexplained', p.unexplainedSeverity),
    systemStallMs: troubles.systemDrive * reachOf('systemDrive', p.systemDriveSeverity),
    systemStallRatio: 1 + troubles.systemDrive * (fullDriveWait.least + fullDriveWait.span * p.systemDriveSeverity),
    memoryRatio,
    swapFreezeMs: swapFreezeMs(memoryOver),
    heldMs: Math.max(swapStandMs(memoryOver), troubles.systemDrive * fullDriveStandMs),
    slowness: pagingRatio * (1 + shortage.gain * missing),
    isComputingFirst: p.playsByRank < c.computesFirstProbability,
    overlapRatio: p.overlapRatio,
  };
}

/** Effects and layers in reference milliseconds, with those that nobody listed. */
export function drawnOf(
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
  const idleBlendMs = p.idleBlendRank < c.idleBlendProbability ? draw.idleBlendRefMs : 0;
  return {
    effectsRefMs: isAtClip
      ? draw.effectsAtClipRefMs + unlistedMs * draw.effectAtClipMegapixels
      : draw.effectsRefMs + unlistedMs * draw.effectMegapixels,
    layersRefMs: (draw.layersRefMs + unlistedCount * draw.layerRefMs + idleBlendMs) * p.layerFactor,
  };
}

/** Core time of decoding one frame, before it is shared among threads. */
function decodeCoreMs(c: Coefficients, p: Parameters, on: Conditions): number {
  const softwareRefMs = c.playing.softwareOnlyRefMs + (on.isHardware ? 0 : c.playing.hardwareAbleRefMs);
  return (softwareRefMs * p.decodeFactor + (on.isHardware ? c.hardwareCopyRefMs : 0)) / on.speedRatio;
}

const bindingLaneOf = (laneMs: Readonly<Record<LaneId, number>>): LaneId =>
  laneIds.reduce((binding, lane) => (laneMs[lane] > laneMs[binding] ? lane : binding));

/** What a frame takes of each lane, with the core time of decoding and drawing it. */
export interface FrameWork {
  readonly laneMs: Readonly<Record<LaneId, number>>;
  readonly coreDecodeMs: number;
  readonly coreDrawMs: number;
}

/**
 * The interval between shown frames where so many cores are free: from what the lanes take, and from core time where that
 * is what runs out. Where less than a core is free, what cores do takes longer; and so do they and the drive, but not the
 * graphics, where memory is short.
 */
function intervalOf(
  { laneMs, coreDecodeMs, coreDrawMs }: FrameWork,
  { freeCores, threadGain }: CorePhase,
  on: Conditions,
): number {
  const hardwareMs = laneMs.decoder - coreDecodeMs / on.threadGain;
  const driveMs = laneMs.drive * on.slowness;
  const decoderMs = hardwareMs + (coreDecodeMs * on.slowness) / Math.min(threadGain, freeCores);
  const drawingMs = laneMs.drawing - coreDrawMs + (coreDrawMs * on.slowness) / Math.min(1, freeCores);
  const longestMs = Math.max(driveMs, decoderMs, drawingMs);
  const othersMs = driveMs + decoderMs + drawingMs - longestMs;
  const waitRatio = on.isComputingFirst ? 1 : 1 - on.overlapRatio;
  return Math.max(longestMs + waitRatio * othersMs, ((coreDecodeMs + coreDrawMs) * on.slowness) / freeCores);
}

/**
 * The rate that is shown. Programs work in bursts that last longer than what is decoded ahead, and while they pause no more
 * is shown than is wanted: what adds up is the rates of the two, not the cores. Stalls that no queue hides add to each
 * frame, however quick the rest is.
 */
export function shownFpsOf(work: FrameWork, c: Coefficients, on: Conditions): number {
  const rates = on.phases.map((phase) => {
    const intervalMs = Math.max(1000 / c.targetFps, intervalOf(work, phase, on));
    return 1000 / (intervalMs + on.systemStallMs + on.swapFreezeMs);
  });
  return rates.reduce((sum, rate) => sum + rate, 0) / rates.length;
}

/** Playing for one sample, with what the figures beside it are worked out from. */
export function workOutPlaying(c: Coefficients, p: Parameters) {
  const on = conditionsOf(c, p);
  const coreDecodeMs = decodeCoreMs(c, p, on);
  const hardwareMs = on.isHardware ? c.playing.hardwareMs * on.hardwareSlowness : 0;
  const drawn = (refMs: number): number => (refMs * p.drawFactor) / on.drawSpeedRatio;
  const callMs = on.isGraphics ? graphicsCallRefMs / on.speedRatio : 0;
  const { effectsRefMs, layersRefMs } = drawnOf(c, c.draw, p);
  const stageMs: Readonly<Record<StageId, number>> = {
    read: c.playing.readMs * on.driveSlowness + on.cacheMs,
    decode: coreDecodeMs / on.threadGain + hardwareMs,
    scale: drawn(c.draw.scaleRefMs),
    effects: drawn(effectsRefMs),
    layers: drawn(layersRefMs),
    // Calls to the graphics, and what makes the whole editor wait, stand with showing.
    show: drawn(c.draw.showRefMs * p.showFactor) + callMs + on.stallMs,
  };
  const stages: readonly StageCost[] = stageIds.map((id) => ({
    id,
    lane: laneOfStage[id],
    ms: stageMs[id] * p.frameFactor,
  }));
  const laneMs = { drive: 0, decoder: 0, drawing: 0 };
  for (const { lane, ms } of stages) laneMs[lane] += ms;
  const stillMs = on.stallMs * p.frameFactor;
  const ownDecodeMs = coreDecodeMs * p.frameFactor;
  const drawCoreMs = on.isGraphics ? callMs * p.frameFactor : laneMs.drawing - stillMs;
  const work: FrameWork = { laneMs, coreDecodeMs: ownDecodeMs, coreDrawMs: drawCoreMs };
  const frame: PlayingEstimate = {
    stages,
    laneMs,
    bindingLane: bindingLaneOf(laneMs),
    intervalMs: intervalOf(work, on, on),
    shownFps: shownFpsOf(work, c, on),
  };
  return { on, coreDecodeMs: ownDecodeMs, drawCoreMs, undrawnMs: stillMs + callMs * p.frameFactor, frame };
}

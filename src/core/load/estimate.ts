import { type Coefficients, compile } from './compile';
import { leastFreeCores, pagingGain, scrubFixedMs, threadGainRatio } from './evaluate';
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
  readonly freeCores: number;
  readonly threadGain: number;
  readonly isHardware: boolean;
  readonly isGraphics: boolean;
  readonly drawDivisor: number;
  readonly driveFactor: number;
  readonly pagingRatio: number;
}

function conditionsOf(c: Coefficients, p: Parameters): Conditions {
  const speedRatio = c.coreSpeedRatio * p.coreSpeedFactor;
  const freeCores = Math.max(leastFreeCores, c.coreCount - c.busyCores * p.busyFactor);
  const threadCount = Math.max(1, Math.min(p.decodeThreadCount, freeCores));
  const isGraphics = p.graphicsDrawingRank < c.graphicsDrawingProbability;
  const memoryRatio = (c.memoryNeededMib * p.memoryFactor) / c.memoryMib;
  return {
    speedRatio,
    freeCores,
    threadGain: 1 + threadGainRatio * (threadCount - 1),
    isHardware: p.hardwareDecodeRank < c.hardwareDecodeProbability,
    isGraphics,
    drawDivisor: isGraphics ? Math.max(speedRatio, c.graphicsRatio * p.graphicsFactor) : speedRatio,
    driveFactor: p.driveFactor,
    pagingRatio: 1 + pagingGain * Math.max(0, memoryRatio - 1),
  };
}

/** Core time of decoding one frame, before it is shared among threads. */
function decodeCoreMs(c: Coefficients, p: Parameters, on: Conditions): number {
  const softwareRefMs = c.softwareOnlyRefMs + (on.isHardware ? 0 : c.hardwareAbleRefMs);
  return (softwareRefMs * p.decodeFactor + (on.isHardware ? c.hardwareCopyRefMs : 0)) / on.speedRatio;
}

function scrubMsOf(c: Coefficients, p: Parameters, on: Conditions, drawMs: number): number {
  const softwareRefMs = c.scrubSoftwareOnlyRefMs + (on.isHardware ? 0 : c.scrubHardwareAbleRefMs);
  const sharedAmong = Math.min(on.threadGain, on.freeCores);
  const decodeMs =
    (softwareRefMs * p.decodeFactor) / on.speedRatio / sharedAmong + (on.isHardware ? c.scrubHardwareMs : 0);
  const readMs = c.driveLatencyMs + c.scrubReadMs / on.driveFactor;
  return (scrubFixedMs + readMs + decodeMs + drawMs) * on.pagingRatio;
}

const bindingLaneOf = (laneMs: Readonly<Record<LaneId, number>>): LaneId =>
  laneIds.reduce((binding, lane) => (laneMs[lane] > laneMs[binding] ? lane : binding));

/** The cost of a frame for one sample, from coefficients that `compile` made. */
export function estimateCompiled(c: Coefficients, p: Parameters): FrameEstimate {
  const on = conditionsOf(c, p);
  const coreDecodeMs = decodeCoreMs(c, p, on);
  const drawn = (refMs: number): number => (refMs * p.drawFactor) / on.drawDivisor;
  const stageMs: Readonly<Record<StageId, number>> = {
    read: c.readMs / on.driveFactor,
    decode: coreDecodeMs / on.threadGain + (on.isHardware ? c.hardwareMs : 0),
    scale: drawn(c.scaleRefMs),
    effects: drawn(c.effectsRefMs),
    layers: drawn(c.layersRefMs),
    show: drawn(c.showRefMs),
  };
  const stages: readonly StageCost[] = stageIds.map((id) => ({ id, lane: laneOfStage[id], ms: stageMs[id] }));
  const laneMs = { drive: 0, decoder: 0, drawing: 0 };
  for (const { lane, ms } of stages) laneMs[lane] += ms;

  const bindingLane = bindingLaneOf(laneMs);
  const othersMs = laneMs.drive + laneMs.decoder + laneMs.drawing - laneMs[bindingLane];
  const linedMs = laneMs[bindingLane] + (1 - p.overlapRatio) * othersMs;
  const coreMs = coreDecodeMs + (on.isGraphics ? 0 : laneMs.drawing);
  const intervalMs = Math.max(linedMs, coreMs / on.freeCores) * on.pagingRatio;
  return {
    stages,
    laneMs,
    bindingLane,
    intervalMs,
    shownFps: Math.min(c.targetFps, 1000 / intervalMs),
    scrubMs: scrubMsOf(c, p, on, laneMs.drawing),
  };
}

/** The cost of a frame of a set-up for one sample, spelled out stage by stage. */
export const estimate = (state: SetupState, moment: PlayingMoment, parameters: Parameters): FrameEstimate =>
  estimateCompiled(compile(state, moment), parameters);

import type { FetchCost } from './clip-cost';
import { type Coefficients, compile } from './compile';
import { endlessSec, freeCoresOf, graphicsCallRefMs, handMs, opening, readyAhead, threadGainRatio } from './conditions';
import { type Conditions, drawnOf, graphicsTakenRatio, shownFpsOf, workOutPlaying } from './estimate-playing';
import type { FrameEstimate, Parameters, PlayingMoment, SetupState } from './types';

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

/** Waits that are no playing: scrubbing, looking through clips, cuts, opening. */
function waitsOf(c: Coefficients, p: Parameters, on: Conditions) {
  const { effectsRefMs, layersRefMs } = drawnOf(c, c.moving, p);
  const drawn = (refMs: number): number => (refMs * p.drawFactor) / on.drawSpeedRatio;
  const callMs = on.isGraphics ? graphicsCallRefMs / on.speedRatio : 0;
  const movingDrawnMs = drawn(c.moving.scaleRefMs + effectsRefMs + layersRefMs + c.moving.showRefMs * p.showFactor);
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
  const piecesMs = (c.pieceCount * opening.pieceRefMs) / on.speedRatio;
  const scrubMs = (handMs + fetchMs(c.scrub, p, on) + movingMs) * jumpRatio;
  return {
    scrubMs,
    scrubReadRatio: readingMs(c.scrub, on) / scrubMs,
    scrubCoreRatio: (softwareMs(c.scrub, p, on) + (on.isGraphics ? callMs : movingDrawnMs)) / scrubMs,
    scrubSlowMs: (handMs + fetchMs(c.slowScrub, p, on) + movingMs) * jumpRatio,
    lookMs:
      (handMs +
        fetchMs(c.look, p, on) +
        drawn(c.draw.scaleRefMs + c.draw.showRefMs * p.showFactor) +
        on.stallMs +
        2 * on.cacheMs) *
      jumpRatio,
    cutMs: Math.max(0, c.cutOpenMs + fetchMs(c.cut, p, on) - aheadMs) * jumpRatio,
    openingSec: ((startMs + c.clipCount * perClipMs + piecesMs) * jumpRatio * p.openingFactor) / 1000,
  };
}

/** The cost of a frame for one sample, from coefficients that `compile` made. */
export function estimateCompiled(c: Coefficients, p: Parameters): FrameEstimate {
  const { on, coreDecodeMs, drawCoreMs, undrawnMs, frame } = workOutPlaying(c, p);
  const { laneMs, shownFps } = frame;
  const warmth = 1 / on.heatRatio - 1;
  const warmLaneMs = {
    drive: laneMs.drive,
    decoder: laneMs.decoder + (coreDecodeMs / on.threadGain) * warmth,
    drawing: laneMs.drawing + drawCoreMs * warmth,
  };
  const warm = { laneMs: warmLaneMs, coreDecodeMs: coreDecodeMs / on.heatRatio, coreDrawMs: drawCoreMs / on.heatRatio };
  // Late pictures are left out after they were decoded: others are reckoned from them.
  const slowedMs = (coreDecodeMs / on.threadGain) * (on.slowness - 1);
  const fetchedMs = Math.max(laneMs.drive * on.slowness, laneMs.decoder + slowedMs);
  const mostFetchedFps = Math.min(c.targetFps, 1000 / fetchedMs);
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
    ...frame,
    laterFps: shownFpsOf(warm, c, on),
    ...waitsOf(c, p, on),
    standMs: Math.max(1000 / shownFps, on.heldMs),
    fitSec: on.isComputingFirst
      ? Math.min(endlessSec, c.previewMemoryMib / (c.previewFrameMib * c.targetFps))
      : endlessSec,
    coreUseRatio: Math.min(1, (workedCores + on.busyCores) / c.coreCount),
    editorCores: Math.min(c.coreCount, workedCores + on.buildCores),
    driveUseRatio: Math.min(1, (laneMs.drive * fetchedFps) / 1000),
    graphicsUseRatio: on.isGraphics ? Math.min(1, ((laneMs.drawing - undrawnMs) * shownFps) / 1000) : 0,
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

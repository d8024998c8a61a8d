import type { FetchCost } from './clip-cost';
import type { Coefficients, DrawCost } from './compile';
import {
  coresInBursts,
  coresInPauses,
  endlessSec,
  freeCoresOf,
  fullDriveStandMs,
  fullDriveWait,
  graphicsCallRefMs,
  graphicsShortage,
  handMs,
  jumpCoresOf,
  leastGraphicsMemoryMib,
  opening,
  paging,
  readyAhead,
  shortage,
  swapFreezeMs,
  swapStandMs,
  threadGainOf,
  threadGainRatio,
  troubleReach,
  unlistedMibOf,
} from './conditions';
import { type ParameterSamples, type TroubleId, troubleIds } from './types';

/** The figures that `evaluate` fills, one value a sample. */
export const outcomeNames = [
  'shownFps',
  'laterFps',
  'scrubMs',
  'scrubSlowMs',
  'scrubReadRatio',
  'scrubCoreRatio',
  'lookMs',
  'cutMs',
  'standMs',
  'openingSec',
  'fitSec',
  'coreUseRatio',
  'editorCores',
  'driveUseRatio',
  'graphicsUseRatio',
  'graphicsMemoryRatio',
  'plainRatio',
  'memoryRatio',
] as const;

/** What `evaluate` fills: one value a sample. */
export type Outcomes = { readonly [K in (typeof outcomeNames)[number]]: Float64Array };

/** How much is worked out: what playing shows, what jumping shows too, or all. Each holds those before it. */
export const extents = ['playing', 'jumping', 'all'] as const;
export type Extent = (typeof extents)[number];

/** The outcomes that each extent adds to those before it; all others come with the last. */
const outcomesAdded: Readonly<Record<Exclude<Extent, 'all'>, readonly (keyof Outcomes)[]>> = {
  playing: ['shownFps', 'laterFps', 'memoryRatio', 'fitSec', 'standMs'],
  jumping: ['scrubMs', 'scrubSlowMs', 'scrubReadRatio', 'scrubCoreRatio', 'cutMs'],
};

/** The least extent in which an outcome is worked out. */
export const extentOf = (name: keyof Outcomes): Extent =>
  extents.find((extent) => extent === 'all' || outcomesAdded[extent].includes(name)) ?? 'all';

/** The least extent that holds all of some; playing where there are none. */
export const widestOf = (some: readonly Extent[]): Extent =>
  extents.findLast((extent) => some.includes(extent)) ?? 'playing';

/** Room for the outcomes of `count` samples. */
export const createOutcomes = (count: number): Outcomes =>
  Object.fromEntries(outcomeNames.map((name) => [name, new Float64Array(count)])) as Outcomes;

/** What a sample makes of fetching one picture from files; a negative hardware rate stands for none. */
const fetchMs = (fetch: FetchCost, softwareRate: number, hardwareRate: number, driveSlowness: number): number =>
  fetch.latencyMs +
  fetch.readMs * driveSlowness +
  (hardwareRate < 0
    ? (fetch.softwareOnlyRefMs + fetch.hardwareAbleRefMs) * softwareRate
    : fetch.softwareOnlyRefMs * softwareRate + fetch.hardwareMs * hardwareRate);

/** A trouble's reach as a line over its severity, already times how far it is present. */
interface ReachLine {
  readonly least: number;
  readonly span: number;
}
type ReachLines = Readonly<Record<TroubleId, ReachLine>>;

const linesOfTroubles = new WeakMap<Coefficients['troubles'], ReachLines>();

/** The lines of all troubles; remembered, because few sets of troubles are ever weighed. */
function linesOf(troubles: Coefficients['troubles']): ReachLines {
  const known = linesOfTroubles.get(troubles);
  if (known) return known;
  const lines = Object.fromEntries(
    troubleIds.map((id) => {
      const { least, most } = troubleReach[id];
      return [id, { least: troubles[id] * least, span: troubles[id] * (most - least) }];
    }),
  ) as ReachLines;
  linesOfTroubles.set(troubles, lines);
  return lines;
}

const effectsOf = (draw: DrawCost, isAtClip: boolean, unlistedMs: number): number =>
  isAtClip
    ? draw.effectsAtClipRefMs + unlistedMs * draw.effectAtClipMegapixels
    : draw.effectsRefMs + unlistedMs * draw.effectMegapixels;

const layersOf = (draw: DrawCost, unlistedLayers: number, isIdleBlended: boolean): number =>
  draw.layersRefMs + unlistedLayers * draw.layerRefMs + (isIdleBlended ? draw.idleBlendRefMs : 0);

/** What one sample takes for a frame: one object for all of them, written over for each. */
interface LaneWork {
  readMs: number;
  decodeCoreMs: number;
  hardwareMs: number;
  drawCoreMs: number;
  /** Drawing that takes no time of the cores. */
  stillMs: number;
  waitRatio: number;
  threads: number;
  leastMs: number;
  heldMs: number;
}

/** The rate that is shown while so many cores are free, at a speed of so much of the cores' own. */
function fpsWith(work: LaneWork, cores: number, heat: number): number {
  const decodeCoreMs = work.decodeCoreMs / heat;
  const drawCoreMs = work.drawCoreMs / heat;
  const decodeMs = decodeCoreMs / Math.min(threadGainOf(work.threads, cores), cores) + work.hardwareMs;
  const drawMs = drawCoreMs / Math.min(1, cores) + work.stillMs;
  const longest = Math.max(work.readMs, decodeMs, drawMs);
  const lined = longest + work.waitRatio * (work.readMs + decodeMs + drawMs - longest);
  return 1000 / (Math.max(work.leastMs, lined, (decodeCoreMs + drawCoreMs) / cores) + work.heldMs);
}

/** The mean rate of bursts and pauses; where all that is wanted is shown in bursts, it is in pauses too. */
function meanFpsOf(work: LaneWork, burstCores: number, pauseCores: number, heat: number): number {
  const inBursts = fpsWith(work, burstCores, heat);
  const isMost = burstCores === pauseCores || inBursts >= 1000 / (work.leastMs + work.heldMs);
  return isMost ? inBursts : (inBursts + fpsWith(work, pauseCores, heat)) / 2;
}

/** Which samples to work out, and how much of each; the other outcomes are left as they are. */
export interface EvaluateOptions {
  readonly from?: number;
  readonly to?: number;
  readonly extent?: Extent;
}

/**
 * All outcomes of samples `from` up to `to`. Runs over typed arrays without allocating: O(samples), whatever the
 * number of clips. `estimate` is the same for one sample, spelled out; a property test holds them equal.
 */
export function evaluate(
  c: Coefficients,
  samples: ParameterSamples,
  out: Outcomes,
  { from = 0, to = out.shownFps.length, extent = 'all' }: EvaluateOptions = {},
): void {
  const t = c.troubles;
  const {
    buildsSeverity: buildsSeverities,
    busyFactor: busyFactors,
    cacheSeverity: cacheSeverities,
    coreSpeedFactor: coreSpeedFactors,
    decodeFactor: decodeFactors,
    decodeThreadCount: decodeThreadCounts,
    drawFactor: drawFactors,
    driveFactor: driveFactors,
    driveSeverity: driveSeverities,
    effectsAtRank: effectsAtRanks,
    frameFactor: frameFactors,
    graphicsDrawingRank: graphicsDrawingRanks,
    graphicsDrawingSeverity: graphicsDrawingSeverities,
    graphicsFactor: graphicsFactors,
    graphicsMemoryFactor: graphicsMemoryFactors,
    graphicsMemorySeverity: graphicsMemorySeverities,
    hardwareDecodeFactor: hardwareDecodeFactors,
    layerFactor: layerFactors,
    showFactor: showFactors,
    hardwareDecodeRank: hardwareDecodeRanks,
    hardwareDecodeSeverity: hardwareDecodeSeverities,
    heatSeverity: heatSeverities,
    memoryFactor: memoryFactors,
    memorySeverity: memorySeverities,
    openingFactor: openingFactors,
    overlapRatio: overlapRatios,
    playsByRank: playsByRanks,
    powerSeverity: powerSeverities,
    programsSeverity: programsSeverities,
    softwareSeverity: softwareSeverities,
    systemDriveSeverity: systemDriveSeverities,
    unexplainedSeverity: unexplainedSeverities,
    unlistedEffectsRank: unlistedEffectsRanks,
    unlistedLayersRank: unlistedLayersRanks,
    idleBlendRank: idleBlendRanks,
  } = samples;
  const lines = linesOf(t);
  const work: LaneWork = {
    readMs: 0,
    decodeCoreMs: 0,
    hardwareMs: 0,
    drawCoreMs: 0,
    stillMs: 0,
    waitRatio: 0,
    threads: 0,
    leastMs: 1000 / c.targetFps,
    heldMs: 0,
  };
  for (let i = from; i < to; i++) {
    const power = 1 - (lines.power.least + lines.power.span * (powerSeverities[i] as number));
    const staleness = 1 + (lines.software.least + lines.software.span * (softwareSeverities[i] as number));
    const speed = (c.coreSpeedRatio * (coreSpeedFactors[i] as number) * power) / staleness;
    const buildRatio = lines.builds.least + lines.builds.span * (buildsSeverities[i] as number);
    const takenRatio = lines.programs.least + lines.programs.span * (programsSeverities[i] as number);
    const programCores = c.busyCores * (busyFactors[i] as number) + c.coreCount * takenRatio;
    const buildCores = c.coreCount * buildRatio;
    const burstCores = coresInBursts(c.coreCount, programCores, buildCores);
    const pauseCores = coresInPauses(c.coreCount, programCores, buildCores);
    const freeCores = (burstCores + pauseCores) / 2;
    const busyCores = programCores + buildCores;
    const asked = decodeThreadCounts[i] as number;
    const threads = c.areThreadsRaised ? Math.max(asked, c.coreCount) : asked;
    const gain = threadGainOf(threads, freeCores);

    const memoryFactor = memoryFactors[i] as number;
    const leakMib = (lines.memory.least + lines.memory.span * (memorySeverities[i] as number)) * c.memoryMib;
    const unlistedMib = t.programs * unlistedMibOf(programsSeverities[i] as number);
    const memoryRatio = (c.memoryNeededMib * memoryFactor + leakMib + unlistedMib) / c.memoryMib;
    const over = Math.min(paging.most, Math.max(0, memoryRatio - 1));
    const short = Math.min(shortage.most, Math.max(0, (c.editorWantsMib * memoryFactor) / c.memoryGivenMib - 1));
    const slowness = (1 + paging.gain * over) * (1 + shortage.gain * short);

    const isHardware = (hardwareDecodeRanks[i] as number) < c.hardwareDecodeProbability;
    const isGraphics = (graphicsDrawingRanks[i] as number) < c.graphicsDrawingProbability;
    const decodeFactor = decodeFactors[i] as number;
    const hardwareSlowness =
      (1 + (lines.hardwareDecode.least + lines.hardwareDecode.span * (hardwareDecodeSeverities[i] as number))) /
      (hardwareDecodeFactors[i] as number);
    const { playing } = c;
    const softwareRefMs = playing.softwareOnlyRefMs + (isHardware ? 0 : playing.hardwareAbleRefMs);
    const decodeCoreMs = (softwareRefMs * decodeFactor + (isHardware ? c.hardwareCopyRefMs : 0)) / speed;
    const hardwareMs = isHardware ? playing.hardwareMs * hardwareSlowness : 0;

    const takenGraphics =
      lines.graphicsMemory.least + lines.graphicsMemory.span * (graphicsMemorySeverities[i] as number);
    const haveMib = Math.max(leastGraphicsMemoryMib, c.graphicsMemoryMib * (1 - takenGraphics));
    const graphicsNeededMib = c.graphicsNeededMib * (graphicsMemoryFactors[i] as number);
    const graphicsShort = Math.min(graphicsShortage.most, Math.max(0, graphicsNeededMib / haveMib - 1));
    const graphicsSlowness =
      (1 + (lines.graphicsDrawing.least + lines.graphicsDrawing.span * (graphicsDrawingSeverities[i] as number))) *
      (1 + graphicsShortage.gain * graphicsShort);
    const drawSpeed = isGraphics ? (c.graphicsRatio * (graphicsFactors[i] as number)) / graphicsSlowness : speed;

    const effectsRank = 1 - (unlistedEffectsRanks[i] as number);
    const layersRank = 1 - (unlistedLayersRanks[i] as number);
    const unlistedMs =
      effectsRank < c.unlistedEffectsProbability ? 60 - (52 * effectsRank) / c.unlistedEffectsProbability : 0;
    const unlistedLayers =
      layersRank < c.unlistedLayersProbability ? 4 - (3 * layersRank) / c.unlistedLayersProbability : 0;
    const isAtClip = (effectsAtRanks[i] as number) < c.effectsAtClipProbability;
    const effectsRefMs = effectsOf(c.draw, isAtClip, unlistedMs);
    const layerFactor = layerFactors[i] as number;
    const showFactor = showFactors[i] as number;
    const isIdleBlended = (idleBlendRanks[i] as number) < c.idleBlendProbability;
    const layersRefMs = layersOf(c.draw, unlistedLayers, isIdleBlended) * layerFactor;
    const showRefMs = c.draw.showRefMs * showFactor;
    const perMs = (drawFactors[i] as number) / drawSpeed;
    const drawnMs = (c.draw.scaleRefMs + effectsRefMs + layersRefMs + showRefMs) * perMs;
    const callMs = isGraphics ? graphicsCallRefMs / speed : 0;
    const systemStallMs = lines.systemDrive.least + lines.systemDrive.span * (systemDriveSeverities[i] as number);
    const stallMs = lines.unexplained.least + lines.unexplained.span * (unexplainedSeverities[i] as number);
    const drawMs = drawnMs + callMs + stallMs;

    const driveSlowness =
      (1 + (lines.drive.least + lines.drive.span * (driveSeverities[i] as number))) / (driveFactors[i] as number);
    const cacheMs = lines.cache.least + lines.cache.span * (cacheSeverities[i] as number);
    const readMs = playing.readMs * driveSlowness + cacheMs;

    const isComputingFirst = (playsByRanks[i] as number) < c.computesFirstProbability;
    const waitRatio = isComputingFirst ? 1 : 1 - (overlapRatios[i] as number);
    const drawCoreMs = isGraphics ? callMs : drawnMs;
    // The graphics work on where memory is short; the cores and the drive wait.
    const frameFactor = frameFactors[i] as number;
    const slowReadMs = readMs * slowness * frameFactor;
    const slowDecodeMs = decodeCoreMs * slowness * frameFactor;
    work.readMs = slowReadMs;
    work.decodeCoreMs = slowDecodeMs;
    work.hardwareMs = hardwareMs * frameFactor;
    work.drawCoreMs = drawCoreMs * slowness * frameFactor;
    work.stillMs = (drawMs - drawCoreMs) * frameFactor;
    work.waitRatio = waitRatio;
    work.threads = threads;
    work.heldMs = systemStallMs + swapFreezeMs(over);
    // Bursts last longer than what is decoded ahead, and a pause shows no more than is wanted.
    const shownFps = meanFpsOf(work, burstCores, pauseCores, 1);
    out.shownFps[i] = shownFps;
    const heat = 1 - (lines.heat.least + lines.heat.span * (heatSeverities[i] as number));
    out.laterFps[i] = heat === 1 ? shownFps : meanFpsOf(work, burstCores, pauseCores, heat);

    const movingRefMs =
      c.moving.scaleRefMs +
      effectsOf(c.moving, isAtClip, unlistedMs) +
      layersOf(c.moving, unlistedLayers, isIdleBlended) * layerFactor +
      c.moving.showRefMs * showFactor;
    const movingMs = movingRefMs * perMs + callMs + stallMs + systemStallMs + 2 * cacheMs;
    out.memoryRatio[i] = memoryRatio;
    out.fitSec[i] = isComputingFirst
      ? Math.min(endlessSec, c.previewMemoryMib / (c.previewFrameMib * c.targetFps))
      : endlessSec;
    out.standMs[i] = Math.max(1000 / shownFps, swapStandMs(over), t.systemDrive * fullDriveStandMs);
    if (extent === 'playing') continue;

    const jumpCores = jumpCoresOf(c.coreCount, programCores, buildCores);
    const softwareRate = decodeFactor / (speed * Math.min(gain, jumpCores));
    const hardwareRate = isHardware ? hardwareSlowness : -1;
    const driveStall =
      1 + t.systemDrive * (fullDriveWait.least + fullDriveWait.span * (systemDriveSeverities[i] as number));
    const jump = slowness * driveStall;
    const slowFetchMs = fetchMs(c.slowScrub, softwareRate, hardwareRate, driveSlowness);
    const scrubMs = (handMs + fetchMs(c.scrub, softwareRate, hardwareRate, driveSlowness) + movingMs) * jump;
    const scrubRefMs = c.scrub.softwareOnlyRefMs + (isHardware ? 0 : c.scrub.hardwareAbleRefMs);
    out.scrubMs[i] = scrubMs;
    out.scrubReadRatio[i] = (c.scrub.latencyMs + c.scrub.readMs * driveSlowness) / scrubMs;
    out.scrubCoreRatio[i] = (scrubRefMs * softwareRate + (isGraphics ? callMs : movingRefMs * perMs)) / scrubMs;
    out.scrubSlowMs[i] = (handMs + slowFetchMs + movingMs) * jump;
    const aheadMs = 1 - waitRatio < readyAhead.leastOverlap ? 0 : (readyAhead.frames * 1000) / c.timelineFps;
    out.cutMs[i] =
      Math.max(0, c.cutOpenMs + fetchMs(c.cut, softwareRate, hardwareRate, driveSlowness) - aheadMs) * jump;
    if (extent === 'jumping') continue;

    out.lookMs[i] =
      (handMs +
        fetchMs(c.look, softwareRate, hardwareRate, driveSlowness) +
        (c.draw.scaleRefMs + showRefMs) * perMs +
        stallMs +
        2 * cacheMs) *
      jump;
    const perClipMs =
      fetchMs(c.thumbnail, softwareRate, hardwareRate, driveSlowness) +
      (c.thumbnail.latencyMs > 0 ? opening.pictureRefMs / speed / Math.min(1, freeCores) : 0) +
      opening.indexMs +
      opening.latencies * c.look.latencyMs +
      opening.cacheLatencies * c.cacheLatencyMs +
      2.5 * cacheMs;
    out.openingSec[i] =
      ((opening.startRefMs / Math.min(1, speed) +
        c.clipCount * perClipMs +
        (c.pieceCount * opening.pieceRefMs) / speed) *
        jump *
        (openingFactors[i] as number)) /
      1000;

    const mostFetchedFps = Math.min(
      c.targetFps,
      1000 / Math.max(slowReadMs, slowDecodeMs / gain + hardwareMs * frameFactor),
    );
    const fetchedFps = shownFps + c.skippedRatio * (1 - waitRatio) * Math.max(0, mostFetchedFps - shownFps);
    const workedCores = ((decodeCoreMs * fetchedFps + drawCoreMs * shownFps) * frameFactor) / 1000;
    out.coreUseRatio[i] = Math.min(1, (workedCores + busyCores) / c.coreCount);
    out.editorCores[i] = Math.min(c.coreCount, workedCores + buildCores);
    out.driveUseRatio[i] = Math.min(1, (readMs * fetchedFps * frameFactor) / 1000);
    out.graphicsUseRatio[i] = isGraphics ? Math.min(1, (drawnMs * shownFps * frameFactor) / 1000) : 0;
    out.graphicsMemoryRatio[i] = takenGraphics + (isGraphics ? graphicsNeededMib / c.graphicsMemoryMib : 0);
    const isPlainHardware = c.plain.hardwareMs > 0;
    // The editor is closed meanwhile, and builds nothing.
    const plainGain =
      speed * Math.min(freeCoresOf(c.coreCount, programCores, 0), 1 + threadGainRatio * (c.coreCount - 1));
    out.plainRatio[i] =
      1000 /
      c.timelineFps /
      Math.max(
        1e-3,
        fetchMs(c.plain, decodeFactor / plainGain, isPlainHardware ? hardwareSlowness : -1, driveSlowness) -
          c.plain.latencyMs,
      );
  }
}

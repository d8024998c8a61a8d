import type { Coefficients } from './compile';
import type { ParameterSamples } from './types';

/** What `evaluate` fills: one value a sample. */
export interface Outcomes {
  readonly shownFps: Float64Array;
  readonly scrubMs: Float64Array;
}

/** Room for the outcomes of `count` samples. */
export const createOutcomes = (count: number): Outcomes => ({
  shownFps: new Float64Array(count),
  scrubMs: new Float64Array(count),
});

/** How much a second and further decoding thread adds. Assumption: frame threading loses about a seventh to waiting. */
export const threadGainRatio = 0.85;
/** However busy the machine, a part of a core is left to the editor: systems share. Assumption. */
export const leastFreeCores = 0.35;
/** How an interval grows with the memory wanted beyond what there is. Assumption. */
export const pagingGain = 3;
/** From letting go of the playhead to the decoder's first work. Assumption. */
export const scrubFixedMs = 20;

/**
 * Shown rate and scrub time of every sample. Runs over typed arrays without allocating: O(samples), whatever
 * the number of clips. `estimate` is the same for one sample, spelled out; a property test holds them equal.
 */
export function evaluate(c: Coefficients, samples: ParameterSamples, out: Outcomes): void {
  const drawRefMs = c.scaleRefMs + c.effectsRefMs + c.layersRefMs + c.showRefMs;
  for (let i = 0; i < out.shownFps.length; i++) {
    const speed = c.coreSpeedRatio * (samples.coreSpeedFactor[i] as number);
    const decodeFactor = samples.decodeFactor[i] as number;
    const freeCores = Math.max(leastFreeCores, c.coreCount - c.busyCores * (samples.busyFactor[i] as number));
    const threads = Math.max(1, Math.min(samples.decodeThreadCount[i] as number, freeCores));
    const threadGain = 1 + threadGainRatio * (threads - 1);
    const isHardware = (samples.hardwareDecodeRank[i] as number) < c.hardwareDecodeProbability;
    const isGraphics = (samples.graphicsDrawingRank[i] as number) < c.graphicsDrawingProbability;

    const softwareRefMs = c.softwareOnlyRefMs + (isHardware ? 0 : c.hardwareAbleRefMs);
    const decodeCoreMs = (softwareRefMs * decodeFactor + (isHardware ? c.hardwareCopyRefMs : 0)) / speed;
    const decodeMs = decodeCoreMs / threadGain + (isHardware ? c.hardwareMs : 0);

    const drawDivisor = isGraphics ? Math.max(speed, c.graphicsRatio * (samples.graphicsFactor[i] as number)) : speed;
    const drawMs = (drawRefMs * (samples.drawFactor[i] as number)) / drawDivisor;

    const driveFactor = samples.driveFactor[i] as number;
    const readMs = c.readMs / driveFactor;

    const longest = Math.max(readMs, decodeMs, drawMs);
    const others = readMs + decodeMs + drawMs - longest;
    const lined = longest + (1 - (samples.overlapRatio[i] as number)) * others;
    const coreMs = decodeCoreMs + (isGraphics ? 0 : drawMs);
    const wantedRatio = (c.memoryNeededMib * (samples.memoryFactor[i] as number)) / c.memoryMib;
    const paging = 1 + pagingGain * Math.max(0, wantedRatio - 1);
    const intervalMs = Math.max(lined, coreMs / freeCores) * paging;
    out.shownFps[i] = Math.min(c.targetFps, 1000 / intervalMs);

    const scrubRefMs = c.scrubSoftwareOnlyRefMs + (isHardware ? 0 : c.scrubHardwareAbleRefMs);
    const scrubDecodeMs =
      (scrubRefMs * decodeFactor) / speed / Math.min(threadGain, freeCores) + (isHardware ? c.scrubHardwareMs : 0);
    out.scrubMs[i] = (scrubFixedMs + c.driveLatencyMs + c.scrubReadMs / driveFactor + scrubDecodeMs + drawMs) * paging;
  }
}

import { mixClips } from './clip-mix';
import { compile } from './compile';
import { threadGainOf } from './conditions';
import { isGraphicsDrawing, isHardwareDecoding } from './state-facts';
import type { SetupState } from './types';

/** How an export may be made: carefully or quickly by the processor, by the encoder of the graphics, or as a draft of half the height. */
export const exportWays = ['careful', 'quick', 'on-graphics', 'draft'] as const;
export type ExportWay = (typeof exportWays)[number];

/**
 * Encoding on the reference core, milliseconds a megapixel and frame. Measured 2026-12-01 with a usual encoder of H.264 at 1080 lines: 66
 * to 310 carefully and 27 to 93 quickly, by how much grain there is; here is the middle of each.
 */
const encodeMsPerMegapixel = { careful: 140, quick: 50 } as const;
/** How many times more or less it may be, by what is filmed and how the encoder is set. */
const openRatio = 2.1;
/** Megapixels a second that the encoder of the graphics takes, by how fast they draw. Assumption. */
const graphicsEncoderRate = { shared: 260, separate: 550 } as const;
const separateRatio = 8;

/** Minutes that an export takes for one minute of film. */
export interface ExportTime {
  readonly way: ExportWay;
  readonly low: number;
  readonly mid: number;
  readonly high: number;
}

/**
 * How long an export takes: each picture is decoded from the original, drawn with all effects at the film's full size, and encoded, on
 * all cores that are free; the slowest of cores and graphics sets the pace. What a new card assumes (four modest cores, 25 pictures a
 * second at 1080 lines) takes 1.1 minutes a minute, quickly encoded. Ways that the machine has no part for are left out.
 */
export function exportTimes(state: SetupState): readonly ExportTime[] {
  const { setup } = state;
  const { machine, timeline } = setup;
  // Nothing that makes the preview lighter is left in an export.
  const whole: SetupState = {
    ...state,
    setup: {
      ...setup,
      preview: {
        ...setup.preview,
        qualityRatio: 1,
        heightPx: null,
        areEffectsBypassed: false,
        isBlending: true,
        isPrerendered: false,
      },
    },
  };
  const c = compile(whole, 'usual');
  const { playing: original } = mixClips(state).original;
  const isHardware = isHardwareDecoding(state) === 'yes';
  const isOnGraphics = isGraphicsDrawing(state) === 'yes' && machine.graphicsRatio > 1;
  const busyCores = setup.programs.reduce((sum, program) => sum + program.busyCores, 0);
  const speed = machine.coreSpeedRatio * machine.powerRatio;
  const gain = speed * threadGainOf(machine.coreCount, Math.max(0.35, machine.coreCount - busyCores));
  const layers = timeline.videoLayerCount + timeline.coveredLayerCount;
  const decodeRefMs = layers * (original.softwareOnlyRefMs + (isHardware ? 0 : original.hardwareAbleRefMs));
  const drawRefMs = c.draw.scaleRefMs + c.draw.effectsRefMs + c.draw.layersRefMs;
  const megapixels = (timeline.widthPx * timeline.heightPx) / 1e6;
  const encoderRate =
    machine.graphicsRatio >= separateRatio ? graphicsEncoderRate.separate : graphicsEncoderRate.shared;
  const minutesOf = (encodeRefMs: number, encoderMs: number, pictureRatio: number): number => {
    const drawMs = drawRefMs * pictureRatio;
    const coresMs = (decodeRefMs + encodeRefMs + (isOnGraphics ? 0 : drawMs)) / gain;
    const graphicsMs = encoderMs + (isOnGraphics ? drawMs / machine.graphicsRatio : 0);
    return (timeline.frameRateFps * Math.max(coresMs, graphicsMs, layers * original.readMs)) / 1000;
  };
  const rangeOf = (way: ExportWay, encodeOf: (ratio: number) => number): ExportTime => ({
    way,
    low: encodeOf(1 / openRatio),
    mid: encodeOf(1),
    high: encodeOf(openRatio),
  });
  const { careful, quick } = encodeMsPerMegapixel;
  return [
    rangeOf('careful', (ratio) => minutesOf(careful * megapixels * ratio, 0, 1)),
    rangeOf('quick', (ratio) => minutesOf(quick * megapixels * ratio, 0, 1)),
    ...(machine.decodeMegapixelPerSec > 0
      ? [rangeOf('on-graphics', (ratio) => minutesOf(0, (1000 * megapixels * ratio) / encoderRate, 1))]
      : []),
    rangeOf('draft', (ratio) => minutesOf((quick * megapixels * ratio) / 4, 0, 1 / 4)),
  ];
}

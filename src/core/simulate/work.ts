import type { Rig, RigEffect, RigStream } from './types';

/**
 * What the simulator charges, in milliseconds of its own unit core. It is a second account, fitted on its own:
 * decoding by `pixels · (base + slope · bits-a-pixel^0.7)` to tests/fixtures/decode-cost.csv, each row twice as weighty, and
 * decode-cost-sizes.csv (2026-12-02; median misfit 5 to 24 % by codec, worst 79 %: it does not know how much moves); drawing by
 * rounding tests/fixtures/effect-cost.csv. Nothing here is taken from core/load.
 */
const decodeWork: Readonly<Record<string, { readonly base: number; readonly slope: number }>> = {
  h264: { base: 1.6, slope: 14.5 },
  'h264-deep': { base: 2.7, slope: 17.3 },
  hevc: { base: 2.7, slope: 25.5 },
  'hevc-deep': { base: 4.1, slope: 32.8 },
  vp9: { base: 1.3, slope: 18 },
  mjpeg: { base: 1.8, slope: 2.8 },
  prores: { base: 0, slope: 5.8 },
  dnxhd: { base: 0.7, slope: 3.8 },
  mpeg2video: { base: 2, slope: 4 },
  av1: { base: 6, slope: 16 },
  still: { base: 0, slope: 0 },
};
const otherWork = { base: 2.7, slope: 17.3 };

/** Core milliseconds of an average frame of a stream, decoded in software. */
export function softwareWorkMs(stream: RigStream): number {
  const row = (stream.isDeep ? decodeWork[`${stream.codec}-deep`] : undefined) ?? decodeWork[stream.codec] ?? otherWork;
  const bitsPerPixel = stream.megapixels > 0 ? stream.megabitsPerFrame / stream.megapixels : 0;
  return stream.megapixels * (row.base * stream.chromaRatio + row.slope * bitsPerPixel ** 0.7);
}

/** Milliseconds a megapixel of each effect, as a rough hand would note them. */
const effectWork: Readonly<Record<string, number>> = {
  'simple-colour': 0.25,
  'colour-curves': 13,
  blur: 5.4,
  'box-blur': 11,
  denoise: 5.2,
  sharpen: 14.5,
  zoom: 3.4,
  rotate: 26.5,
  mask: 7,
  keying: 15,
  stabilise: 28,
  retime: 22,
  'layers-3d': 24,
};

/** Times as long as a usual one takes, where an effect works over what lies around each pixel. */
const strengthWork = { slight: 0.55, usual: 1, strong: 2.6 } as const;
const reaching = new Set(['blur', 'box-blur', 'denoise', 'sharpen', 'stabilise', 'layers-3d']);
const effectOf = ({ kind, layerCount, strength }: RigEffect): number =>
  (effectWork[kind] ?? 10) * layerCount * (reaching.has(kind) ? strengthWork[strength] : 1);

const habitWork = {
  'fine-scaling': { scale: 1.65, show: 1 },
  'exact-colour': { scale: 1, show: 1.7 },
  'drawings-on-picture': { scale: 1, show: 1.3 },
  'second-output': { scale: 1, show: 2.1 },
  'dense-window': { scale: 1, show: 1.5 },
} as const;

/** Whether the decoder of the graphics is at work on a stream. */
export const isHardwareDecoded = (rig: Rig, stream: RigStream): boolean =>
  rig.isDecodingOnGraphics && stream.canHardware && rig.graphics.decodeMegapixelPerSec > 0;

/** How many times faster than one thread the threads together decode a run of frames. */
export const threadGain = (rig: Rig): number => 1 + 0.75 * (Math.max(1, Math.min(rig.threadCount, 16)) - 1);

/** What a picture of a stream takes on a sound rig: reading it, and decoding it. */
export function holdUpsOf(rig: Rig, stream: RigStream): { readonly readMs: number; readonly decodeMs: number } {
  const decodeMs = isHardwareDecoded(rig, stream)
    ? (1000 * stream.megapixels) / rig.graphics.decodeMegapixelPerSec
    : softwareWorkMs(stream) / rig.coreSpeed / threadGain(rig);
  return { readMs: (stream.megabitsPerFrame * 1000) / 8 / stream.drive.megabytePerSec, decodeMs };
}

/** The stream that the preview takes a clip from. */
export const usedStream = (rig: Rig, clip: Rig['clips'][number]): RigStream =>
  clip.copy &&
  rig.faults.areCopiesAttached &&
  rig.faults.areCopiesShown &&
  rig.preview.ratio <= rig.faults.copiesUpToRatio
    ? clip.copy
    : clip.original;

/** Millions of pixels of the preview picture. */
export function previewMegapixels(rig: Rig): number {
  const { timeline, preview } = rig;
  const byRatio = timeline.heightPx * preview.ratio;
  const heightPx = Math.min(byRatio, preview.heightPx ?? byRatio);
  return (timeline.widthPx * timeline.heightPx * (heightPx / timeline.heightPx) ** 2) / 1e6;
}

/** Pictures that are taken from files at once: the layers, those under other pictures, and a panel's. */
export const pictureCount = (rig: Rig): number =>
  rig.timeline.layerCount + rig.timeline.coveredLayerCount + (rig.faults.isPanelOnOriginals ? 1 : 0);

/** Milliseconds of bringing a picture to another size; nothing where it has that size. */
function resizeMs(megapixels: number, shown: number): number {
  const ratio = megapixels / shown;
  return Math.abs(ratio - 1) < 0.01 ? 0 : 1.25 * Math.max(megapixels, shown) + 1.5 * Math.min(megapixels, shown);
}

/**
 * Milliseconds of drawing a frame on a unit core: effects on pictures of `stream`'s size where the design computes them
 * there, and bringing all that is taken from files (`sources`, in megapixels) to the preview's size.
 */
export function drawWorkMs(
  rig: Rig,
  stream: RigStream,
  sources: readonly number[] = Array.from({ length: pictureCount(rig) }, () => stream.megapixels),
): number {
  const { timeline, preview, design } = rig;
  const shown = previewMegapixels(rig);
  const habits = preview.habits.map((id) => habitWork[id]);
  const scaleHabit = habits.reduce((ratio, habit) => ratio * habit.scale, 1);
  const showHabit = habits.reduce((ratio, habit) => ratio * habit.show, 1);
  if (preview.isRendered) return 1.5 * shown + (1.2 + 1.4 * shown) * showHabit;
  const effectMegapixels = design === 'clip-size' ? stream.megapixels : shown;
  const effectMs = preview.areEffectsOn ? timeline.effects.reduce((sum, effect) => sum + effectOf(effect), 0) : 0;
  const pictures = timeline.layerCount + timeline.coveredLayerCount;
  const idle = preview.isIdleBlended ? 1 + Math.max(0, timeline.trackCount - pictures) : 0;
  const blended = preview.isBlending ? pictures - 1 + timeline.titleCount + idle : 0;
  const scaleMs = sources.reduce((sum, megapixels) => sum + resizeMs(megapixels, shown), 0) * scaleHabit;
  const layerMs = blended * (3 + 17 * shown);
  const showMs = (1.2 + 1.4 * shown) * showHabit;
  return (scaleMs + effectMs * effectMegapixels + layerMs + showMs) * preview.depthRatio;
}

/** Pieces between cuts on the whole timeline. */
export const piecesOn = ({ timeline }: Rig): number => timeline.lengthMin * timeline.cutsPerMinute;

/** Memory that everything together wants, in MiB. */
export function memoryWantedMib(rig: Rig): number {
  const openFrames = rig.clips
    .slice(0, 10)
    .reduce((sum, clip) => sum + usedStream(rig, clip).megapixels * (clip.original.isDeep ? 3 : 1.5), 0);
  const own = 1300 + 9 * openFrames + 1.4 * (rig.clips.length + rig.unusedClipCount) + 0.13 * piecesOn(rig);
  const programs = rig.programs.reduce((sum, program) => sum + program.memoryMib, 0);
  const taken =
    rig.editorGivenMib === null ? own : Math.max(Math.min(own, rig.editorGivenMib), rig.editorGivenMib * 0.93);
  const preview = rig.design === 'computing-first' ? rig.previewMemoryMib : 0;
  return 1700 + taken * rig.quirks.memory + preview + programs + rig.faults.unlistedMib + rig.faults.leakMib;
}

/** How far the memory wanted is over what there is, as a share; 0 where it suffices. */
export const memoryOver = (rig: Rig): number => Math.max(0, memoryWantedMib(rig) / rig.memoryMib - 1);

/** How short the editor is kept: its own need over what it may take, less one; 0 where it has enough. */
export function editorShortage(rig: Rig): number {
  if (rig.editorGivenMib === null) return 0;
  const own = 1300 + 1.4 * (rig.clips.length + rig.unusedClipCount);
  return Math.max(0, (own * rig.quirks.memory) / rig.editorGivenMib - 1);
}

/** How many times longer everything takes while the system swaps, and while the editor is kept short. */
export const memorySlowness = (rig: Rig): number =>
  (1 + 2.5 * Math.min(3, memoryOver(rig))) * (1 + 0.7 * Math.min(3, editorShortage(rig)));

/** Graphics memory that drawing there wants, in MiB. */
export function graphicsWantedMib(rig: Rig): number {
  const frameMib = previewMegapixels(rig) * 4 * rig.preview.depthRatio;
  const pictures = pictureCount(rig) + rig.timeline.titleCount + rig.timeline.effects.length;
  return 180 + frameMib * 7 * pictures;
}

/** Graphics memory in use, over what there is: above 1 it does not fit. */
export const graphicsMemoryUse = (rig: Rig): number =>
  (rig.faults.graphicsTakenMib + (rig.isDrawingOnGraphics ? graphicsWantedMib(rig) : 0)) / rig.graphics.memoryMib;

/** Whether the graphics draw the preview. */
export const isDrawnOnGraphics = (rig: Rig): boolean => rig.isDrawingOnGraphics && rig.graphics.speed > 1;

/** How many times faster than a unit core this rig draws, its troubles included. */
export function drawSpeed(rig: Rig, coreSpeed: number): number {
  if (!isDrawnOnGraphics(rig)) return coreSpeed;
  const speed = rig.faults.isOnSlowGraphics ? rig.graphics.slowSpeed : rig.graphics.speed;
  const have = Math.max(32, rig.graphics.memoryMib - rig.faults.graphicsTakenMib);
  const short = Math.max(0, graphicsWantedMib(rig) / have - 1);
  return Math.max(0.15, (speed * rig.quirks.graphics) / rig.faults.graphicsSlowdown / (1 + 4 * Math.min(short, 4)));
}

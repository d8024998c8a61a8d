import type { SetupPreview, SetupTimeline } from './types';

/** Height at which the preview is drawn: the timeline's times the quality, and no more than a preview height asks for. */
export function previewHeightPx(timeline: SetupTimeline, preview: SetupPreview): number {
  const byQuality = timeline.heightPx * preview.qualityRatio;
  return Math.max(1, Math.min(byQuality, preview.heightPx ?? byQuality, timeline.heightPx));
}

/** Millions of pixels of the preview picture, in the timeline's shape. */
export function previewMegapixels(timeline: SetupTimeline, preview: SetupPreview): number {
  const ratio = previewHeightPx(timeline, preview) / timeline.heightPx;
  return (timeline.widthPx * timeline.heightPx * ratio * ratio) / 1e6;
}

/** Moving pictures that are drawn at once. */
export const drawnLayerCount = ({ videoLayerCount, coveredLayerCount }: SetupTimeline): number =>
  videoLayerCount + coveredLayerCount;

/**
 * Blends that an editor makes which blends even the lowest picture with nothing, and every empty track: 1 for a single clip,
 * 4 for one with three empty tracks over it.
 */
export const idleBlendCount = (timeline: SetupTimeline): number =>
  1 + Math.max(0, (timeline.trackCount ?? 0) - drawnLayerCount(timeline));

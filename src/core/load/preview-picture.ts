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

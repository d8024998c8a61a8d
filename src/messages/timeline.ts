import type { CardTimeline, FootageShape, JobCard, StatedTimelineField } from '@/core/card';
import { rationalToNumber } from '@/core/numbers/rational';
import { formatFps } from './format';

/** What each field of the timeline is called. */
export const timelineFieldNames: Readonly<Record<StatedTimelineField, string>> = {
  widthPx: 'Width',
  heightPx: 'Height',
  frameRate: 'Frame rate',
  videoLayerCount: 'Moving pictures at once',
  titleCount: 'Titles, stills, graphics',
  coveredLayerCount: 'Hidden behind others',
  unusedClipCount: 'Imported and unused',
  effects: 'Effects there',
};

/** Where size and rate were taken from, as long as nobody stated all of them. */
export function whereTaken(shape: FootageShape, stated: CardTimeline['stated']): string {
  const following = (['widthPx', 'heightPx', 'frameRate'] as const).filter((field) => !stated.includes(field));
  if (following.length === 0) return '';
  const names = following.map((field) => timelineFieldNames[field].toLowerCase()).join(', ');
  const rate = formatFps(rationalToNumber(shape.frameRate));
  return `Taken for ${names}: what most of the footage has, ${shape.widthPx} × ${shape.heightPx} at ${rate}, such as “${shape.fileName}”.`;
}

/** A size and a rate beside others: "1920 × 1080", "1080 high", and "25 a second". */
export interface ShapeText {
  readonly name: string;
  readonly size: string;
  readonly rate: string;
}

/**
 * The project beside most of the clips and the delivery, where they differ: what the preview draws beyond them is drawn for nobody.
 * None where they agree, or where nothing is known to hold the project against.
 */
export function listShapes({ timeline, delivery }: JobCard, clips: FootageShape | null): readonly ShapeText[] {
  const rateText = (fps: number | null): string => (fps === null ? '' : `${formatFps(fps)} a second`);
  const fps = rationalToNumber(timeline.frameRate);
  const clipFps = clips && rationalToNumber(clips.frameRate);
  const heights = [clips?.heightPx, delivery.heightPx].filter((height) => height !== undefined && height !== null);
  const rates = [clipFps, delivery.frameRateFps].filter((rate) => rate !== null);
  const isAlike =
    heights.every((height) => height === timeline.heightPx) && rates.every((rate) => Math.abs(rate - fps) < 0.1);
  if (isAlike) return [];
  return [
    { name: 'Project', size: `${timeline.widthPx} × ${timeline.heightPx}`, rate: rateText(fps) },
    ...(clips ? [{ name: 'Most clips', size: `${clips.widthPx} × ${clips.heightPx}`, rate: rateText(clipFps) }] : []),
    ...(delivery.heightPx !== null || delivery.frameRateFps !== null
      ? [
          {
            name: 'Delivered',
            size: delivery.heightPx === null ? 'size not said' : `${delivery.heightPx} high`,
            rate: rateText(delivery.frameRateFps),
          },
        ]
      : []),
  ];
}

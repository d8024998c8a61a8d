import type { CardTimeline, FootageShape, StatedTimelineField } from '@/core/card';
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

import { nominalRateOf } from '../footage/nominal-rate';
import type { VideoFacts } from '../footage/types';
import { type Rational, rationalToNumber } from '../numbers/rational';
import { plausibleFps } from './plausible-fps';
import type { CardClip, CardTimeline } from './types';

/** The shape that most of the footage has, and a clip that has it. */
export interface FootageShape {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly frameRate: Rational;
  /** The longest clip of this shape. */
  readonly fileName: string;
}

/** Smaller pictures than these are no film's. */
const leastPx = 16;

/** To the thousandth: 29.970 and 30.000 are different rates, two files' 29.97002 and 29.97003 are not. */
const shapeKeyOf = (facts: VideoFacts): string =>
  `${facts.widthPx}x${facts.heightPx}@${Math.round(plausibleFps(rationalToNumber(nominalRateOf(facts))) * 1000)}`;

/** The shape of most of the moving footage, by duration; null without any. Of equals the first. O(clips). */
export function mainShape(clips: readonly CardClip[]): FootageShape | null {
  const groups = new Map<string, { totalMs: number; longest: VideoFacts }>();
  for (const { facts } of clips) {
    if (facts.kind !== 'video' || facts.widthPx < leastPx || facts.heightPx < leastPx) continue;
    const key = shapeKeyOf(facts);
    const group = groups.get(key) ?? { totalMs: 0, longest: facts };
    group.totalMs += Math.max(1, facts.durationMs);
    if (facts.durationMs > group.longest.durationMs) group.longest = facts;
    groups.set(key, group);
  }
  const [first, ...others] = groups.values();
  if (!first) return null;
  const { longest } = others.reduce((most, group) => (group.totalMs > most.totalMs ? group : most), first);
  const { widthPx, heightPx, fileName } = longest;
  return { widthPx, heightPx, frameRate: nominalRateOf(longest), fileName };
}

/** The timeline with size and rate of most of the footage, where nobody stated them. */
export function followFootage(timeline: CardTimeline, clips: readonly CardClip[]): CardTimeline {
  const shape = mainShape(clips);
  if (!shape) return timeline;
  const isStated = (field: CardTimeline['stated'][number]): boolean => timeline.stated.includes(field);
  return {
    ...timeline,
    widthPx: isStated('widthPx') ? timeline.widthPx : Math.min(32_768, shape.widthPx),
    heightPx: isStated('heightPx') ? timeline.heightPx : Math.min(32_768, shape.heightPx),
    frameRate: isStated('frameRate') ? timeline.frameRate : shape.frameRate,
  };
}

import { nominalRateOf } from '../footage/nominal-rate';
import { rationalToNumber } from '../numbers/rational';
import { plausibleFps } from './plausible-fps';
import type { CardClip, JobCard } from './types';

/** The rate that most of the moving footage has, by duration, frames a second; null without any. */
export function mainClipFps(clips: readonly CardClip[]): number | null {
  const durationByFps = new Map<number, number>();
  for (const { facts } of clips) {
    if (facts.kind !== 'video') continue;
    // To the thousandth: 29.970 and 30.000 are different rates, two files' 29.97002 and 29.97003 are not.
    const fps = Math.round(plausibleFps(rationalToNumber(nominalRateOf(facts))) * 1000) / 1000;
    durationByFps.set(fps, (durationByFps.get(fps) ?? 0) + Math.max(1, facts.durationMs));
  }
  const byDuration = [...durationByFps].sort((a, b) => b[1] - a[1]);
  return byDuration[0]?.[0] ?? null;
}

/** The rate to reach: the lower of timeline rate and the main clips' rate, or what the person lowered it to. */
export function targetFpsOf(card: JobCard): number {
  const timelineFps = rationalToNumber(card.timeline.frameRate);
  const usual = Math.min(timelineFps, mainClipFps(card.clips) ?? timelineFps);
  return card.targetFps === null ? usual : Math.min(usual, card.targetFps);
}

import type { Outcomes } from '../load/evaluate';
import type { SetupState } from '../load/types';
import {
  usableFreezeMs,
  usableLookMs,
  usableOpeningSec,
  usableRateRatio,
  usableScrubMs,
  usableScrubSlowMs,
} from '../load/usable';

/** Respects in which a preview can be complained of; only those that are count as a gap. */
export const respects = ['playing', 'scrubbing', 'later', 'opening', 'looking', 'cuts', 'waiting'] as const;
export type Respect = (typeof respects)[number];
export type Complaint = readonly Respect[];

/** Whether what playing shows is enough to tell whether such a complaint is met. */
export const isAboutPlayingOnly = (complaint: Complaint): boolean =>
  complaint.every((respect) => respect === 'playing' || respect === 'later' || respect === 'waiting');

/** A shown rate this far over the memory limit freezes now and then, whatever its average. */
const freezingMemoryRatio = 1.04;

const over = (value: number, limit: number): number => (value > limit ? Math.log(value / limit) : 0);

/** How far one sample is from usable in one respect, in logarithms of rate or time; 0 where it is usable. */
export function gapIn(respect: Respect, state: SetupState, out: Outcomes, i: number): number {
  const { targetFps, editor } = state.setup;
  const wantedFps = usableRateRatio * targetFps;
  switch (respect) {
    case 'playing':
      return over(wantedFps, out.shownFps[i] as number) + 0.3 * over(out.memoryRatio[i] as number, freezingMemoryRatio);
    case 'later':
      return over(wantedFps, out.laterFps[i] as number);
    case 'scrubbing':
      return Math.max(
        over(out.scrubMs[i] as number, usableScrubMs),
        over(out.scrubSlowMs[i] as number, usableScrubSlowMs),
      );
    case 'opening':
      return over(out.openingSec[i] as number, usableOpeningSec);
    case 'looking':
      return over(out.lookMs[i] as number, usableLookMs);
    case 'cuts':
      return over(out.cutMs[i] as number, usableFreezeMs);
    case 'waiting':
      return over(editor.spanSec, out.fitSec[i] as number);
    default:
      return respect satisfies never;
  }
}

/** The gap over all that is complained of. */
export function gapOf(complaint: Complaint, state: SetupState, out: Outcomes, i: number): number {
  let sum = 0;
  for (const respect of complaint) sum += gapIn(respect, state, out, i);
  return sum;
}

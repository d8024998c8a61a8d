import type { Rig, RigOutcome } from './types';

/** What a person complains of, as far as it can be told with a stop watch. */
export const benchComplaints = ['playing', 'scrubbing', 'later', 'opening', 'looking', 'cuts', 'waiting'] as const;
export type BenchComplaint = (typeof benchComplaints)[number];

/** Where a complaint ends, by the definition of a usable preview; opening and computing first by agreement. */
export const benchLimits = {
  rateRatio: 0.95,
  freezeMs: 500,
  scrubMs: 250,
  scrubSlowTenthMs: 600,
  openingSec: 40,
  lookMs: 400,
  cutFreezeMs: 500,
  fitSec: 10,
} as const;

const over = (value: number, limit: number): number => Math.max(0, Math.log(Math.max(value, 1e-6) / limit));

/** How far a preview is from usable in one respect, in logarithms; 0 where it is. */
export function gapInRespect(rig: Rig, outcome: RigOutcome, complaint: BenchComplaint): number {
  const wantedFps = benchLimits.rateRatio * rig.targetFps;
  switch (complaint) {
    case 'playing':
      return over(wantedFps / outcome.shownFps, 1) + 0.3 * over(outcome.longestFreezeMs, benchLimits.freezeMs);
    case 'later':
      return over(wantedFps / outcome.laterFps, 1);
    case 'scrubbing':
      return Math.max(
        over(outcome.scrubMs, benchLimits.scrubMs),
        over(outcome.scrubSlowTenthMs, benchLimits.scrubSlowTenthMs),
      );
    case 'opening':
      return over(outcome.openingSec, benchLimits.openingSec);
    case 'looking':
      return over(outcome.lookMs, benchLimits.lookMs);
    case 'cuts':
      return over(outcome.cutFreezeMs, benchLimits.cutFreezeMs);
    case 'waiting':
      return over(benchLimits.fitSec / outcome.fitSec, 1);
    default:
      return complaint satisfies never;
  }
}

/** The gap over all that is complained of. */
export const benchGap = (rig: Rig, outcome: RigOutcome, complaints: readonly BenchComplaint[]): number =>
  complaints.reduce((sum, complaint) => sum + gapInRespect(rig, outcome, complaint), 0);

import type { SetupTimeline } from './types';

/** How often films cut where nobody said. Assumption. */
export const usualCutsPerMinute = 6;

/**
 * Pieces that lie on the whole timeline: its length times its cuts. A two-hour film with twelve cuts a minute has 1,440. None where
 * nobody said how long it is: short films have few, and they weigh nothing.
 */
export const pieceCount = ({ lengthMin, cutsPerMinute }: SetupTimeline): number =>
  lengthMin === null ? 0 : Math.max(1, lengthMin * (cutsPerMinute ?? usualCutsPerMinute));

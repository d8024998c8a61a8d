/** Levels that cure within this of each other cure about as surely. */
export const sameCureMargin = 0.05;
/** Where none cures, a gentler level has to close this share of what the best one does. Assumption. */
const leastGainShare = 0.85;

/** What levels are held against each other by. */
export interface LevelWorth {
  /** How likely the preview is usable with it. */
  readonly cureProbability: number;
  /** What it closes of the gap; 0 where that is not told. */
  readonly gain: number;
}

/** The gentlest of levels that do about as well as the best of them. `levels` stand gentlest first; none gives undefined. */
export function gentlestOf<Level extends LevelWorth>(levels: readonly Level[]): Level | undefined {
  const mostCured = Math.max(...levels.map(({ cureProbability }) => cureProbability));
  const mostGained = Math.max(...levels.map(({ gain }) => gain));
  const isCuring = mostCured >= sameCureMargin;
  return levels.find(({ cureProbability, gain }) =>
    isCuring ? cureProbability >= mostCured - sameCureMargin : gain >= leastGainShare * mostGained,
  );
}

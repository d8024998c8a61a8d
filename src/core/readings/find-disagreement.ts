import { areSameFixes, fixesInForce, type JobCard, type Reading } from '../card';
import { compareReadings } from '../meter';
import { rateOfReading, toCompared } from './compare-card-readings';

/** Two readings of one set-up that differ by more than readings of one thing do. */
export interface Disagreement {
  readonly earlier: Reading;
  readonly later: Reading;
  readonly earlierFps: number;
  readonly laterFps: number;
}

/**
 * The newest two readings of one set-up that cannot both hold, or null: what was played and how is the same as far as it is known,
 * and they differ by more than chance and the way they were taken explain. Those of the set-up in force come first.
 * A reading that the person said holds all the same is not asked about again. O(readings squared).
 */
export function findDisagreement(card: JobCard): Disagreement | null {
  const inForce = fixesInForce(card);
  const isInForce = ({ fixes }: Reading): boolean => areSameFixes(fixes, inForce);
  const rated = card.readings.flatMap((reading) => {
    const fps = rateOfReading(reading);
    return fps === null || fps <= 0 ? [] : [{ reading, fps }];
  });
  const ordered = [
    ...rated.filter(({ reading }) => !isInForce(reading)),
    ...rated.filter(({ reading }) => isInForce(reading)),
  ];
  for (const later of ordered.toReversed()) {
    if (card.heldReadings.includes(later.reading.id)) continue;
    const earlier = rated.findLast(
      ({ reading, fps }) =>
        reading.takenAtMs <= later.reading.takenAtMs &&
        reading.id !== later.reading.id &&
        areSameFixes(reading.fixes, later.reading.fixes) &&
        cannotBothHold({ reading, fps }, later),
    );
    if (earlier)
      return { earlier: earlier.reading, later: later.reading, earlierFps: earlier.fps, laterFps: later.fps };
  }
  return null;
}

interface Rated {
  readonly reading: Reading;
  readonly fps: number;
}

function cannotBothHold(a: Rated, b: Rated): boolean {
  const compared = compareReadings([toCompared(a.reading, a.fps)], [toCompared(b.reading, b.fps)]);
  return compared.ok && compared.value.verdict !== 'no-clear-change';
}

import { type Belief, forecastWith } from '../../belief';
import { fixesInForce, type JobCard } from '../../card';
import { applyFixes, closesPrograms } from '../../fixes';
import type { SetupState } from '../../load';
import { withoutPrograms } from '../../load/change-state';
import type { Range } from '../../numbers/percentile';
import { isProtected, weightOf } from '../../programs';

/** What closing programs would bring, against leaving them all. */
export interface ClosingForecast {
  readonly before: Range;
  readonly after: Range;
  /** Frames a second that each program alone would bring, by its id; only of those that take something worth asking of. */
  readonly gainById: ReadonlyMap<string, number>;
}

/** Programs of which it is asked what each of them alone would bring: the largest that may be closed at all, and none that hardly takes anything. */
const mostAsked = 12;
const leastAsked = 0.02;

/**
 * What closing some programs would bring in frames a second, by all that is believed; with the fixes that are in force, but for that of closing. Programs that nobody listed stay: only
 * those named are closed. O(asked programs × samples).
 */
export function forecastClosing(card: JobCard, belief: Belief, chosenIds: readonly string[]): ClosingForecast {
  const inForce = fixesInForce(card).filter(({ id }) => !closesPrograms(id));
  const shownWithout = (ids: ReadonlySet<string>): Range =>
    forecastWith(belief, (state) => withoutNamed(applyFixes(state, inForce), ids), ['shownFps']).shownFps;
  const before = shownWithout(new Set());
  const asked = card.programs
    .filter((program) => !isProtected(program.role) && weightOf(program) >= leastAsked)
    .toSorted((a, b) => weightOf(b) - weightOf(a))
    .slice(0, mostAsked);
  return {
    before,
    after: shownWithout(new Set(chosenIds)),
    gainById: new Map(asked.map(({ id }) => [id, shownWithout(new Set([id])).mid - before.mid])),
  };
}

const withoutNamed = (state: SetupState, ids: ReadonlySet<string>): SetupState =>
  ids.size === 0 ? state : withoutPrograms(state, ({ id }) => ids.has(id));

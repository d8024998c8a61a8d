import { keptTrials } from './fixes-in-force';
import type { JobCard } from './types';

/** What trials of an amount came to. */
export interface AmountsTried {
  /** The amount that is kept now. */
  readonly kept: number | null;
  /** The least amount above it that was tried and undone. */
  readonly undone: number | null;
}

/** The amounts of a fix that were tried, so that nobody has to write them down: how far up it was good. */
export function amountsTried(card: JobCard, fixId: string): AmountsTried {
  const levelOf = ({ fix }: JobCard['trials'][number]): number | null =>
    fix.id === fixId && typeof fix.level === 'number' ? fix.level : null;
  const kept =
    keptTrials(card)
      .map(levelOf)
      .findLast((level) => level !== null) ?? null;
  const undone = card.trials
    .filter(({ direction, status }) => direction === 'make' && status === 'undone')
    .flatMap((trial) => levelOf(trial) ?? [])
    .filter((level) => level > (kept ?? 0));
  return { kept, undone: undone.length > 0 ? Math.min(...undone) : null };
}

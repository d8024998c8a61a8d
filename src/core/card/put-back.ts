import { findFixFacts, type PutBackTime } from '../fixes/fix-facts';
import type { JobCard, Trial } from './types';

/** A kept change that must be undone before export or at the end of the day. */
export interface PutBackLine {
  readonly trial: Trial;
  readonly when: PutBackTime;
  readonly isDone: boolean;
}

/** The put-back list: one line for the newest kept trial of each fix that asks for it. */
export function listPutBack(card: JobCard): readonly PutBackLine[] {
  const kept = card.trials.filter((trial) => trial.status === 'kept');
  const newest = kept.filter((trial, i) => !kept.slice(i + 1).some((later) => later.fix.id === trial.fix.id));
  return newest.flatMap((trial) => {
    const when = findFixFacts(trial.fix.id)?.putBack;
    return when ? [{ trial, when, isDone: card.putBackDone.includes(trial.id) }] : [];
  });
}

/** Whether nothing stands in the way of an export: every line for it is done and no trial is under way. */
export const isReadyToExport = (card: JobCard): boolean =>
  card.trials.every((trial) => trial.status !== 'open') &&
  listPutBack(card).every((line) => line.when !== 'export' || line.isDone);

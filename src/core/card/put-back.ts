import { bringsCopies, findFixFacts, type PutBackTime, previewFixIds } from '../fixes/fix-facts';
import { fixesOfSet, keptTrials, openTrial, workingSetInUse } from './fixes-in-force';
import type { FixUse, JobCard, Trial } from './types';

/** A change that must be undone before export or at the end of the day. */
export interface PutBackLine {
  /** What it is ticked by. */
  readonly key: string;
  readonly fix: FixUse;
  /** The trial in which it was kept; null where only the working set in use asks for it. */
  readonly trial: Trial | null;
  readonly when: PutBackTime;
  readonly isDone: boolean;
  /** Nothing has to be put back: the editor exports apart from its preview, and a look is enough. */
  readonly isOnlyALook: boolean;
}

/** Fixes that change the size of the preview's picture and nothing else. */
const previewOnlyIds: readonly string[] = Object.values(previewFixIds);

/** The put-back list: one line for each fix that is in force, or was kept, and asks for it. */
export function listPutBack(card: JobCard): readonly PutBackLine[] {
  const trials = keptTrials(card);
  return fixesOfSet(card, workingSetInUse(card)).flatMap((fix) => {
    const when = findFixFacts(fix.id)?.putBack;
    if (!when) return [];
    const trial = trials.find((kept) => kept.fix.id === fix.id) ?? null;
    const key = trial?.id ?? `set ${fix.id}`;
    const isDone = trial ? card.putBackDone.includes(key) : card.exportCheck.ticked.includes(key);
    const isOnlyALook = previewOnlyIds.includes(fix.id) && card.editorProfile.exportFollowsPreview === 'no';
    return [{ key, fix, trial, when, isDone, isOnlyALook }];
  });
}

/** Whether small copies were ever brought into the project, so that something may still point at them. */
export const mayPointAtCopies = (card: JobCard): boolean =>
  !['none', 'unknown'].includes(card.editor.proxies) ||
  card.trials.some(({ fix, status }) => bringsCopies(fix.id) && status !== 'abandoned');

/**
 * Whether nothing stands in the way of an export: every line for it is done, no trial is under way, and nothing points
 * at small copies any more.
 */
export const isReadyToExport = (card: JobCard): boolean =>
  openTrial(card) === null &&
  listPutBack(card).every((line) => line.when !== 'export' || line.isDone || line.isOnlyALook) &&
  (!mayPointAtCopies(card) || card.exportCheck.pointsAtCopies === 'no');

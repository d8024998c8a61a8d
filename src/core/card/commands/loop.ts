import { fail, succeed } from '../../result';
import { openExportCheck } from '../defaults';
import { mostWorkingSets } from '../schema';
import type { EditorProfile, ExportCheckState, FixUse, JobCard, WorkingSet } from '../types';
import type { CommandHandler } from './types';

const withProfile = (card: JobCard, patch: Partial<EditorProfile>): JobCard => ({
  ...card,
  editorProfile: { ...card.editorProfile, ...patch },
});

/** What was learned of one editor says nothing of another: it goes where the name of a named one changes. */
function ofEditor({ editorProfile }: JobCard, changed: JobCard): JobCard {
  const isAnother = editorProfile.name !== '' && changed.editorProfile.name !== editorProfile.name;
  return isAnother ? { ...changed, lessons: changed.lessons.filter(({ of }) => !of.includes('editor')) } : changed;
}

/** States what the person's editor can do; each part is its own. */
export const setEditorProfile: CommandHandler<{ readonly patch: Partial<Omit<EditorProfile, 'lacks' | 'notes'>> }> = (
  card,
  { patch },
) => succeed(ofEditor(card, withProfile(card, patch)));

/** Takes over what another card knows of the editor, or starts afresh. */
export const replaceEditorProfile: CommandHandler<{ readonly profile: EditorProfile }> = (card, { profile }) =>
  succeed(ofEditor(card, withProfile(card, profile)));

/** Says that the editor has no such setting, or that it has after all; what it lacks is not offered. */
export const setEditorLacks: CommandHandler<{ readonly fixId: string; readonly isLacking: boolean }> = (
  card,
  { fixId, isLacking },
) => {
  const others = card.editorProfile.lacks.filter((id) => id !== fixId);
  return succeed(withProfile(card, { lacks: isLacking ? [...others, fixId] : others }));
};

/** Keeps where the person found a setting; an empty note is taken away. */
export const noteFix: CommandHandler<{ readonly fixId: string; readonly text: string }> = (card, { fixId, text }) => {
  const others = card.editorProfile.notes.filter((note) => note.fixId !== fixId);
  const trimmed = text.trim();
  return succeed(withProfile(card, { notes: trimmed === '' ? others : [...others, { fixId, text: trimmed }] }));
};

/** Chooses the fixes to try, in order; an empty list drops the plan. */
export const choosePlan: CommandHandler<{ readonly fixes: readonly FixUse[] }> = (card, { fixes }) =>
  succeed({ ...card, chosenPlan: fixes });

/** Adds a working set, or changes the one of the same id. */
export const saveWorkingSet: CommandHandler<{ readonly set: WorkingSet }> = (card, { set }) => {
  if (set.name.trim() === '') return fail({ code: 'title-empty' });
  const at = card.workingSets.findIndex(({ id }) => id === set.id);
  if (at < 0 && card.workingSets.length >= mostWorkingSets)
    return fail({ code: 'too-many-working-sets', most: mostWorkingSets });
  const named = { ...set, name: set.name.trim() };
  return succeed({
    ...card,
    workingSets: at < 0 ? [...card.workingSets, named] : card.workingSets.with(at, named),
  });
};

/** Deletes a working set; the one in use cannot be deleted. */
export const removeWorkingSet: CommandHandler<{ readonly id: string }> = (card, { id }) => {
  const sets = card.workingSets.filter((set) => set.id !== id);
  if (sets.length === card.workingSets.length) return fail({ code: 'item-missing', item: 'working-set', id });
  if (card.workingSetId === id) return fail({ code: 'working-set-in-use' });
  return succeed({ ...card, workingSets: sets });
};

/** Switches to a working set, or with null back to the fixes as they were kept; not during a trial. */
export const useWorkingSet: CommandHandler<{ readonly id: string | null }> = (card, { id }) => {
  const open = card.trials.find(({ status }) => status === 'open');
  if (open) return fail({ code: 'trial-already-open', fix: open.fix });
  if (id !== null && !card.workingSets.some((set) => set.id === id))
    return fail({ code: 'item-missing', item: 'working-set', id });
  return succeed({ ...card, workingSetId: id });
};

/** Answers whether anything on the timeline still points at small copies. */
export const answerPointsAtCopies: CommandHandler<{ readonly answer: ExportCheckState['pointsAtCopies'] }> = (
  card,
  { answer },
) => succeed({ ...card, exportCheck: { ...card.exportCheck, pointsAtCopies: answer } });

/** Ticks a line of the export check that belongs to no trial, or takes the tick away. */
export const tickExportLine: CommandHandler<{ readonly key: string; readonly isDone: boolean }> = (
  card,
  { key, isDone },
) => {
  const others = card.exportCheck.ticked.filter((ticked) => ticked !== key);
  return succeed({ ...card, exportCheck: { ...card.exportCheck, ticked: isDone ? [...others, key] : others } });
};

/** After an export the lines are open again: what was put back is switched on again to go on editing. */
export const resumeEditing: CommandHandler<Record<never, never>> = (card) =>
  succeed({ ...card, putBackDone: [], exportCheck: openExportCheck });

import { fail, type Result, succeed } from '../../result';
import { recorderAt } from '../card-programs';
import {
  areSameFixes,
  findReading,
  fixesInForce,
  isSameFix,
  keptFixes,
  keptTrials,
  openTrial,
  readingInForce,
} from '../fixes-in-force';
import type { FixUse, JobCard, Reading, Trial } from '../types';
import type { CommandFailure, CommandHandler } from './types';

const withTrial = (card: JobCard, id: string, change: Partial<Trial>): JobCard => ({
  ...card,
  trials: card.trials.map((trial) => (trial.id === id ? { ...trial, ...change } : trial)),
});

/** Figures of which one is enough to make a reading. */
const statingFields = [
  'shownFps',
  'playFeel',
  'scrubFeel',
  'scrubMs',
  'openingSec',
  'waitSec',
  'fitSec',
  'exportMinutes',
  'coreUsePercent',
  'memoryUsePercent',
  'tapped',
] as const satisfies readonly (keyof Reading)[];

/**
 * Adds a reading under the set-up in force, or under another that the person names. During a trial a reading of the
 * set-up in force becomes the trial's second.
 */
export const addReading: CommandHandler<{
  readonly reading: Omit<Reading, 'fixes'>;
  readonly fixes?: readonly FixUse[];
}> = (card, { reading, fixes = fixesInForce(card) }) => {
  if (statingFields.every((field) => reading[field] === null) && reading.isGoodEnough === 'unknown')
    return fail({ code: 'reading-empty' });
  if (card.readings.some(({ id }) => id === reading.id))
    return fail({ code: 'item-exists', item: 'reading', id: reading.id });
  const recorderName = reading.recorderName || (recorderAt(card, reading.takenAtMs) ?? '');
  const added = { ...card, readings: [...card.readings, { ...reading, recorderName, fixes }] };
  const trial = openTrial(card);
  return succeed(
    trial && areSameFixes(fixes, fixesInForce(card))
      ? withTrial(added, trial.id, { afterReadingId: reading.id })
      : added,
  );
};

const inOrder = (_key: string, value: unknown): unknown =>
  typeof value === 'object' && value !== null && !Array.isArray(value)
    ? Object.fromEntries(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1)))
    : value;

/** What a reading says, whatever it is called and in whatever order it was written down. */
const contentOf = ({ id: _, ...said }: Reading): string => JSON.stringify(said, inOrder);

/**
 * Puts readings of a file on the card. One that says what another here says is there already; one whose id another
 * reading has gets an id of its own.
 */
export const importReadings: CommandHandler<{ readonly readings: readonly Reading[] }> = (card, { readings }) => {
  const contents = new Set(card.readings.map(contentOf));
  const ids = new Set(card.readings.map(({ id }) => id));
  const added: Reading[] = [];
  for (const reading of readings) {
    if (contents.has(contentOf(reading))) continue;
    contents.add(contentOf(reading));
    let { id } = reading;
    for (let n = 2; ids.has(id); n++) id = `${reading.id.slice(0, 70)}-${n}`;
    ids.add(id);
    added.push({ ...reading, id });
  }
  return succeed(added.length === 0 ? card : { ...card, readings: [...card.readings, ...added] });
};

/** Puts a deleted reading back where it was. */
export const restoreReading: CommandHandler<{ readonly reading: Reading; readonly index: number }> = (
  card,
  { reading, index },
) => {
  if (card.readings.some(({ id }) => id === reading.id))
    return fail({ code: 'item-exists', item: 'reading', id: reading.id });
  return succeed({ ...card, readings: card.readings.toSpliced(index, 0, reading) });
};

/** Deletes a reading that no trial rests on. */
export const removeReading: CommandHandler<{ readonly id: string }> = (card, { id }) => {
  if (!card.readings.some((reading) => reading.id === id)) return fail({ code: 'item-missing', item: 'reading', id });
  if (card.trials.some((trial) => trial.beforeReadingId === id || trial.afterReadingId === id))
    return fail({ code: 'reading-in-use' });
  return succeed({ ...card, readings: card.readings.filter((reading) => reading.id !== id) });
};

/** Says that a reading holds, although another of the same set-up says something else: playing may differ from time to time. */
export const holdReading: CommandHandler<{ readonly id: string }> = (card, { id }) => {
  if (!card.readings.some((reading) => reading.id === id)) return fail({ code: 'item-missing', item: 'reading', id });
  return succeed(card.heldReadings.includes(id) ? card : { ...card, heldReadings: [...card.heldReadings, id] });
};

/**
 * Begins a trial of a fix, or of giving a kept one back: one at a time, only on a reading under the set-up in force,
 * and not while another working set is switched to.
 */
export const beginTrial: CommandHandler<{
  readonly id: string;
  readonly fix: FixUse;
  readonly direction?: Trial['direction'];
  readonly nowMs: number;
}> = (card, { id, fix, direction = 'make', nowMs }) => {
  if (card.trials.some((trial) => trial.id === id)) return fail({ code: 'item-exists', item: 'trial', id });
  const open = openTrial(card);
  if (open) return fail({ code: 'trial-already-open', fix: open.fix });
  if (card.workingSetId !== null) return fail({ code: 'trial-in-working-set' });
  if (direction === 'give-back' && !keptFixes(card).some((kept) => kept.id === fix.id))
    return fail({ code: 'item-missing', item: 'trial', id: fix.id });
  const before = readingInForce(card);
  if (!before) return fail({ code: 'trial-needs-reading' });
  const trial: Trial = {
    id,
    fix,
    direction,
    status: 'open',
    beforeReadingId: before.id,
    afterReadingId: null,
    startedAtMs: nowMs,
    madeAtMs: null,
    endedAtMs: null,
  };
  return succeed({ ...card, trials: [...card.trials, trial] });
};

const findOpen = (card: JobCard, id: string): Result<Trial, CommandFailure> => {
  const trial = card.trials.find((candidate) => candidate.id === id);
  if (!trial) return fail({ code: 'item-missing', item: 'trial', id });
  return trial.status === 'open' ? succeed(trial) : fail({ code: 'trial-not-open' });
};

/** Says that the change of a trial is made in the editor, so that it can be measured; or that it is not after all. */
export const markTrialMade: CommandHandler<{ readonly id: string; readonly madeAtMs: number | null }> = (
  card,
  { id, madeAtMs },
) => {
  const found = findOpen(card, id);
  return found.ok ? succeed(withTrial(card, id, { madeAtMs })) : found;
};

/**
 * Puts both sides of a setting that was switched to and fro on the card: a reading as it was before, one with the change,
 * and the trial that holds them against each other. A trial of this very fix that is under way takes them; else one is begun.
 */
export const keepWatched: CommandHandler<{
  readonly trialId: string;
  readonly fix: FixUse;
  readonly before: Omit<Reading, 'fixes'>;
  readonly after: Omit<Reading, 'fixes'>;
  readonly nowMs: number;
}> = (card, { trialId, fix, before, after, nowMs }) => {
  const open = openTrial(card);
  if (open && !(isSameFix(open.fix, fix) && open.direction === 'make'))
    return fail({ code: 'trial-already-open', fix: open.fix });
  const fixes = open ? findReading(card, open.beforeReadingId)?.fixes : undefined;
  const withBefore = addReading(card, { reading: before, ...(fixes ? { fixes } : {}) });
  if (!withBefore.ok) return withBefore;
  const begun = open
    ? succeed(withTrial(withBefore.value, open.id, { beforeReadingId: before.id }))
    : beginTrial(withBefore.value, { id: trialId, fix, nowMs });
  if (!begun.ok) return begun;
  const made = withTrial(begun.value, open?.id ?? trialId, { madeAtMs: nowMs });
  return addReading(made, { reading: after });
};

/**
 * Says that the change of a trial had not acted when it was measured: the second reading was of the set-up before it, and
 * the trial waits for the change again.
 */
export const restartTrial: CommandHandler<{ readonly id: string }> = (card, { id }) => {
  const found = findOpen(card, id);
  if (!found.ok) return found;
  const { beforeReadingId, afterReadingId } = found.value;
  const before = card.readings.find((reading) => reading.id === beforeReadingId);
  const readings = card.readings.map((reading) =>
    reading.id === afterReadingId && before ? { ...reading, fixes: before.fixes } : reading,
  );
  return succeed(withTrial({ ...card, readings }, id, { madeAtMs: null, afterReadingId: null }));
};

/**
 * Ends a trial. Keeping and undoing need the second reading, because they say what the fix did; giving a trial up does
 * not. A fix kept once more replaces its earlier level, and a put-back tick for that one goes.
 */
export const endTrial: CommandHandler<{
  readonly id: string;
  readonly outcome: 'kept' | 'undone' | 'abandoned';
  readonly nowMs: number;
}> = (card, { id, outcome, nowMs }) => {
  const found = findOpen(card, id);
  if (!found.ok) return found;
  if (outcome !== 'abandoned' && found.value.afterReadingId === null) return fail({ code: 'trial-needs-reading' });
  const { fix, direction } = found.value;
  const ended = withTrial(card, id, { status: outcome, endedAtMs: nowMs });
  // What somebody gave up on is not the next thing to be offered; it can be offered again.
  const isSetAside =
    outcome === 'abandoned' && direction === 'make' && !card.refused.some((other) => isSameFix(other, fix));
  return succeed(isSetAside ? { ...ended, refused: [...card.refused, fix] } : ended);
};

/** Takes back a fix that was kept earlier; in the history it stays, struck through. */
export const undoKeptTrial: CommandHandler<{ readonly id: string; readonly nowMs: number }> = (card, { id, nowMs }) => {
  if (!keptTrials(card).some((kept) => kept.id === id)) return fail({ code: 'item-missing', item: 'trial', id });
  const undone = withTrial(card, id, { status: 'undone', endedAtMs: nowMs });
  return succeed({ ...undone, putBackDone: undone.putBackDone.filter((done) => done !== id) });
};

/** Ticks a line of the put-back list, or takes the tick away. */
export const tickPutBack: CommandHandler<{ readonly trialId: string; readonly isDone: boolean }> = (
  card,
  { trialId, isDone },
) => {
  if (!card.trials.some((trial) => trial.id === trialId))
    return fail({ code: 'item-missing', item: 'trial', id: trialId });
  const others = card.putBackDone.filter((done) => done !== trialId);
  return succeed({ ...card, putBackDone: isDone ? [...others, trialId] : others });
};

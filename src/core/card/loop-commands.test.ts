import { describe, expect, it } from 'vitest';
import {
  applyCommand,
  type CardCommand,
  createJobCard,
  createReading,
  fixesInForce,
  isReadyToExport,
  type JobCard,
  keptFixes,
  listPutBack,
  mayPointAtCopies,
  parseCard,
  readingInForce,
  type Trial,
  unknownProfile,
} from '.';

const empty = createJobCard({ id: 'card', title: 'Pots', nowMs: 0 });
const apply = (card: JobCard, ...commands: readonly CardCommand[]): JobCard =>
  commands.reduce((current, command) => {
    const result = applyCommand(current, command, 0);
    if (!result.ok) throw new Error(JSON.stringify(result.failure));
    return result.value;
  }, card);
const failureOf = (card: JobCard, command: CardCommand) => {
  const result = applyCommand(card, command, 0);
  return result.ok ? null : result.failure;
};
const reading = (id: string, shownFps: number): CardCommand => ({
  type: 'addReading',
  input: { reading: createReading({ id, takenAtMs: 0, shownFps }) },
});
const begin = (id: string, fix: Trial['fix'], direction?: Trial['direction']): CardCommand => ({
  type: 'beginTrial',
  input: { id, fix, ...(direction ? { direction } : {}), nowMs: 1 },
});
const end = (id: string, outcome: 'kept' | 'undone' | 'abandoned'): CardCommand => ({
  type: 'endTrial',
  input: { id, outcome, nowMs: 2 },
});
const half = { id: 'lower-preview-quality', level: '1/2' };
const proxies = { id: 'make-proxies', level: 540 };
const kept = (fix: Trial['fix'], id: string): readonly CardCommand[] => [
  begin(id, fix),
  reading(`after ${id}`, 20),
  end(id, 'kept'),
];
const withBoth = apply(empty, reading('before', 10), ...kept(half, 'a'), ...kept(proxies, 'b'));

describe('a trial of giving back', () => {
  it('takes the fix away while it lasts, and for good when that is kept', () => {
    const open = apply(withBoth, begin('c', half, 'give-back'));
    expect(fixesInForce(open)).toEqual([proxies]);
    expect(keptFixes(open)).toEqual([half, proxies]);
    const without = apply(open, reading('without', 20), end('c', 'kept'));
    expect(keptFixes(without)).toEqual([proxies]);
    expect(readingInForce(without)?.id).toBe('without');
    expect(listPutBack(without).map(({ fix }) => fix.id)).toEqual(['make-proxies']);
  });

  it('leaves the fix where it was when it is missed, or the trial is given up', () => {
    const open = apply(withBoth, begin('c', half, 'give-back'));
    expect(keptFixes(apply(open, reading('without', 9), end('c', 'undone')))).toEqual([half, proxies]);
    const givenUp = apply(open, end('c', 'abandoned'));
    expect(keptFixes(givenUp)).toEqual([half, proxies]);
    expect(givenUp.refused).toEqual([]);
  });

  it('is only for fixes that are kept, which then can be made again', () => {
    expect(failureOf(withBoth, begin('c', { id: 'bypass-effects', level: 'all' }, 'give-back'))).toMatchObject({
      code: 'item-missing',
    });
    const without = apply(withBoth, begin('c', half, 'give-back'), reading('without', 20), end('c', 'kept'));
    expect(failureOf(without, { type: 'undoKeptTrial', input: { id: 'a', nowMs: 3 } })).toMatchObject({
      code: 'item-missing',
    });
    expect(keptFixes(apply(without, ...kept(half, 'd')))).toEqual([proxies, half]);
  });
});

describe('markTrialMade', () => {
  it('says when a change was made, can be taken back, and is for open trials only', () => {
    const open = apply(empty, reading('before', 10), begin('a', half));
    expect(open.trials[0]?.madeAtMs).toBeNull();
    const made = apply(open, { type: 'markTrialMade', input: { id: 'a', madeAtMs: 7 } });
    expect(made.trials[0]?.madeAtMs).toBe(7);
    expect(apply(made, { type: 'markTrialMade', input: { id: 'a', madeAtMs: null } }).trials[0]?.madeAtMs).toBeNull();
    expect(failureOf(withBoth, { type: 'markTrialMade', input: { id: 'a', madeAtMs: 7 } })).toEqual({
      code: 'trial-not-open',
    });
  });
});

describe('restartTrial', () => {
  it('takes the second reading for one of the set-up before, and waits for the change again', () => {
    const idle = apply(empty, reading('before', 10), begin('a', half), reading('after', 10));
    const again = apply(idle, { type: 'restartTrial', input: { id: 'a' } });
    expect(again.trials[0]).toMatchObject({ status: 'open', madeAtMs: null, afterReadingId: null });
    expect(again.readings.map(({ fixes }) => fixes)).toEqual([[], []]);
    expect(failureOf(withBoth, { type: 'restartTrial', input: { id: 'a' } })).toEqual({ code: 'trial-not-open' });
  });
});

describe('working sets', () => {
  const closely = { id: 'looking-closely', name: 'Looking closely', fixes: [] };
  const use = (id: string | null): CardCommand => ({ type: 'useWorkingSet', input: { id } });
  const saved = apply(withBoth, { type: 'saveWorkingSet', input: { set: closely } });

  it('take the place of the fixes that people switch, and give them back', () => {
    const switched = apply(saved, use('looking-closely'));
    expect(fixesInForce(switched)).toEqual([]);
    expect(keptFixes(switched)).toEqual([half, proxies]);
    expect(fixesInForce(apply(switched, use(null)))).toEqual([half, proxies]);
  });

  it('put their own fixes on the put-back list while they are in use', () => {
    const rough = { id: 'rough', name: 'Rough', fixes: [{ id: 'bypass-effects', level: 'all' }] };
    const switched = apply(saved, { type: 'saveWorkingSet', input: { set: rough } }, use('rough'));
    expect(listPutBack(switched)).toMatchObject([{ key: 'set bypass-effects', trial: null, isDone: false }]);
    const ticked = apply(switched, {
      type: 'tickExportLine',
      input: { key: 'set bypass-effects', isDone: true },
    });
    expect(listPutBack(ticked)).toMatchObject([{ isDone: true }]);
    expect(apply(ticked, { type: 'resumeEditing', input: {} }).exportCheck.ticked).toEqual([]);
  });

  it('hold up trials while switched to, cannot be deleted then, and need a name', () => {
    const switched = apply(saved, use('looking-closely'));
    expect(failureOf(switched, begin('x', half))).toEqual({ code: 'trial-in-working-set' });
    expect(failureOf(switched, { type: 'removeWorkingSet', input: { id: 'looking-closely' } })).toEqual({
      code: 'working-set-in-use',
    });
    expect(failureOf(saved, use('no such set'))).toMatchObject({ code: 'item-missing', item: 'working-set' });
    expect(failureOf(saved, { type: 'saveWorkingSet', input: { set: { ...closely, name: ' ' } } })).toEqual({
      code: 'title-empty',
    });
    expect(failureOf(apply(saved, begin('x', half)), use('looking-closely'))).toMatchObject({
      code: 'trial-already-open',
    });
    const removed = apply(saved, { type: 'removeWorkingSet', input: { id: 'looking-closely' } });
    expect(removed.workingSets).toEqual([]);
  });

  it('are at most twenty, and a card that names one it does not have is not whole', () => {
    const full = apply(
      empty,
      ...Array.from(
        { length: 20 },
        (_, i): CardCommand => ({ type: 'saveWorkingSet', input: { set: { ...closely, id: `set-${i}` } } }),
      ),
    );
    expect(failureOf(full, { type: 'saveWorkingSet', input: { set: closely } })).toEqual({
      code: 'too-many-working-sets',
      most: 20,
    });
    expect(parseCard({ ...empty, workingSetId: 'gone' })).toMatchObject({
      failure: { code: 'card-reference-broken', path: 'workingSetId' },
    });
  });
});

describe('the editor’s profile', () => {
  it('keeps words, notes and what is lacking, and forgets an emptied note', () => {
    const known = apply(
      empty,
      { type: 'setEditorProfile', input: { patch: { name: 'the old one', attachWay: 'by-name' } } },
      { type: 'noteFix', input: { fixId: 'bypass-effects', text: ' the fx button ' } },
      { type: 'setEditorLacks', input: { fixId: 'solo-track', isLacking: true } },
      { type: 'setEditorLacks', input: { fixId: 'solo-track', isLacking: true } },
    );
    expect(known.editorProfile).toEqual({
      ...unknownProfile,
      name: 'the old one',
      attachWay: 'by-name',
      lacks: ['solo-track'],
      notes: [{ fixId: 'bypass-effects', text: 'the fx button' }],
    });
    const next = createJobCard({ id: 'next', title: 'x', nowMs: 0, editorProfile: known.editorProfile });
    expect(next.editorProfile).toEqual(known.editorProfile);
    const less = apply(
      known,
      { type: 'noteFix', input: { fixId: 'bypass-effects', text: '  ' } },
      { type: 'setEditorLacks', input: { fixId: 'solo-track', isLacking: false } },
    );
    expect([less.editorProfile.notes, less.editorProfile.lacks]).toEqual([[], []]);
    expect(apply(known, { type: 'replaceEditorProfile', input: { profile: unknownProfile } }).editorProfile).toEqual(
      unknownProfile,
    );
  });
});

describe('isReadyToExport', () => {
  it('asks outright about small copies where there were any, also after they were undone', () => {
    const ticked = apply(apply(empty, reading('before', 10), ...kept(proxies, 'b')), {
      type: 'tickPutBack',
      input: { trialId: 'b', isDone: true },
    });
    expect(mayPointAtCopies(ticked)).toBe(true);
    expect(isReadyToExport(ticked)).toBe(false);
    const answer = (said: 'yes' | 'no'): CardCommand => ({ type: 'answerPointsAtCopies', input: { answer: said } });
    expect(isReadyToExport(apply(ticked, answer('yes')))).toBe(false);
    expect(isReadyToExport(apply(ticked, answer('no')))).toBe(true);
    const undone = apply(empty, reading('before', 10), begin('b', proxies), reading('after', 9), end('b', 'undone'));
    expect(isReadyToExport(undone)).toBe(false);
    const givenUp = apply(empty, reading('before', 10), begin('b', proxies), end('b', 'abandoned'));
    expect(isReadyToExport(givenUp)).toBe(true);
  });
});

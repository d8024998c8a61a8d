import { describe, expect, it } from 'vitest';
import { applyAll, failureOf } from '../../../tests/stand-ins/commands';
import {
  type CardCommand,
  createJobCard,
  createReading,
  fixesInForce,
  isReadyToExport,
  keptFixes,
  listPutBack,
  mayPointAtCopies,
  parseCard,
  readingInForce,
  type Trial,
  unknownProfile,
} from '.';

const empty = createJobCard({ id: 'card', title: 'Pots', nowMs: 0 });
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
const withBoth = applyAll(empty, reading('before', 10), ...kept(half, 'a'), ...kept(proxies, 'b'));

describe('a trial of giving back', () => {
  it('takes the fix away while it lasts, and for good when that is kept', () => {
    const open = applyAll(withBoth, begin('c', half, 'give-back'));
    expect(fixesInForce(open)).toEqual([proxies]);
    expect(keptFixes(open)).toEqual([half, proxies]);
    const without = applyAll(open, reading('without', 20), end('c', 'kept'));
    expect(keptFixes(without)).toEqual([proxies]);
    expect(readingInForce(without)?.id).toBe('without');
    expect(listPutBack(without).map(({ fix }) => fix.id)).toEqual(['make-proxies']);
  });

  it('leaves the fix where it was when it is missed, or the trial is given up', () => {
    const open = applyAll(withBoth, begin('c', half, 'give-back'));
    expect(keptFixes(applyAll(open, reading('without', 9), end('c', 'undone')))).toEqual([half, proxies]);
    const givenUp = applyAll(open, end('c', 'abandoned'));
    expect(keptFixes(givenUp)).toEqual([half, proxies]);
    expect(givenUp.refused).toEqual([]);
  });

  it('is only for fixes that are kept, which then can be made again', () => {
    expect(failureOf(withBoth, begin('c', { id: 'bypass-effects', level: 'all' }, 'give-back'))).toMatchObject({
      code: 'item-missing',
    });
    const without = applyAll(withBoth, begin('c', half, 'give-back'), reading('without', 20), end('c', 'kept'));
    expect(failureOf(without, { type: 'undoKeptTrial', input: { id: 'a', nowMs: 3 } })).toMatchObject({
      code: 'item-missing',
    });
    expect(keptFixes(applyAll(without, ...kept(half, 'd')))).toEqual([proxies, half]);
  });
});

describe('markTrialMade', () => {
  it('says when a change was made, can be taken back, and is for open trials only', () => {
    const open = applyAll(empty, reading('before', 10), begin('a', half));
    expect(open.trials[0]?.madeAtMs).toBeNull();
    const made = applyAll(open, { type: 'markTrialMade', input: { id: 'a', madeAtMs: 7 } });
    expect(made.trials[0]?.madeAtMs).toBe(7);
    expect(
      applyAll(made, { type: 'markTrialMade', input: { id: 'a', madeAtMs: null } }).trials[0]?.madeAtMs,
    ).toBeNull();
    expect(failureOf(withBoth, { type: 'markTrialMade', input: { id: 'a', madeAtMs: 7 } })).toEqual({
      code: 'trial-not-open',
    });
  });
});

describe('restartTrial', () => {
  it('takes the second reading for one of the set-up before, and waits for the change again', () => {
    const idle = applyAll(empty, reading('before', 10), begin('a', half), reading('after', 10));
    const again = applyAll(idle, { type: 'restartTrial', input: { id: 'a' } });
    expect(again.trials[0]).toMatchObject({ status: 'open', madeAtMs: null, afterReadingId: null });
    expect(again.readings.map(({ fixes }) => fixes)).toEqual([[], []]);
    expect(failureOf(withBoth, { type: 'restartTrial', input: { id: 'a' } })).toEqual({ code: 'trial-not-open' });
  });
});

describe('working sets', () => {
  const closely = { id: 'looking-closely', name: 'Looking closely', fixes: [] };
  const use = (id: string | null): CardCommand => ({ type: 'useWorkingSet', input: { id } });
  const saved = applyAll(withBoth, { type: 'saveWorkingSet', input: { set: closely } });

  it('take the place of the fixes that people switch, and give them back', () => {
    const switched = applyAll(saved, use('looking-closely'));
    expect(fixesInForce(switched)).toEqual([]);
    expect(keptFixes(switched)).toEqual([half, proxies]);
    expect(fixesInForce(applyAll(switched, use(null)))).toEqual([half, proxies]);
  });

  it('put their own fixes on the put-back list while they are in use', () => {
    const rough = { id: 'rough', name: 'Rough', fixes: [{ id: 'bypass-effects', level: 'all' }] };
    const switched = applyAll(saved, { type: 'saveWorkingSet', input: { set: rough } }, use('rough'));
    expect(listPutBack(switched)).toMatchObject([{ key: 'set bypass-effects', trial: null, isDone: false }]);
    const ticked = applyAll(switched, {
      type: 'tickExportLine',
      input: { key: 'set bypass-effects', isDone: true },
    });
    expect(listPutBack(ticked)).toMatchObject([{ isDone: true }]);
    expect(applyAll(ticked, { type: 'resumeEditing', input: {} }).exportCheck.ticked).toEqual([]);
  });

  it('hold up trials while switched to, cannot be deleted then, and need a name', () => {
    const switched = applyAll(saved, use('looking-closely'));
    expect(failureOf(switched, begin('x', half))).toEqual({ code: 'trial-in-working-set' });
    expect(failureOf(switched, { type: 'removeWorkingSet', input: { id: 'looking-closely' } })).toEqual({
      code: 'working-set-in-use',
    });
    expect(failureOf(saved, use('no such set'))).toMatchObject({ code: 'item-missing', item: 'working-set' });
    expect(failureOf(saved, { type: 'saveWorkingSet', input: { set: { ...closely, name: ' ' } } })).toEqual({
      code: 'title-empty',
    });
    expect(failureOf(applyAll(saved, begin('x', half)), use('looking-closely'))).toMatchObject({
      code: 'trial-already-open',
    });
    const removed = applyAll(saved, { type: 'removeWorkingSet', input: { id: 'looking-closely' } });
    expect(removed.workingSets).toEqual([]);
  });

  it('are at most twenty, and a card that names one it does not have is not whole', () => {
    const full = applyAll(
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
    const known = applyAll(
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
    const less = applyAll(
      known,
      { type: 'noteFix', input: { fixId: 'bypass-effects', text: '  ' } },
      { type: 'setEditorLacks', input: { fixId: 'solo-track', isLacking: false } },
    );
    expect([less.editorProfile.notes, less.editorProfile.lacks]).toEqual([[], []]);
    expect(applyAll(known, { type: 'replaceEditorProfile', input: { profile: unknownProfile } }).editorProfile).toEqual(
      unknownProfile,
    );
  });
});

describe('isReadyToExport', () => {
  it('asks outright about small copies where there were any, also after they were undone', () => {
    const ticked = applyAll(applyAll(empty, reading('before', 10), ...kept(proxies, 'b')), {
      type: 'tickPutBack',
      input: { trialId: 'b', isDone: true },
    });
    expect(mayPointAtCopies(ticked)).toBe(true);
    expect(isReadyToExport(ticked)).toBe(false);
    const answer = (said: 'yes' | 'no'): CardCommand => ({ type: 'answerPointsAtCopies', input: { answer: said } });
    expect(isReadyToExport(applyAll(ticked, answer('yes')))).toBe(false);
    expect(isReadyToExport(applyAll(ticked, answer('no')))).toBe(true);
    const undone = applyAll(empty, reading('before', 10), begin('b', proxies), reading('after', 9), end('b', 'undone'));
    expect(isReadyToExport(undone)).toBe(false);
    const givenUp = applyAll(empty, reading('before', 10), begin('b', proxies), end('b', 'abandoned'));
    expect(isReadyToExport(givenUp)).toBe(true);
  });

  it('asks for a look alone where the editor exports apart from a smaller preview', () => {
    const trialled = applyAll(empty, reading('before', 10), ...kept(half, 'q'));
    const saying = (exportFollowsPreview: 'yes' | 'no' | 'unknown') =>
      applyAll(trialled, { type: 'setEditorProfile', input: { patch: { exportFollowsPreview } } });
    for (const said of ['yes', 'unknown'] as const) {
      expect(listPutBack(saying(said))).toMatchObject([{ isDone: false, isOnlyALook: false }]);
      expect(isReadyToExport(saying(said))).toBe(false);
    }
    expect(listPutBack(saying('no'))).toMatchObject([{ isDone: false, isOnlyALook: true }]);
    expect(isReadyToExport(saying('no'))).toBe(true);
    // What is bypassed is missing in the export, however it is made.
    const bypassed = applyAll(saying('no'), reading('later', 12), ...kept({ id: 'bypass-effects', level: 'all' }, 'e'));
    expect(isReadyToExport(bypassed)).toBe(false);
  });
});

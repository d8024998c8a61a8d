import { readFile } from 'node:fs/promises';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { VideoFacts } from '@/core/footage';
import { demoCardNames, loadDemoCards } from '@/demo/load-demo-cards';
import { describeCardFailure } from '@/messages/card';
import { propertyRuns } from '../../../tests/arbitrary/setup';
import { applyAll, failureOf } from '../../../tests/stand-ins/commands';
import { isUsable } from '../usable';
import {
  type CardCommand,
  createJobCard,
  createProgram,
  createReading,
  deriveBaseState,
  fixesInForce,
  isReadyToExport,
  type JobCard,
  listPutBack,
  listSteps,
  migrateCard,
  parseCard,
  parseCardText,
  type Reading,
  readingInForce,
  serializeCard,
  statedTimelineFields,
  targetFpsOf,
  unknownEditor,
  unknownProfile,
} from '.';
import { jobCardVersion } from './schema';

const empty = createJobCard({ id: 'card', title: 'Pots', nowMs: 1000 });
const reading = (id: string, shownFps: number | null, scrubFeel: Reading['scrubFeel'] = null): CardCommand => ({
  type: 'addReading',
  input: { reading: createReading({ id, takenAtMs: 5, shownFps, scrubFeel }) },
});
const begin = (id: string, fixId = 'lower-preview-quality', level: string | number = '1/2'): CardCommand => ({
  type: 'beginTrial',
  input: { id, fix: { id: fixId, level }, nowMs: 10 },
});
const end = (id: string, outcome: 'kept' | 'undone' | 'abandoned'): CardCommand => ({
  type: 'endTrial',
  input: { id, outcome, nowMs: 20 },
});

describe('parseCardText', () => {
  it('gives back the very same card that was written', async () => {
    for (const card of [empty, ...(await loadDemoCards())]) {
      expect(parseCardText(serializeCard(card))).toEqual({ ok: true, value: card });
    }
    expect(demoCardNames).toHaveLength(3);
  });

  it('tells text, other JSON, newer versions, bad fields and broken references apart', async () => {
    const [card] = await loadDemoCards();
    if (!card) throw new Error('no demo card');
    const codeOf = (text: string) => {
      const result = parseCardText(text);
      if (result.ok) return 'ok';
      expect(describeCardFailure(result.failure).length).toBeGreaterThan(20);
      return result.failure.code;
    };
    expect(codeOf('shopping list')).toBe('card-not-json');
    expect(codeOf('[]')).toBe('card-not-a-card');
    expect(codeOf('{"format":"something-else"}')).toBe('card-not-a-card');
    expect(codeOf(JSON.stringify({ ...card, version: jobCardVersion + 1 }))).toBe('card-newer-version');
    expect(codeOf(JSON.stringify({ ...card, version: 'one' }))).toBe('card-field-invalid');
    expect(codeOf(JSON.stringify({ ...card, putBackDone: ['nowhere'] }))).toBe('card-reference-broken');
    expect(parseCard({ ...card, machine: { ...card.machine, coreCount: { value: 0, source: 'typed' } } })).toEqual({
      ok: false,
      failure: { code: 'card-field-invalid', path: 'machine.coreCount.value', received: '0' },
    });
  });

  it('answers for any JSON value and any text without throwing', () => {
    fc.assert(
      fc.property(fc.jsonValue(), fc.string(), (value, text) => {
        expect(typeof parseCard(value).ok).toBe('boolean');
        expect(typeof parseCardText(text).ok).toBe('boolean');
      }),
      propertyRuns,
    );
  });

  it('answers for a card with any one field replaced by anything', async () => {
    const [card] = await loadDemoCards();
    if (!card) throw new Error('no demo card');
    fc.assert(
      fc.property(fc.constantFrom(...Object.keys(card)), fc.jsonValue(), (key, value) => {
        const result = parseCard({ ...card, [key]: value });
        if (result.ok) expect(Number.isFinite(targetFpsOf(result.value))).toBe(true);
      }),
      propertyRuns,
    );
  });
});

/** A timeline of an older form, with what was asked of it as a whole taken as stated field by field. */
function expectSameTimeline(card: JobCard, { isDescribed, ...stored }: { readonly isDescribed: boolean }): void {
  expect(card.timeline).toMatchObject(stored);
  expect(card.timeline.stated).toEqual(isDescribed ? statedTimelineFields : []);
}

describe('migrateCard', () => {
  it('goes step by step and throws where a step is missing', () => {
    const steps = {
      1: (card: object) => ({ ...card, version: 2, second: true }),
      2: (card: object) => ({ ...card, version: 3, third: true }),
    };
    expect(migrateCard({ version: 1 }, 1, 3, steps)).toEqual({ version: 3, second: true, third: true });
    expect(() => migrateCard({}, 1, 4, steps)).toThrow('no step from version 3');
  });

  it('reads a card that version 1 stored: every clip is a video from a file, and nothing else changes', async () => {
    const stored = JSON.parse(await readFile(new URL('./examples/version-1.json', import.meta.url), 'utf8'));
    const parsed = parseCard(stored);
    if (!parsed.ok) throw new Error(JSON.stringify(parsed.failure));
    const { clips, decodeTests, version, editor, ...rest } = parsed.value;
    const { clips: storedClips, version: _, timeline, ...storedRest } = stored;
    expectSameTimeline(parsed.value, timeline);
    expect([version, decodeTests, editor]).toEqual([jobCardVersion, [], unknownEditor]);
    expect(rest).toMatchObject(storedRest);
    expect(clips.map(({ facts }) => facts)).toMatchObject(storedClips.map(({ facts }: { facts: object }) => facts));
    expect(clips.every((clip) => clip.facts.kind === 'video' && clip.origin === 'file' && clip.drive === null)).toBe(
      true,
    );
  });

  it('reads a card that version 2 stored: what it did not ask is unknown or assumed, and nothing else changes', async () => {
    const stored = JSON.parse(await readFile(new URL('./examples/version-2.json', import.meta.url), 'utf8'));
    const parsed = parseCard(stored);
    if (!parsed.ok) throw new Error(JSON.stringify(parsed.failure));
    const { version: _, timeline, ...storedRest } = stored;
    expectSameTimeline(parsed.value, timeline);
    expect(parsed.value).toMatchObject(storedRest);
    expect(parsed.value).toMatchObject({ version: jobCardVersion, editor: unknownEditor, answers: [], refused: [] });
    expect(parsed.value.machine.cacheDrive.source).toBe('assumed');
  });

  it('reads a card that version 3 stored: of its readings nothing more is known than was', async () => {
    const stored = JSON.parse(await readFile(new URL('./examples/version-3.json', import.meta.url), 'utf8'));
    const parsed = parseCard(stored);
    if (!parsed.ok) throw new Error(JSON.stringify(parsed.failure));
    const { version: _, timeline, ...storedRest } = stored;
    expectSameTimeline(parsed.value, timeline);
    expect(parsed.value).toMatchObject(storedRest);
    expect(parsed.value.readings.length).toBeGreaterThan(0);
    for (const { measured, tapped, stretch, viewer } of parsed.value.readings)
      expect([measured, tapped, stretch, viewer]).toEqual([null, null, '', 'unknown']);
  });

  it('reads a card that version 4 stored: its trials were all of making a change, and its loop begins empty', async () => {
    const stored = JSON.parse(await readFile(new URL('./examples/version-4.json', import.meta.url), 'utf8'));
    const parsed = parseCard(stored);
    if (!parsed.ok) throw new Error(JSON.stringify(parsed.failure));
    const { version: _, timeline, ...storedRest } = stored;
    expectSameTimeline(parsed.value, timeline);
    expect(parsed.value).toMatchObject(storedRest);
    expect(parsed.value.trials).toMatchObject([{ direction: 'make', madeAtMs: 2000 }]);
    expect(parsed.value).toMatchObject({
      workingSets: [],
      workingSetId: null,
      chosenPlan: [],
      editorProfile: unknownProfile,
    });
  });

  it('reads a card that version 5 stored: no test-play had read a drive, and nothing else changes', async () => {
    const stored = JSON.parse(await readFile(new URL('./examples/version-5.json', import.meta.url), 'utf8'));
    const parsed = parseCard(stored);
    if (!parsed.ok) throw new Error(JSON.stringify(parsed.failure));
    const { version: _, timeline, ...storedRest } = stored;
    expectSameTimeline(parsed.value, timeline);
    expect(parsed.value).toMatchObject(storedRest);
    expect(parsed.value.decodeTests.map(({ fileRead }) => fileRead)).toEqual([null]);
  });

  it('reads a card that version 6 stored: a described timeline is stated, and freezes are counted as what stands', async () => {
    const stored = JSON.parse(await readFile(new URL('./examples/version-6.json', import.meta.url), 'utf8'));
    const parsed = parseCard(stored);
    if (!parsed.ok) throw new Error(JSON.stringify(parsed.failure));
    const { version: _, timeline, readings, ...storedRest } = stored;
    expectSameTimeline(parsed.value, timeline);
    expect(parsed.value).toMatchObject(storedRest);
    expect(parsed.value).toMatchObject({ filmStage: 'unknown', machine: { programPercent: { source: 'assumed' } } });
    expect(readings[0].measured.freezesPerMinute).toBe(473.68);
    // One picture stood for 0.9 s in 15.3 s; the others come slowly, and evenly.
    expect(parsed.value.readings[0]?.measured?.freezesPerMinute).toBe(3.92);
    const undescribed = parseCard({ ...stored, timeline: { ...timeline, isDescribed: false } });
    expect(undescribed).toMatchObject({ ok: true, value: { timeline: { stated: [] } } });
  });

  it('reads a card that version 8 stored: no proxy of it is known by its file', async () => {
    const stored = JSON.parse(await readFile(new URL('./examples/version-8.json', import.meta.url), 'utf8'));
    const parsed = parseCard(stored);
    if (!parsed.ok) throw new Error(JSON.stringify(parsed.failure));
    const { version: _, editor, programs, ...rest } = stored;
    expect(parsed.value).toMatchObject({ ...rest, editor, proxies: [] });
  });

  it('reads a card that version 9 stored: programs as they were on average, one cache, nothing of how proxies are shown', async () => {
    const stored = JSON.parse(await readFile(new URL('./examples/version-9.json', import.meta.url), 'utf8'));
    const parsed = parseCard(stored);
    if (!parsed.ok) throw new Error(JSON.stringify(parsed.failure));
    const { version: _, ...storedRest } = stored;
    expect(parsed.value).toMatchObject(storedRest);
    const { clipCache, machineTest, programs, proxies, decodeTests, editor, readings } = parsed.value;
    expect(clipCache).toEqual({ usedGb: null, limitGb: null });
    expect(machineTest?.storage).toBeNull();
    expect(new Set(programs.map(({ peakCores, changeCores }) => `${peakCores} ${changeCores}`))).toEqual(
      new Set(['null null']),
    );
    expect(proxies.map(({ isShown }) => isShown)).toEqual(['unknown']);
    expect(decodeTests.map(({ fileRead }) => fileRead)).toEqual([
      { megabytePerSec: 110, isAtLeast: false, smallPieceMs: null },
    ]);
    expect([editor.proxyCodec, editor.isEveryProxyFrameKey, editor.proxyQualityRatio]).toEqual([null, 'unknown', null]);
    expect(readings.every(({ recorderName }) => recorderName === '')).toBe(true);
  });

  it('reads a card that version 10 stored: effects as strong as usual, tracks not counted', async () => {
    const stored = JSON.parse(await readFile(new URL('./examples/version-10.json', import.meta.url), 'utf8'));
    const parsed = parseCard(stored);
    if (!parsed.ok) throw new Error(JSON.stringify(parsed.failure));
    const { version: _, ...storedRest } = stored;
    expect(parsed.value).toMatchObject(storedRest);
    expect(parsed.value.timeline).toMatchObject({ trackCount: null, lengthMin: null });
    expect(parsed.value.symptoms.enough).toBe('smooth');
    expect(parsed.value.editorProfile).toMatchObject({ qualities: '', exportFollowsPreview: 'unknown' });
    expect(parsed.value.timeline.effects.map(({ strength }) => strength)).toEqual(['usual', 'usual']);
  });

  it('reads a card that version 11 stored: nothing had been learned before it, and nothing else changes', async () => {
    const stored = JSON.parse(await readFile(new URL('./examples/version-11.json', import.meta.url), 'utf8'));
    const parsed = parseCard(stored);
    if (!parsed.ok) throw new Error(JSON.stringify(parsed.failure));
    expect(parsed.value).toMatchObject({ ...stored, version: 13, lessons: [] });
  });

  it('reads a card that version 12 stored: how even its frames are was not read, and nothing else changes', async () => {
    const stored = JSON.parse(await readFile(new URL('./examples/version-12.json', import.meta.url), 'utf8'));
    const parsed = parseCard(stored);
    if (!parsed.ok) throw new Error(JSON.stringify(parsed.failure));
    expect(parsed.value).toMatchObject({ ...stored, version: 13 });
    const streams = [
      ...parsed.value.clips.map(({ facts }) => facts),
      ...parsed.value.decodeTests.map(({ stream }) => stream),
    ];
    expect(streams.map((stream) => 'sizeEvenness' in stream && stream.sizeEvenness)).toEqual(streams.map(() => null));
    expect(streams.length).toBeGreaterThan(1);
  });

  it('reads a card that version 7 stored: nothing more is known of its programs and its machine', async () => {
    const stored = JSON.parse(await readFile(new URL('./examples/version-7.json', import.meta.url), 'utf8'));
    const parsed = parseCard(stored);
    if (!parsed.ok) throw new Error(JSON.stringify(parsed.failure));
    const { version: _, ...storedRest } = stored;
    expect(parsed.value).toMatchObject(storedRest);
    expect(parsed.value).toMatchObject({ drives: [], machineTest: null, programsSeen: null, programsCheck: null });
    expect(new Set(parsed.value.programs.map(({ role, source }) => `${role} ${source}`))).toEqual(
      new Set(['unknown typed']),
    );
  });

  it('says what is wrong with a version 1 card whose clips are none', () => {
    for (const clips of ['none', null, [null], [{ facts: 3 }]])
      expect(parseCard({ ...empty, version: 1, clips }).ok).toBe(false);
  });
});

describe('applyCommand', () => {
  it('refuses a value out of range and leaves the card as it was', () => {
    const command: CardCommand = { type: 'setTimeline', input: { patch: { heightPx: 4 } } };
    expect(failureOf(empty, command)).toEqual({ code: 'value-out-of-range', path: 'timeline.heightPx', received: '4' });
  });

  it('refuses an empty title and keeps spaces off a good one', () => {
    expect(failureOf(empty, { type: 'renameCard', input: { title: '   ' } })).toEqual({ code: 'title-empty' });
    expect(applyAll(empty, { type: 'renameCard', input: { title: '  Kiln ' } }).title).toBe('Kiln');
  });

  it('fills in what was found out, and never over what was typed', () => {
    const typed = applyAll(empty, {
      type: 'setMachine',
      input: { facts: { coreCount: { value: 6, source: 'typed' } } },
    });
    const filled = applyAll(typed, {
      type: 'fillMachine',
      input: { facts: { coreCount: { value: 2, source: 'read' }, isPluggedIn: { value: 'yes', source: 'read' } } },
    });
    expect(filled.machine.coreCount).toEqual({ value: 6, source: 'typed' });
    expect(filled.machine.isPluggedIn).toEqual({ value: 'yes', source: 'read' });
  });

  it('puts removed clips, programs, effects and readings back where they were', async () => {
    const [card] = await loadDemoCards();
    if (!card) throw new Error('no demo card');
    const clip = card.clips[3];
    const [effect] = card.timeline.effects;
    const [program] = card.programs;
    const [past] = card.readings;
    if (!clip || !effect || !program || !past) throw new Error('the demo card has all of these');
    const same = applyAll(
      card,
      { type: 'removeClips', input: { ids: [clip.id] } },
      { type: 'addClips', input: { clips: [{ clip, index: 3 }] } },
      { type: 'removeEffect', input: { id: effect.id } },
      { type: 'addEffect', input: { effect, index: 0 } },
      { type: 'removeProgram', input: { id: program.id } },
      { type: 'addProgram', input: { program, index: 0 } },
      { type: 'removeReading', input: { id: past.id } },
      { type: 'restoreReading', input: { reading: past, index: 0 } },
    );
    expect({ ...same, updatedAtMs: card.updatedAtMs }).toEqual(card);
  });

  it('takes size and rate from most of the footage, and leaves alone what a person stated', async () => {
    const [card] = await loadDemoCards();
    const clip = card?.clips[0];
    if (clip?.facts.kind !== 'video') throw new Error('no demo clip');
    const short = { ...clip, id: 'short', facts: { ...clip.facts, widthPx: 640, heightPx: 360, durationMs: 10 } };
    const add: CardCommand = { type: 'addClips', input: { clips: [{ clip: short }, { clip }] } };
    expect(applyAll(empty, add).timeline).toMatchObject({ widthPx: 3840, heightPx: 2160, stated: [] });
    const stated = applyAll(empty, { type: 'setTimeline', input: { patch: { widthPx: 1920 } } });
    expect(applyAll(stated, add).timeline).toMatchObject({ widthPx: 1920, heightPx: 2160, stated: ['widthPx'] });
    const less = applyAll(empty, add, { type: 'removeClips', input: { ids: [clip.id] } });
    expect(less.timeline).toMatchObject({ widthPx: 640, heightPx: 360 });
  });

  it('counts a field of the timeline as stated once it was typed or confirmed, and no other with it', () => {
    const typed = applyAll(empty, { type: 'setTimeline', input: { patch: { titleCount: 1 } } });
    expect(typed.timeline.stated).toEqual(['titleCount']);
    const confirmed = applyAll(typed, { type: 'confirmTimeline', input: { fields: ['effects'] } });
    expect(confirmed.timeline.stated).toEqual(['titleCount', 'effects']);
    expect(applyAll(confirmed, { type: 'confirmTimeline', input: { fields: ['effects'] } })).toBe(confirmed);
    expect(deriveBaseState(confirmed).setup.timeline).toMatchObject({ areLayersStated: false, areEffectsStated: true });
  });

  it('keeps a program of which nobody knows what it takes, and reckons with nothing', () => {
    const program = createProgram('p');
    const card = applyAll(empty, { type: 'addProgram', input: { program } });
    expect(deriveBaseState(card).setup.programs).toMatchObject([{ busyCores: 0, memoryMib: 0 }]);
  });

  it('fails by code for things that are not there or are there twice', () => {
    expect(failureOf(empty, { type: 'removeClips', input: { ids: ['x'] } })).toMatchObject({
      code: 'item-missing',
      item: 'clip',
    });
    expect(failureOf(empty, { type: 'removeEffect', input: { id: 'x' } })).toMatchObject({ code: 'item-missing' });
    expect(failureOf(empty, { type: 'updateProgram', input: { id: 'x', patch: {} } })).toMatchObject({
      code: 'item-missing',
    });
    const one = applyAll(empty, reading('r', 12));
    expect(failureOf(one, reading('r', 13))).toMatchObject({ code: 'item-exists' });
    expect(failureOf(empty, reading('r', null))).toEqual({ code: 'reading-empty' });
  });
});

describe('trials', () => {
  const measured = applyAll(empty, reading('before', 10, 'jumpy'));

  it('needs a reading first, takes one fix at a time, and keeps it only after a second reading', () => {
    expect(failureOf(empty, begin('t'))).toEqual({ code: 'trial-needs-reading' });
    const open = applyAll(measured, begin('t'));
    expect(failureOf(open, begin('u'))).toMatchObject({ code: 'trial-already-open' });
    expect(failureOf(open, end('t', 'kept'))).toEqual({ code: 'trial-needs-reading' });
    const kept = applyAll(open, reading('after', 24, 'fine'), end('t', 'kept'));
    expect(fixesInForce(kept)).toEqual([{ id: 'lower-preview-quality', level: '1/2' }]);
    expect(readingInForce(kept)?.id).toBe('after');
    expect(failureOf(kept, end('t', 'undone'))).toEqual({ code: 'trial-not-open' });
  });

  it('goes back to the first reading when a trial is undone or given up', () => {
    const undone = applyAll(measured, begin('t'), reading('after', 10), end('t', 'undone'));
    expect(fixesInForce(undone)).toEqual([]);
    expect(readingInForce(undone)?.id).toBe('before');
    expect(failureOf(applyAll(measured, begin('t')), end('t', 'undone'))).toEqual({ code: 'trial-needs-reading' });
    const givenUp = applyAll(measured, begin('t'), end('t', 'abandoned'));
    expect(fixesInForce(givenUp)).toEqual([]);
    expect(givenUp.refused).toEqual([{ id: 'lower-preview-quality', level: '1/2' }]);
  });

  it('replaces a kept level by a later one of the same fix', () => {
    const twice = applyAll(
      measured,
      begin('t'),
      reading('a', 15),
      end('t', 'kept'),
      begin('u', 'lower-preview-quality', '1/4'),
      reading('b', 24),
      end('u', 'kept'),
    );
    expect(fixesInForce(twice)).toEqual([{ id: 'lower-preview-quality', level: '1/4' }]);
    expect(listPutBack(twice).map((line) => line.trial?.id)).toEqual(['u']);
  });

  it('keeps a reading that a trial rests on', () => {
    expect(failureOf(applyAll(measured, begin('t')), { type: 'removeReading', input: { id: 'before' } })).toEqual({
      code: 'reading-in-use',
    });
  });

  it('is ready to export only with no trial open and every line ticked, and again after undoing the fix', () => {
    const open = applyAll(measured, begin('t'), reading('after', 24));
    expect(isReadyToExport(open)).toBe(false);
    const kept = applyAll(open, end('t', 'kept'));
    expect(isReadyToExport(kept)).toBe(false);
    const ticked = applyAll(kept, { type: 'tickPutBack', input: { trialId: 't', isDone: true } });
    expect(isReadyToExport(ticked)).toBe(true);
    expect(isReadyToExport(applyAll(ticked, { type: 'tickPutBack', input: { trialId: 't', isDone: false } }))).toBe(
      false,
    );
    const undone = applyAll(ticked, { type: 'undoKeptTrial', input: { id: 't', nowMs: 30 } });
    expect(isReadyToExport(undone)).toBe(true);
    expect(undone.putBackDone).toEqual([]);
  });

  it('does not hold up an export for what is put back at the end of the day', () => {
    const kept = applyAll(measured, begin('t', 'close-programs', 'all'), reading('after', 24), end('t', 'kept'));
    expect(listPutBack(kept)).toMatchObject([{ when: 'end-of-day', isDone: false }]);
    expect(isReadyToExport(kept)).toBe(true);
  });
});

describe('a fix’s level', () => {
  it('is refused where the fix does not have it, from a file and from a command', () => {
    const open = applyAll(applyAll(empty, reading('before', 10)), begin('t'));
    const [trial] = open.trials;
    if (!trial) throw new Error('the card has a trial');
    for (const fix of [
      { id: 'lower-preview-quality', level: '3/2' },
      { id: 'make-proxies', level: 'tall' },
      { id: 'close-programs', level: null },
      { id: 'turn-on-hardware-decode', level: 'all' },
    ])
      expect(parseCard({ ...open, trials: [{ ...trial, fix }] }), fix.id).toMatchObject({
        failure: { code: 'card-field-invalid', path: 'trials.0.fix.level' },
      });
    expect(failureOf(applyAll(empty, reading('before', 10)), begin('t', 'make-proxies', -5))).toMatchObject({
      code: 'value-out-of-range',
    });
    expect(parseCard({ ...open, trials: [{ ...trial, fix: { id: 'of-a-newer-oil-can', level: 9 } }] }).ok).toBe(true);
  });
});

describe('targetFpsOf', () => {
  it('is the lower of the timeline’s rate and that of most footage, and can be lowered further only', async () => {
    const [, , boat] = await loadDemoCards();
    if (!boat) throw new Error('no demo card');
    expect(targetFpsOf(boat)).toBeCloseTo(29.97, 2);
    expect(targetFpsOf({ ...boat, timeline: { ...boat.timeline, frameRate: { num: 24, den: 1 } } })).toBe(24);
    expect(targetFpsOf({ ...boat, targetFps: 20 })).toBe(20);
    expect(targetFpsOf({ ...boat, targetFps: 120 })).toBeCloseTo(29.97, 2);
  });
});

describe('isUsable', () => {
  it('asks only for what is complained of', () => {
    const scrubOnly = { ...empty, symptoms: { moments: ['scrubbing' as const], kinds: [], enough: 'smooth' as const } };
    const base = { ...createReading({ id: 'x', takenAtMs: 0 }), fixes: [] };
    expect(isUsable(scrubOnly, { ...base, shownFps: 3, scrubFeel: 'fine' })).toBe(true);
    expect(isUsable(empty, { ...base, shownFps: 23.75, scrubFeel: 'unusable' })).toBe(true);
    expect(isUsable(empty, { ...base, shownFps: 23.7, scrubFeel: null })).toBe(false);
  });
});

describe('listSteps', () => {
  it('has one next step on an empty card, the first, and it moves on when a step is finished by hand', () => {
    const nextOf = (card: JobCard) =>
      listSteps(card)
        .filter((step) => step.isNext)
        .map((step) => step.id);
    expect(nextOf(empty)).toEqual(['first-things']);
    expect(nextOf(applyAll(empty, { type: 'finishStep', input: { stepId: 'first-things' } }))).toEqual(['machine']);
  });
});

describe('deriveBaseState', () => {
  it('stands in a usual clip while there is no footage', () => {
    expect(deriveBaseState(empty).setup.clips).toHaveLength(1);
  });
  it('gives the cost model a plausible rate whatever a file states', async () => {
    const [card] = await loadDemoCards();
    if (!card) throw new Error('no demo card');
    const odd = card.clips.map((clip) => ({
      ...clip,
      facts: { ...(clip.facts as VideoFacts), frameRate: { num: 1, den: 1000 } },
    }));
    expect(deriveBaseState({ ...card, clips: odd }).setup.clips[0]?.original.frameRateFps).toBe(1);
  });
});

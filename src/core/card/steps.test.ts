import { describe, expect, it } from 'vitest';
import { loadDemoCards } from '@/demo/load-demo-cards';
import { applyAll } from '../../../tests/stand-ins/commands';
import {
  type CardCommand,
  canFinishByHand,
  createJobCard,
  createReading,
  isCardUsable,
  type JobCard,
  listSteps,
  type StepId,
  stepIds,
} from '.';

const [demo] = await loadDemoCards();
if (!demo) throw new Error('no demo card');
const empty = createJobCard({ id: 'c', title: 'c', nowMs: 0 });
const doneOf = (card: JobCard): readonly StepId[] => listSteps(card).flatMap(({ id, isDone }) => (isDone ? [id] : []));
const isDone = (card: JobCard, id: StepId): boolean => doneOf(card).includes(id);
const reading = (id: string, shownFps: number): CardCommand => ({
  type: 'addReading',
  input: { reading: createReading({ id, takenAtMs: 5, shownFps }) },
});

describe('listSteps', () => {
  it('holds every step once, and the first that is not done is next', () => {
    expect(listSteps(empty).map(({ id }) => id)).toEqual([...stepIds]);
    expect(doneOf(empty)).toEqual([]);
    expect(listSteps(empty).flatMap(({ id, isNext }) => (isNext ? [id] : []))).toEqual(['first-things']);
    const all = { ...empty, finishedSteps: ['first-things', 'machine'] as const };
    expect(listSteps(all).flatMap(({ id, isNext }) => (isNext ? [id] : []))).toEqual(['footage']);
  });

  it('calls the first things done once each is answered', () => {
    const answered = {
      saved: 'yes',
      autosave: 'no',
      restarted: 'yes',
      'up-to-date': 'no',
      'meets-minimum': 'yes',
    } as const;
    expect(isDone({ ...empty, firstThings: answered }, 'first-things')).toBe(true);
    expect(isDone({ ...empty, firstThings: { ...answered, restarted: 'unknown' } }, 'first-things')).toBe(false);
  });

  it('calls the machine done once nothing of what tells most is a guess', () => {
    const { coreCount, speedClass, memoryMib, graphics } = demo.machine;
    const told = { ...empty.machine, coreCount, speedClass, memoryMib, graphics };
    expect(isDone({ ...empty, machine: told }, 'machine')).toBe(true);
    for (const key of ['coreCount', 'speedClass', 'memoryMib', 'graphics'] as const)
      expect(isDone({ ...empty, machine: { ...told, [key]: empty.machine[key] } }, 'machine'), key).toBe(false);
  });

  it('calls footage done with the first clip, and the timeline once what is drawn was stated', () => {
    expect([isDone(empty, 'footage'), isDone({ ...empty, clips: demo.clips.slice(0, 1) }, 'footage')]).toEqual([
      false,
      true,
    ]);
    const stated = (...fields: JobCard['timeline']['stated']): JobCard => ({
      ...empty,
      timeline: { ...empty.timeline, stated: fields },
    });
    expect(isDone(stated('videoLayerCount', 'titleCount', 'effects'), 'timeline')).toBe(true);
    expect(isDone(stated('videoLayerCount', 'effects', 'heightPx'), 'timeline')).toBe(false);
  });

  it('calls symptoms done with a reading and a word of when it lags, and findings with a reading', () => {
    const read = applyAll(empty, reading('r', 9));
    const complained = applyAll(empty, { type: 'setSymptoms', input: { patch: { moments: ['playing'] } } });
    expect([isDone(read, 'symptoms'), isDone(complained, 'symptoms')]).toEqual([false, false]);
    expect([isDone(read, 'findings'), isDone(complained, 'findings')]).toEqual([true, false]);
    expect(isDone({ ...read, symptoms: complained.symptoms }, 'symptoms')).toBe(true);
  });

  it('calls fixes done where it is usable and nothing is on trial, and the export check once all is put back', () => {
    const slow = applyAll(empty, reading('slow', 9));
    const open = applyAll(slow, {
      type: 'beginTrial',
      input: { id: 't', fix: { id: 'lower-preview-quality', level: '1/2' }, nowMs: 1 },
    });
    const measured = applyAll(open, reading('fast', 25));
    const kept = applyAll(measured, { type: 'endTrial', input: { id: 't', outcome: 'kept', nowMs: 2 } });
    expect([slow, open, measured, kept].map((card) => [isCardUsable(card), isDone(card, 'fixes')])).toEqual([
      [false, false],
      [false, false],
      [true, false],
      [true, true],
    ]);
    expect(isDone(kept, 'export-check')).toBe(false);
    const put = applyAll(kept, { type: 'tickPutBack', input: { trialId: 't', isDone: true } });
    expect(isDone(put, 'export-check')).toBe(true);
    // Nothing was tried: there is nothing that could have been put back.
    expect(isDone(applyAll(empty, reading('fast', 25)), 'export-check')).toBe(false);
    // A reading under another set-up says nothing of this one.
    expect(isCardUsable({ ...kept, readings: kept.readings.slice(0, 1) })).toBe(false);
  });

  it('takes a person’s word for a step, but for the last two', () => {
    expect(stepIds.filter(canFinishByHand)).toEqual(stepIds.slice(0, -2));
    const all = { ...empty, finishedSteps: stepIds };
    expect(doneOf(all)).toEqual(stepIds.slice(0, -2));
  });
});

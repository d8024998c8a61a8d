import { describe, expect, it } from 'vitest';
import { type CauseEvidence, questionCatalogue } from '@/core/belief';
import {
  createJobCard,
  createReading,
  editorAttachWays,
  type FixUse,
  type JobCard,
  lagKinds,
  lagMoments,
  type Reading,
} from '@/core/card';
import { causeIds } from '@/core/causes';
import { type AdviceReason, type NextMove, openQuestionIds, sideQuestionId, workingSetKinds } from '@/core/diagnose';
import { fixCatalogue, fixGroups, noSacrifice } from '@/core/fixes';
import { expectGoodWords } from '../../tests/stand-ins/good-words';
import { sideTexts } from './diagnosis';
import { describeEvidence, describeExpectation, describeWeight } from './evidence';
import { copiesQuestion, protectingLines, quickerExportLines } from './export-check';
import { settlingTests } from './findings';
import { fixTitle } from './fix-titles';
import { describeAmountsTried, fixGroupTexts, fixTexts, giveBackSteps } from './fixes';
import { causeTexts } from './load';
import { describeAdvice, describeMinutesSpent, describeMoveReason, nameMove, requirementLines } from './loop';
import { describePracticeFailure } from './meter';
import { describeAnswer } from './questions';
import {
  attachWaySteps,
  attachWayTexts,
  describeLoss,
  describeRoom,
  describeSacrifice,
  describeSwitch,
  describeWayGain,
  describeWhenToLook,
  workingSetTexts,
} from './working';

/** Words after which usually the name of a program follows, and forms in which programs are named. */
const namesAProgram = /\b(open|start|launch|use|using|in|with) [A-Z][a-z]+[A-Z]|\b[A-Z]{3,} \d|®|™/;

describe('the guide', () => {
  it('says for every fix what to do in at most three short lines, and names no program', () => {
    for (const fix of fixCatalogue) {
      const text = fixTexts[fix.id];
      const steps = text.steps(fix.defaultLevel);
      expect(steps.length, fix.id).toBeGreaterThan(0);
      expect(steps.length, fix.id).toBeLessThanOrEqual(3);
      const lines = [...steps, text.where, text.check, ...(text.putBack ? [text.putBack.why, text.putBack.seen] : [])];
      for (const line of lines) {
        expectGoodWords(line);
        expect(line.length, line).toBeLessThanOrEqual(220);
        expect(line, line).not.toMatch(namesAProgram);
      }
      expect(text.cost.length, fix.id).toBeGreaterThan(3);
      expect(text.putBack !== null, `${fix.id}: a line on the put-back list`).toBe(fix.putBack !== null);
      expect(giveBackSteps(fix.id, fix.defaultLevel)).toHaveLength(3);
      for (const step of giveBackSteps(fix.id, fix.defaultLevel)) expectGoodWords(step);
      for (const isOn of [true, false])
        expect(describeSwitch({ id: fix.id, level: fix.defaultLevel }, isOn).length).toBeGreaterThan(5);
    }
    for (const group of fixGroups) expect(fixGroupTexts[group].length).toBeGreaterThan(5);
  });

  it('puts no line twice on a put-back list, whatever was kept', () => {
    const lines = fixCatalogue.flatMap(({ id }) => fixTexts[id].putBack?.what ?? []);
    expect(lines.length).toBeGreaterThan(20);
    expect(lines.filter((line, i) => lines.indexOf(line) !== i)).toEqual([]);
  });

  it('says for every cause what it is, and what would settle it', () => {
    for (const id of causeIds) {
      expectGoodWords(causeTexts[id].why);
      expectGoodWords(settlingTests[id]);
      expect(settlingTests[id]).not.toMatch(namesAProgram);
    }
  });

  it('has a sentence for every way in which a trial can end, and says how much it was at least', () => {
    const reasons: readonly AdviceReason[] = [
      'better',
      'worse',
      'no-clear-change',
      'better-on-the-whole',
      'mixed',
      'better-unexpectedly',
      'worse-unexpectedly',
      'usable-now',
      'part-of-plan',
      'not-missed',
      'missed',
    ];
    const told = reasons.map(
      (reason) => describeAdvice({ verdict: 'better', reason, isDoubtful: false, atLeastRatio: null }).why,
    );
    for (const why of told) expectGoodWords(why);
    expect(new Set(told).size).toBe(reasons.length);
    expect(describeAdvice({ verdict: 'worse', reason: 'worse', isDoubtful: false, atLeastRatio: -0.18 }).label).toBe(
      'Worse, by at least 18 %',
    );
    const doubts = (['better', 'worse', 'mixed'] as const).map(
      (verdict) => describeAdvice({ verdict, reason: 'better', isDoubtful: true, atLeastRatio: null }).why,
    );
    for (const why of doubts) expectGoodWords(why);
    expect(new Set([...told, ...doubts]).size).toBe(told.length + doubts.length);
    for (const line of Object.values(requirementLines)) expectGoodWords(line);
  });

  it('gives a reason and a name for every kind of next step', () => {
    const fix = { id: 'make-proxies', level: 540 };
    const plain = { relief: null, isToFindOut: false, otherWays: [] } as const;
    const moves: readonly NextMove[] = [
      {
        kind: 'ask',
        test: {
          kind: 'question',
          id: 'core-use',
          level: null,
          bits: 1,
          cureProbability: 0,
          minutes: 1,
          score: 1,
          isToFindOut: false,
          otherWays: [],
        },
      },
      { kind: 'try', fix, minutes: 3, plan: null, ...plain },
      { kind: 'try', fix, minutes: 3, plan: null, ...plain, isToFindOut: true },
      { kind: 'try', fix, minutes: 3, plan: { fixes: [fix], probability: 0.9 }, ...plain },
      { kind: 'follow-plan', fix, minutes: 3, at: 1, of: 2 },
      { kind: 'give-back', fix, isUsable: true },
      { kind: 'give-back', fix, isUsable: false },
      { kind: 'ease', fix },
      { kind: 'nothing-left' },
      ...[null, 0.3].flatMap((closedRatio) =>
        [true, false].map((isHeldUsable) => ({
          kind: 'try' as const,
          fix,
          minutes: 3,
          plan: null,
          ...plain,
          relief: { fix, minutes: 3, closedRatio, isHeldUsable },
        })),
      ),
    ];
    for (const move of moves) {
      expectGoodWords(describeMoveReason(move));
      expect(nameMove(move).length).toBeGreaterThan(5);
    }
  });

  it('says how long it took, and promises nothing of what is left', () => {
    expect(describeMinutesSpent(12.4)).toBe('12 minutes spent on this card');
    expect(describeMinutesSpent(0.9)).toBe('1 minute spent on this card');
  });
});

describe('describeEvidence', () => {
  const quarter: FixUse = { id: 'lower-preview-quality', level: '1/4' };
  const reading = (shownFps: number, fixes: readonly FixUse[]): Reading => ({
    ...createReading({ id: `${shownFps}`, takenAtMs: 0, shownFps }),
    fixes,
  });
  const card = (...readings: readonly Reading[]): JobCard => ({
    ...createJobCard({ id: 'x', title: 'x', nowMs: 0 }),
    readings,
  });
  const of = (fixes: readonly FixUse[]): CauseEvidence => ({
    source: { kind: 'readings', fixes, moment: 'start' },
    logFactor: 1,
    expected: { present: { low: 9, mid: 10, high: 11 }, absent: { low: 18, mid: 20, high: 24 } },
  });

  it('says what a rate that stayed, rose or fell means', () => {
    expect(describeEvidence(of([quarter]), card(reading(10, []), reading(10.4, [quarter])))).toBe(
      'Lower the preview quality to 1/4: the rate stayed at 10.4, so the time is spent before the picture is made smaller. With this cause 9 to 11 was to be expected, without it 18 to 24.',
    );
    expect(describeEvidence(of([quarter]), card(reading(10, []), reading(20, [quarter])))).toContain(
      'rose from 10 to 20, so the time is spent on the pixels of the preview.',
    );
    expect(describeEvidence(of([quarter]), card(reading(10, []), reading(8, [quarter])))).toContain(
      'fell from 10 to 8',
    );
    expect(describeEvidence(of([]), card(reading(10, [])))).toContain('You read 10 a second.');
  });

  it('puts answers, complaints and contrasts into sentences', () => {
    const sources: readonly CauseEvidence['source'][] = [
      { kind: 'answer', questionId: 'memory-full', answer: 'yes' },
      { kind: 'answer', questionId: 'of-a-newer-one', answer: 'yes' },
      { kind: 'complaint' },
      { kind: 'contrast', without: 'effects' },
      { kind: 'lessons' },
    ];
    for (const source of sources) expectGoodWords(describeEvidence({ source, logFactor: 1, expected: null }, card()));
    expect([0.3, 1, 3].map(describeWeight)).toEqual(['a little', 'clearly', 'strongly']);
    expect([5, 10, 20].map((fps) => describeExpectation(fps, { low: 9, high: 12 }))).toEqual([
      'slower than expected',
      'as expected',
      'faster than expected',
    ]);
  });
});

describe('describeAmountsTried', () => {
  it('names what was kept and what was undone, and nothing where nothing was tried', () => {
    expect(describeAmountsTried({ kept: 4096, undone: 6144 })).toBe('Kept so far: 4 GB. Tried and undone: 6 GB.');
    expect(describeAmountsTried({ kept: null, undone: 6144 })).toBe('Tried and undone: 6 GB.');
    expect(describeAmountsTried({ kept: null, undone: null })).toBeNull();
  });
});

describe('words beside the loop', () => {
  it('cover every question that a card may hold an answer to', () => {
    for (const question of questionCatalogue)
      for (const answer of question.answers)
        expect(describeAnswer(question.id, answer).given.length).toBeGreaterThan(1);
    for (const id of Object.values(openQuestionIds)) expect(describeAnswer(id, 'unknown').given).toBe('Don’t know');
    for (const kind of lagKinds.filter((id) => sideTexts[id]))
      expect(describeAnswer(sideQuestionId(kind), 'yes').given).toBe('Yes');
    expect(describeAnswer('of-a-newer-one', 'so').question).toContain('newer Oil Can');
    expect(lagMoments.length).toBeGreaterThan(5);
  });

  it('cover export, sets, losses, room and what is given up', () => {
    for (const { what, why, check } of protectingLines) {
      expect(what.length).toBeGreaterThan(10);
      expectGoodWords(why);
      expectGoodWords(check);
    }
    for (const line of quickerExportLines) expectGoodWords(line);
    expectGoodWords(copiesQuestion.how);
    for (const kind of workingSetKinds) expect(workingSetTexts[kind].what.length).toBeGreaterThan(10);
    for (const way of editorAttachWays) {
      expect(attachWayTexts[way].what.length).toBeGreaterThan(10);
      if (way !== 'unknown') expectGoodWords(attachWaySteps[way]);
    }
    const losses = [0, 0.1, 0.4, 0.9].map((missingRatio) => describeLoss({ missingRatio }));
    expect(new Set(losses).size).toBe(4);
    const looks = [0, 0.1, 0.4, 0.9].map((missingRatio) =>
      describeWhenToLook({ missingRatio, fix: { id: 'lower-preview-quality', level: '1/2' } }),
    );
    expect(new Set(looks).size).toBe(4);
    expect(describeRoom({ layerCount: 2, effects: [{ kind: 'blur', layerCount: 1 }] })).toBe(
      'Room left: about two more layers, or soft blur on one layer.',
    );
    expectGoodWords(describeRoom({ layerCount: 0, effects: [] }));
    expect(describeSacrifice(noSacrifice)).toBe('nothing');
    expect(describeSacrifice({ ...noSacrifice, picture: 0.5, putBack: 0.1 })).toBe(
      'much of the picture, a little to put back',
    );
    expectGoodWords(describePracticeFailure({ code: 'no-video' }));
    expectGoodWords(describePracticeFailure({ code: 'practice-broke', detail: '' }));
  });

  it('say what a way of working brings, in the respect in which it brings most', () => {
    const range = (mid: number) => ({ low: mid, mid, high: mid });
    const forecast = (mid: number) => ({
      usableProbability: 0.5,
      gap: 1,
      shownFps: range(mid),
      scrubMs: range(mid * 10),
      openingSec: range(mid),
      lookMs: range(mid * 10),
    });
    const way = {
      id: 'import-less' as const,
      level: null,
      minutes: 5,
      before: forecast(10),
      after: forecast(20),
      gain: 1,
      isComplaint: true,
    };
    expect(describeWayGain({ ...way, respect: 'shownFps' })).toBe('10 → 20 a second');
    expect(describeWayGain({ ...way, respect: 'scrubMs' })).toBe('a move of the playhead 100 ms → 200 ms');
    expect(describeWayGain({ ...way, respect: 'lookMs' })).toContain('unused clip');
    expect(describeWayGain({ ...way, respect: 'openingSec' })).toBe('the project opens in 10 → 20 s');
    expect(fixTitle('import-less', null).length).toBeGreaterThan(5);
  });
});

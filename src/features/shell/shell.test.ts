import { beforeAll, describe, expect, it } from 'vitest';
import { type CardCommand, createJobCard, createReading, type JobCard, stepIds } from '@/core/card';
import { type NamedCause, summariseCard } from '@/core/diagnose';
import { loadDemoCards } from '@/demo/load-demo-cards';
import { causeTexts } from '@/messages/load';
import { applyAll } from '../../../tests/stand-ins/commands';
import { describeMove, describeNextStep } from './answer/describe-next-step';
import { cardFileName } from './card/export-card';
import { toBudgetLanes } from './gauge/budget-lanes';
import { describeStepState } from './rail/step-hints';

let demo: JobCard;
beforeAll(async () => {
  const [card] = await loadDemoCards();
  if (!card) throw new Error('no demo card');
  demo = card;
});

const nextOf = (card: JobCard) => describeNextStep(summariseCard(card).next, card);
const finishFindings: CardCommand = { type: 'finishStep', input: { stepId: 'findings' } };
const fix = { id: 'make-proxies', level: 540 };
const begin: CardCommand = { type: 'beginTrial', input: { id: 't', fix, nowMs: 1 } };
const reading = (id: string, shownFps: number): CardCommand => ({
  type: 'addReading',
  input: { reading: createReading({ id, takenAtMs: 2, shownFps, scrubFeel: 'fine' }) },
});
const end = (outcome: 'kept' | 'undone'): CardCommand => ({ type: 'endTrial', input: { id: 't', outcome, nowMs: 3 } });

describe('describeNextStep', () => {
  it('says in each state what to do and where', () => {
    expect(nextOf(createJobCard({ id: 'x', title: 'x', nowMs: 0 }))).toMatchObject({
      title: 'Answer the first things',
      stepId: 'first-things',
    });
    const read = applyAll(demo, finishFindings);
    expect(nextOf(read)).toMatchObject({ button: 'Show me how', stepId: 'fixes' });
    const trying = applyAll(read, begin);
    expect(nextOf(trying)).toMatchObject({ title: 'Make the change', stepId: 'fixes' });
    const made = applyAll(trying, { type: 'markTrialMade', input: { id: 't', madeAtMs: 2 } });
    expect(nextOf(made)).toMatchObject({ title: 'Measure the change', stepId: 'fixes' });
    const measured = applyAll(trying, reading('r', 25));
    expect(nextOf(measured)).toMatchObject({ title: 'Keep it or undo it' });
    const kept = applyAll(measured, end('kept'));
    expect(nextOf(kept)).toMatchObject({ title: 'Edit; put back before export', stepId: 'export-check' });
    const ready = applyAll(
      kept,
      { type: 'tickPutBack', input: { trialId: 't', isDone: true } },
      { type: 'answerPointsAtCopies', input: { answer: 'no' } },
    );
    expect(nextOf(ready)).toMatchObject({ title: 'Ready to export', why: 'Everything is put back.' });
  });

  it('asks for a reading where a kept fix was undone and none fits the set-up', () => {
    const kept = applyAll(demo, finishFindings, begin, reading('r', 25), end('kept'));
    const undone = applyAll(kept, { type: 'undoKeptTrial', input: { id: 't', nowMs: 4 } });
    const without = { ...undone, readings: undone.readings.map((past) => ({ ...past, fixes: [fix] })) };
    expect(nextOf(without)).toMatchObject({ title: 'Take a reading', stepId: 'fixes' });
  });
});

describe('describeMove', () => {
  it('promises nothing of a last resort', () => {
    const move = { kind: 'try' as const, fix, minutes: 3, plan: null, relief: null, isToFindOut: false, otherWays: [] };
    expect(describeMove(move)?.why).toMatch(/^Quick to try/);
    expect(describeMove({ ...move, isToFindOut: true })?.why).toMatch(/^Only to find out.*go back/);
    expect(describeMove({ ...move, relief: { fix, minutes: 3, closedRatio: null, isHeldUsable: false } })?.why).toMatch(
      /now and then/,
    );
    expect(describeMove({ ...move, relief: { fix, minutes: 3, closedRatio: 0.3, isHeldUsable: false } })?.why).toMatch(
      /about 30 %/,
    );
  });
});

describe('the step by the estimate', () => {
  it('tells what a fix brings, takes and costs', () => {
    const { facts = [] } = nextOf(applyAll(demo, finishFindings));
    expect(facts.map(({ name }) => name)).toEqual(['brings', 'takes', 'costs']);
    expect(facts[0]?.value).toMatch(/a second$/);
  });
});

describe('describeStepState', () => {
  it('has a few words for every step of an empty and of a full card, short enough for one line', () => {
    for (const card of [createJobCard({ id: 'x', title: 'x', nowMs: 0 }), demo]) {
      const overview = summariseCard(card);
      for (const stepId of stepIds) {
        const words = describeStepState(stepId, card, overview, { kind: 'unknown', needs: [] });
        expect(words.length, stepId).toBeGreaterThan(4);
        expect(words.length, `${stepId}: ${words}`).toBeLessThanOrEqual(24);
      }
    }
  });
  it('names the cause that all other pages name', () => {
    const words = (cause: NamedCause) => describeStepState('findings', demo, summariseCard(demo), cause);
    expect(words({ kind: 'diagnosed', id: 'decode-heavy', probability: 0.9 })).toBe(causeTexts['decode-heavy'].short);
    expect(words({ kind: 'estimated', id: 'decode-heavy' })).toBe('only estimated so far');
  });
  it('never says a reading of a set-up that was undone', () => {
    const kept = applyAll(demo, begin, reading('r', 25), end('kept'), {
      type: 'undoKeptTrial',
      input: { id: 't', nowMs: 4 },
    });
    const without = { ...kept, readings: kept.readings.filter(({ id }) => id === 'r') };
    const words = describeStepState('symptoms', without, summariseCard(without), { kind: 'unknown', needs: [] });
    expect(words).toBe('to be read again');
  });
  it('counts trials and what is to put back', () => {
    const named = { kind: 'usable' } as const;
    const kept = applyAll(demo, begin, reading('r', 25), end('kept'));
    expect(describeStepState('fixes', kept, summariseCard(kept), named)).toBe('1 kept, 0 undone');
    expect(describeStepState('export-check', kept, summariseCard(kept), named)).toBe('1 thing to put back');
  });
});

describe('cardFileName', () => {
  const nameOf = (title: string) => cardFileName({ ...demo, title });
  it('is made of letters, figures and dashes that every system takes', () => {
    expect(nameOf('Kiln diaries, episode 6')).toBe('kiln-diaries-episode-6.oil-can.json');
    expect(nameOf('../../Été: "fin"?')).toBe('ete-fin.oil-can.json');
    expect(nameOf('陶芸')).toBe('job-card.oil-can.json');
    expect(nameOf('x'.repeat(200)).length).toBeLessThanOrEqual(60 + '.oil-can.json'.length);
  });
});

describe('toBudgetLanes', () => {
  it('puts every stage on one of three lanes, each with a colour of its own', () => {
    const lanes = toBudgetLanes(summariseCard(demo).findings.stages);
    const stages = lanes.flatMap((lane) => lane.stages);
    expect(lanes.map((lane) => lane.label)).toEqual(['Drive', 'Decoder', 'Drawing']);
    expect(new Set(stages.map((stage) => stage.colour)).size).toBe(6);
  });
});

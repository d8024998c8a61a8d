import { describe, expect, it } from 'vitest';
import { demoCardAt } from '../../../tests/stand-ins/demo-cards';
import {
  applyCommand,
  type CardCommand,
  createJobCard,
  createReading,
  type FixUse,
  type JobCard,
  type Lesson,
} from '../card';
import { createOutcomes } from '../load';
import { priorFactsOf } from './card-state';
import { drawLessons } from './draw-lessons';
import { listSingles } from './hypotheses';
import {
  binOf,
  findLesson,
  type LessonId,
  learnedRatio,
  lessonIds,
  likelihoodsOf,
  listLessonEvidence,
} from './lessons';
import { type Belief, type BeliefComponent, inferPosterior } from './posterior';
import { priorBelief } from './prior';
import { pickSamples } from './thin-posterior';
import { viewSamples } from './weighing';

const card = demoCardAt(0);
const prior = priorBelief(card);

/** The prior with those of its samples that are chosen, as if something had told so much. */
function knowing(isChosen: (component: BeliefComponent, index: number) => boolean): Belief {
  const components = prior.components.map((component) =>
    pickSamples(
      component,
      Array.from({ length: component.count }, (_, i) => i).filter((i) => isChosen(component, i)),
    ),
  );
  return { ...prior, components, sampleCount: components.reduce((sum, { count }) => sum + count, 0) };
}

const lessonOf = (belief: Belief, id: LessonId): Lesson => {
  const lesson = drawLessons(card, belief).find((drawn) => drawn.id === id);
  if (!lesson) throw new Error(`no lesson ${id}`);
  return lesson;
};

/** The card with a fix tried and kept. */
function withKept(on: JobCard, fix: FixUse): JobCard {
  const run = (of: JobCard, command: CardCommand): JobCard => {
    const result = applyCommand(of, command, 2);
    if (!result.ok) throw new Error(result.failure.code);
    return result.value;
  };
  const read = (of: JobCard, id: string): JobCard =>
    run(of, { type: 'addReading', input: { reading: createReading({ id, takenAtMs: 1, shownFps: 9 }) } });
  const begun = run(read(on, 'before'), { type: 'beginTrial', input: { id: 't', fix, nowMs: 2 } });
  const tried = read(begun, 'after');
  return run(tried, { type: 'endTrial', input: { id: 't', outcome: 'kept', nowMs: 2 } });
}

const withOneThread = knowing(({ samples }, i) => (samples.decodeThreadCount[i] as number) < 1.5);

/** What the lessons of a card add for each sample of the prior. */
function addedTo(taught: JobCard): Float64Array {
  const [component] = prior.components;
  if (!component) throw new Error('no component');
  const into = new Float64Array(component.count);
  const view = viewSamples(component.hypothesis.state, component.samples, createOutcomes(component.count));
  for (const { addTo } of listLessonEvidence(taught)) addTo(into, view, component.count);
  return into;
}

const meanThreads = (belief: Belief): number =>
  belief.components.reduce(
    (sum, { weight, count, samples }) =>
      sum + (weight / count) * samples.decodeThreadCount.reduce((threads, each) => threads + (each < 1.5 ? 1 : 0), 0),
    0,
  );

describe('lessons of a card', () => {
  it('are none where nothing was learned', () => {
    // Drawn at random, the same samples would tell a little by chance.
    expect(drawLessons(card, prior).map(({ id }) => id)).toEqual([]);
  });

  it('tell what the belief has come to, of the machine and of the editor', () => {
    const lesson = lessonOf(withOneThread, 'one-decode-thread');
    expect(lesson).toMatchObject({ of: ['editor'], from: card.title, about: '', edges: [0.5], after: [0, 1] });
    expect(lesson.before[1]).toBeCloseTo(0.1, 1);
    const quick = knowing(({ samples }, i) => (samples.driveFactor[i] as number) > 1.4);
    const drive = lessonOf(quick, 'drive-rate');
    expect(drive).toMatchObject({ of: ['drives'], about: card.machine.footageDrive.value });
    expect(learnedRatio(drive)).toBeGreaterThan(1.4);
    expect(learnedRatio({ ...drive, after: drive.before })).toBe(1);
  });

  it('tell of a fault where it was found and is still there, not where it was found missing', () => {
    const singles = listSingles(prior.base, priorFactsOf(card));
    const beliefIn = (variant: string): Belief => {
      const hypothesis = singles.find(({ key }) => key.endsWith(variant));
      const [component] = prior.components;
      if (!hypothesis || !component) throw new Error(`no hypothesis ${variant}`);
      return { ...prior, components: [{ ...component, hypothesis }] };
    };
    const faultsOf = (of: JobCard, belief: Belief) =>
      drawLessons(of, belief)
        .map(({ id }) => id)
        .filter((id) => findLesson(id as LessonId).isFault);
    expect(faultsOf(card, beliefIn(':power'))).toEqual(['is-held-back']);
    expect(faultsOf(card, beliefIn(':cache'))).toEqual(['cache-is-slow']);
    expect(faultsOf(card, beliefIn('none'))).toEqual([]);
    const raised = withKept(card, { id: 'raise-power-mode', level: null });
    expect(faultsOf(raised, beliefIn(':power'))).toEqual([]);
  });

  it('have bins that add up to one, whatever the belief', () => {
    for (const belief of [withOneThread, inferPosterior(card, { sampleCount: 600 })])
      for (const { before, after, edges } of drawLessons(card, belief)) {
        expect(before).toHaveLength(edges.length + 1);
        for (const masses of [before, after]) expect(masses.reduce((sum, mass) => sum + mass, 0)).toBeCloseTo(1, 2);
        expect([...edges].sort((a, b) => a - b)).toEqual(edges);
      }
  });
});

describe('what lessons say on the next card', () => {
  it('is nothing where they are unknown, about another drive, or told nothing', () => {
    const lesson = lessonOf(withOneThread, 'one-decode-thread');
    const drive = lessonOf(
      knowing(({ samples }, i) => (samples.driveFactor[i] as number) > 1.4),
      'drive-rate',
    );
    expect(listLessonEvidence({ ...card, lessons: [{ ...lesson, id: 'of-a-newer-one' }] })).toEqual([]);
    expect(listLessonEvidence({ ...card, lessons: [{ ...drive, about: 'network' }] })).toEqual([]);
    expect(listLessonEvidence({ ...card, lessons: [{ ...drive, id: 'one-decode-thread' }] })).toEqual([]);
    expect(listLessonEvidence({ ...card, lessons: [{ ...drive, after: [1] }] })).toEqual([]);
    expect(listLessonEvidence({ ...card, lessons: [drive] })).toHaveLength(1);
    for (const added of addedTo({ ...card, lessons: [{ ...lesson, after: lesson.before }] }))
      expect(added).toBeCloseTo(0, 6);
  });

  it('is never certain: what may have changed is mixed in', () => {
    for (const id of lessonIds) {
      const { forgotten } = findLesson(id);
      const sure: Lesson = { id, of: ['editor'], from: '', about: '', edges: [0.5], before: [0.5, 0.5], after: [0, 1] };
      const [no, yes] = likelihoodsOf(sure, forgotten) as [number, number];
      expect(no).toBe(forgotten);
      expect(yes).toBeCloseTo(2 - forgotten, 9);
      expect(forgotten).toBeGreaterThanOrEqual(0.1);
    }
  });

  it('makes likelier what was learned, and what was dropped leaves no trace', () => {
    const next = createJobCard({ id: 'next', title: 'Next', nowMs: 1 });
    const read: JobCard = {
      ...next,
      clips: card.clips,
      readings: [{ ...createReading({ id: 'r', takenAtMs: 1, shownFps: 9 }), fixes: [] }],
    };
    const taught = { ...read, lessons: [lessonOf(withOneThread, 'one-decode-thread')] };
    const options = { sampleCount: 1200 };
    const without = meanThreads(inferPosterior(read, options));
    expect(meanThreads(inferPosterior(taught, options))).toBeGreaterThan(3 * without);
    expect(meanThreads(inferPosterior({ ...taught, lessons: [] }, options))).toBe(without);
  });
});

describe('binOf', () => {
  it('finds the bin between two edges, and those at the ends', () => {
    expect([0, 1, 1.5, 2, 9].map((value) => binOf([1, 2], value))).toEqual([0, 1, 1, 2, 2]);
  });
});

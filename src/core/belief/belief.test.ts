import { describe, expect, it } from 'vitest';
import { loadDemoCards } from '@/demo/load-demo-cards';
import { applyAll } from '../../../tests/stand-ins/commands';
import { type CardCommand, createReading, type JobCard } from '../card';
import { diagnose } from '../diagnose';
import { compile, createOutcomes, evaluate } from '../load';
import { parameterNames } from '../load/parameters';
import { createCase } from '../simulate/cases';
import { type Belief, inferPosterior, outcomesUnder, rankCauses, sharesUnder } from '.';
import { createValueWeigher, readingSpread, studentBelow } from './likelihood';
import { movedParameters } from './posterior';

const demos = await loadDemoCards();
const options = { sampleCount: 1200 };

const reading = (id: string, shownFps: number): CardCommand => ({
  type: 'addReading',
  input: { reading: createReading({ id, takenAtMs: 5, shownFps, scrubFeel: 'jumpy' }) },
});
const answer = (id: string, questionId: string, given: string): CardCommand => ({
  type: 'answerQuestion',
  input: { answer: { id, questionId, answer: given, takenAtMs: 0 } },
});

const causesOf = (card: JobCard, sampleCount: number) =>
  rankCauses(sharesUnder(inferPosterior(card, { sampleCount }), []));

/** Where a share of the weight lies below, of figures with weights. */
function quantileOf(rows: readonly (readonly [figure: number, weight: number])[], share: number): number {
  const order = [...rows].sort((a, b) => a[0] - b[0]);
  const total = order.reduce((sum, [, weight]) => sum + weight, 0);
  let held = 0;
  for (const [figure, weight] of order) {
    held += weight;
    if (held >= share * total) return figure;
  }
  throw new Error('quantileOf: no rows');
}

describe('inferPosterior', () => {
  it('brings samples to where weighing those without the reading puts them', () => {
    for (const demo of demos) {
      const read = demo.readings[0]?.shownFps ?? 0;
      const card = {
        ...demo,
        readings: demo.readings.map((r) => ({ ...r, scrubFeel: null, isGoodEnough: 'unknown' as const })),
      };
      const figuresOf = (belief: Belief, weightOf: (fps: number) => number) =>
        outcomesUnder(belief, []).flatMap(({ out, sampleWeight, component }) =>
          Array.from({ length: component.count }, (_, i) => {
            const fps = out.shownFps[i] as number;
            return [fps, sampleWeight * weightOf(fps)] as const;
          }),
        );
      const weigh = createValueWeigher(read, readingSpread.typed);
      const weighed = figuresOf(inferPosterior({ ...card, readings: [] }), (fps) => Math.exp(weigh(fps)));
      const moved = figuresOf(inferPosterior(card), () => 1);
      for (const share of [0.1, 0.5, 0.9])
        expect(Math.abs(Math.log(quantileOf(moved, share) / quantileOf(weighed, share)))).toBeLessThan(0.15);
    }
  });

  it('moves every parameter that has an effect under a hypothesis', () => {
    for (const demo of demos)
      for (const { hypothesis, samples, count } of inferPosterior(demo, options).components) {
        const moved = new Set(movedParameters(hypothesis));
        const others = parameterNames.filter((name) => !moved.has(name));
        const turned = { ...samples, ...Object.fromEntries(others.map((name) => [name, samples[name].toReversed()])) };
        const coefficients = compile(hypothesis.state, 'heaviest');
        const [out, turnedOut] = [createOutcomes(count), createOutcomes(count)];
        evaluate(coefficients, samples, out);
        evaluate(coefficients, turned, turnedOut);
        expect(turnedOut).toEqual(out);
      }
  });

  it('concludes the same whatever the order of readings and answers', () => {
    for (const demo of demos) {
      const card = applyAll(
        demo,
        reading('a', 9),
        reading('b', 12),
        answer('c', 'core-use', 'nearly-all'),
        answer('d', 'memory-full', 'no'),
      );
      const turned = { ...card, readings: [...card.readings].reverse(), answers: [...card.answers].reverse() };
      expect(diagnose(turned, options)).toEqual(diagnose(card, options));
    }
  });

  it('keeps no trace of a reading or an answer that was taken away again', () => {
    for (const demo of demos) {
      const read = applyAll(demo, reading('a', 3), { type: 'removeReading', input: { id: 'a' } });
      const asked = applyAll(read, answer('b', 'source-panel', 'yes'), { type: 'removeAnswer', input: { id: 'b' } });
      expect(diagnose(asked, options)).toEqual(diagnose(demo, options));
    }
  });

  it('gives the same answer again once a fix is left out', () => {
    const [demo] = demos;
    if (!demo) throw new Error('no demo card');
    const fix = { id: 'lower-preview-quality', level: '1/4' };
    const begun = applyAll(demo, { type: 'beginTrial', input: { id: 't', fix, nowMs: 1 } });
    const given = applyAll(begun, { type: 'endTrial', input: { id: 't', outcome: 'abandoned', nowMs: 2 } });
    const { causes, shownFps } = diagnose(demo, options);
    expect(diagnose(given, options)).toMatchObject({ causes, shownFps });
    expect(diagnose(begun, options).shownFps).not.toEqual(shownFps);
  });

  it('moves no shown cause by more than 0.05 from 4,000 samples to 10,000', () => {
    for (const card of [...demos, ...[1, 4, 9, 16].map((seed) => createCase(seed).card)]) {
      const [few, many] = [causesOf(card, 4000), causesOf(card, 10_000)];
      for (const { id, probability } of few.filter((cause) => cause.probability >= 0.12)) {
        const other = many.find((cause) => cause.id === id)?.probability ?? 0;
        expect(Math.abs(other - probability), `${card.id} ${id}`).toBeLessThanOrEqual(0.05);
      }
    }
  });

  it('names shares that add up to 1 and probabilities between 0 and 1', () => {
    for (const demo of demos) {
      const causes = causesOf(demo, 1200);
      expect(causes.reduce((sum, { share }) => sum + share, 0)).toBeGreaterThan(0.98);
      expect(causes.reduce((sum, { share }) => sum + share, 0)).toBeLessThanOrEqual(1 + 1e-9);
      for (const { probability } of causes) expect(probability >= 0 && probability <= 1).toBe(true);
    }
  });

  it('names for each demo card the cause that it was made with', () => {
    expect(demos.map((demo) => causesOf(demo, 2000)[0]?.id)).toEqual([
      'decode-heavy',
      'effects-heavy',
      'programs-busy',
    ]);
  });

  it('says that nothing explains it where no look and no fix does', () => {
    const practice = createCase(15);
    expect(practice.trueCauseId).toBe('nothing-explains-it');
    const asked = applyAll(
      practice.card,
      ...[
        ['source-panel', 'no'],
        ['other-programs', 'no'],
        ['memory-full', 'no'],
        ['system-drive-room', 'enough'],
        ['builds-shown', 'no'],
        ['held-back', 'no'],
        ['graphics-memory-full', 'no'],
        // Nobody described the timeline, and effects that nobody listed would explain it.
        ['clip-alone', 'small-hitches'],
      ].map(([id = '', given = '']) => answer(`a-${id}`, id, given)),
    );
    const [first] = diagnose(asked, options).causes;
    expect(first?.id).toBe('nothing-explains-it');
  });
});

describe('studentBelow', () => {
  it('is the distribution of Student’s t with four degrees of freedom', () => {
    expect(studentBelow(0)).toBe(0.5);
    // Tables: 2.132 leaves 5 % above, 2.776 leaves 2.5 %.
    expect(studentBelow(2.132)).toBeCloseTo(0.95, 3);
    expect(studentBelow(-2.776)).toBeCloseTo(0.025, 3);
  });
});

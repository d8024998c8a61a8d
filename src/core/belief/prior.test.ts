import { describe, expect, it } from 'vitest';
import { demoCardAt, demoCards } from '../../../tests/stand-ins/demo-cards';
import { deriveBaseState, type JobCard, type Lesson } from '../card';
import { estimate, middleParameters } from '../load';
import { complaintOf } from '../usable';
import { forecastUnder, type LessonId, priorBelief, priorOfState } from '.';

describe('priorBelief', () => {
  it('draws the middle of what nobody knows about as the estimate has it', () => {
    for (const card of demoCards) {
      const { shownFps } = forecastUnder(priorBelief(card), []);
      const state = deriveBaseState(card);
      const middle = estimate(state, 'heaviest', middleParameters(state.setup.machine)).shownFps;
      expect(middle).toBeGreaterThan(shownFps.low);
      expect(middle).toBeLessThan(shownFps.high);
    }
  });

  it('holds one hypothesis, and nothing of it is more sure than another', () => {
    const card = demoCardAt(0);
    const { components, sampleCount } = priorBelief(card);
    expect(components.map(({ weight, count }) => [weight, count])).toEqual([[1, sampleCount]]);
    expect(forecastUnder(priorBelief(card), []).usableProbability).toBeGreaterThanOrEqual(0);
  });

  it('goes by what earlier cards taught of figures and switches, and is the same without', () => {
    const card = demoCardAt(0);
    const taught = (id: LessonId, before: readonly number[], after: readonly number[], edges = [0.5]): JobCard => {
      const lesson: Lesson = { id, of: ['editor'], from: 'Before', about: '', edges, before, after };
      return { ...card, lessons: [lesson] };
    };
    const threadsOf = (of: JobCard): Float64Array => {
      const [component] = priorBelief(of).components;
      if (!component) throw new Error('no component');
      expect(component.samples.decodeThreadCount).toHaveLength(component.count);
      return component.samples.decodeThreadCount;
    };
    const oneThreadShare = (of: JobCard): number =>
      threadsOf(of).filter((count) => count < 1.5).length / threadsOf(of).length;
    const oneThread = taught('one-decode-thread', [0.9, 0.1], [0, 1]);
    expect(oneThreadShare(card)).toBeLessThan(0.2);
    // What may have changed since is mixed in, so it is not all of them.
    expect(oneThreadShare(oneThread)).toBeGreaterThan(2.5 * oneThreadShare(card));
    expect(oneThreadShare(oneThread)).toBeLessThan(1);
    const slow = taught('decode-rate', [0.5, 0.3, 0.2], [0.9, 0.1, 0], [2, 4]);
    const shownFps = (of: JobCard): number => forecastUnder(priorBelief(of), []).shownFps.mid;
    expect(shownFps(slow)).toBeLessThan(shownFps(card));
    // No fault is in the estimate, learned or not; and a lesson that nobody knows says nothing.
    const untaught = priorOfState(deriveBaseState(card), complaintOf(card));
    expect(priorBelief(card)).toEqual(untaught);
    expect(shownFps(taught('is-held-back', [0.9, 0.1], [0, 1]))).toBeCloseTo(shownFps(card), 0);
    expect(priorBelief({ ...card, lessons: [{ ...(oneThread.lessons[0] as Lesson), id: 'of-a-newer-one' }] })).toEqual(
      untaught,
    );
  });
});

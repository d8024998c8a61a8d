import { describe, expect, it } from 'vitest';
import { findLesson, lessonIds, lessonKindOf } from '@/core/belief';
import type { Lesson } from '@/core/card';
import { describeLesson } from './lessons';

const edges = [0.5, 0.6, 0.7, 0.8, 0.9, 1, 1.1, 1.3, 1.6];
const evenly = Array(10).fill(0.1) as number[];
const lessonOf = (id: string, part: Partial<Lesson>): Lesson => ({
  id,
  of: ['editor'],
  from: 'Village choir',
  about: '',
  edges: [0.5],
  before: [0.9, 0.1],
  after: [0, 1],
  ...part,
});

describe('describeLesson', () => {
  it('has a sentence for each lesson, whichever way it went; of a fault, for its being there', () => {
    for (const id of lessonIds.filter((each) => findLesson(each).isFault)) {
      expect(describeLesson(lessonOf(id, {})), id).toMatch(/^[A-Z].{10,80}[a-z]$/);
    }
    for (const id of lessonIds.filter((each) => !findLesson(each).isFault)) {
      const parts: readonly Partial<Lesson>[] = lessonKindOf(lessonOf(id, {}))
        ? [{}, { after: [1, 0] }]
        : [
            { edges, before: evenly, after: [0, 0, 0, 0, 0, 0, 0, 0, 0.5, 0.5] },
            { edges, before: evenly, after: evenly },
          ];
      const texts = parts.map((part) => describeLesson(lessonOf(id, part)));
      expect(new Set(texts).size, id).toBe(2);
      for (const text of texts) expect(text, id).toMatch(/^[A-Z].{10,80}[a-z]$/);
    }
  });

  it('says how sure it is, and of two ways the one that became likelier', () => {
    const thread = (before: number[], after: number[]) =>
      describeLesson(lessonOf('one-decode-thread', { before, after }));
    expect(thread([0.9, 0.1], [0.01, 0.99])).toBe('Your editor decodes with one thread');
    expect(thread([0.9, 0.1], [0.7, 0.3])).toBe('Your editor decodes with one thread, about 3 in 10');
    expect(thread([0.9, 0.1], [1, 0])).toBe('Your editor decodes with several threads');
  });

  it('says by how much a figure is off, and nothing of what it does not know', () => {
    const twice = { edges, before: evenly, after: [0, 0, 0, 0, 0, 0, 0, 0, 0, 1] };
    expect(describeLesson(lessonOf('decode-rate', twice))).toMatch(
      /^Decoding runs at [\d.]+ times the estimated rate$/,
    );
    expect(describeLesson(lessonOf('decode-rate', { ...twice, after: evenly }))).toBe(
      'Decoding runs at the estimated rate',
    );
    expect(describeLesson(lessonOf('of-a-newer-one', {}))).toBe('Something that this Oil Can does not know');
  });
});

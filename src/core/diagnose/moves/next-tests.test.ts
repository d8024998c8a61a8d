import { beforeAll, describe, expect, it } from 'vitest';
import { loadDemoCards } from '@/demo/load-demo-cards';
import { decodeRun, decodeTest } from '../../../../tests/arbitrary/clips';
import { measuredReading } from '../../../../tests/arbitrary/readings';
import { findQuestion, questionCatalogue } from '../../belief';
import { applyCommand, type JobCard, testableClip } from '../../card';
import { findFix } from '../../fixes';
import { measureRig } from '../../simulate';
import { answerAbout, createCase } from '../../simulate/cases';
import { type Diagnosis, diagnose, testPlayId } from '..';

const options = { sampleCount: 1000 };

const change = (card: JobCard, command: Parameters<typeof applyCommand>[1]): JobCard => {
  const result = applyCommand(card, command, 1);
  if (!result.ok) throw new Error(JSON.stringify(result.failure));
  return result.value;
};

describe('rankNextTests', () => {
  let seen: readonly { readonly card: JobCard; readonly diagnosis: Diagnosis }[] = [];
  beforeAll(async () => {
    const cards = [...(await loadDemoCards()), ...[3001, 3002, 3003, 3004, 3005].map((seed) => createCase(seed).card)];
    seen = cards.map((card) => ({ card, diagnosis: diagnose(card, options) }));
  }, 60_000);

  it('gives figures that can be: bits and minutes above zero, probabilities from 0 to 1, the best first', () => {
    for (const { diagnosis } of seen) {
      expect(diagnosis.nextTests.length).toBeGreaterThan(0);
      for (const { id, bits, cureProbability, minutes, score } of diagnosis.nextTests) {
        expect(Number.isFinite(bits) && bits >= 0, id).toBe(true);
        expect(cureProbability >= 0 && cureProbability <= 1, id).toBe(true);
        expect(minutes, id).toBeGreaterThan(0);
        expect(Number.isFinite(score) && score > 0, id).toBe(true);
      }
      // Two of nearly equal worth stand in the order of their minutes.
      const scores = diagnosis.nextTests.map(({ score }) => score);
      for (const [i, score] of scores.slice(1).entries()) expect(score).toBeLessThanOrEqual(1.03 * (scores[i] ?? 0));
    }
  });

  it('offers each step once, and only what there is', () => {
    for (const { card, diagnosis } of seen) {
      expect(new Set(diagnosis.nextTests.map(({ id }) => id)).size).toBe(diagnosis.nextTests.length);
      for (const { kind, id } of diagnosis.nextTests)
        if (kind !== 'test-play')
          expect(kind === 'question' ? findQuestion(id) : findFix(id as never), `${card.id} ${id}`).toBeDefined();
    }
  });

  it('asks whether the picture stands until the meter has seen the timeline play', () => {
    const asked = seen.find(({ diagnosis }) => diagnosis.nextTests.some(({ id }) => id === 'picture-stands'));
    if (!asked) throw new Error('no card on which it is asked');
    const isAsked = (doing: 'playing' | 'scrubbing'): boolean => {
      const readings = asked.card.readings.map((reading) => ({ ...reading, doing, measured: measuredReading() }));
      return diagnose({ ...asked.card, readings }, options).nextTests.some(({ id }) => id === 'picture-stands');
    };
    expect(isAsked('playing')).toBe(false);
    expect(isAsked('scrubbing')).toBe(true);
  });

  it('offers to play a clip once, where this browser decodes one that tells', () => {
    const offerOf = (card: JobCard) => diagnose(card, options).nextTests.find(({ kind }) => kind === 'test-play');
    const offered = seen.filter(({ diagnosis }) => diagnosis.nextTests.some(({ kind }) => kind === 'test-play'));
    expect(offered.length).toBeGreaterThan(0);
    for (const { card, diagnosis } of seen)
      if (!testableClip(card)) expect(diagnosis.nextTests.some(({ kind }) => kind === 'test-play')).toBe(false);
    const [first] = offered;
    if (!first) throw new Error('no card with a clip to play');
    const test = decodeTest([decodeRun(60)]);
    expect(offerOf(change(first.card, { type: 'addDecodeTest', input: { test } }))).toBeUndefined();
    const refused = { id: testPlayId, level: null };
    expect(offerOf(change(first.card, { type: 'refuseTest', input: { test: refused } }))).toBeUndefined();
    const unseen = first.card.clips.map((clip) => ({ ...clip, browserAnswer: null }));
    expect(offerOf({ ...first.card, clips: unseen })).toBeUndefined();
  });

  it('offers to read a file of which this browser decodes nothing, where it is large enough', () => {
    const [first] = seen;
    if (!first) throw new Error('no card');
    const unknown = { hardware: 'codec-unknown', isSmooth: 'unknown', isPowerEfficient: 'unknown' } as const;
    const clipOf = (sizeBytes: number) =>
      testableClip({
        ...first.card,
        clips: first.card.clips.map((clip) => ({
          ...clip,
          facts: { ...clip.facts, sizeBytes },
          browserAnswer: unknown,
        })),
      });
    expect(clipOf(1e9)?.facts.bitrateMbitPerSec).toBe(
      Math.max(...first.card.clips.map(({ facts }) => (facts.kind === 'video' ? facts.bitrateMbitPerSec : 0))),
    );
    expect(clipOf(1e7)).toBeNull();
  });

  it('is answered, right or wrong, in the words of its question', () => {
    const practice = createCase(3001);
    const outcome = { ...measureRig(practice.rig, practice.seed), graphicsUseRatio: 0.9 };
    for (const { id, answers } of questionCatalogue)
      for (let seed = 0; seed < 100; seed++)
        expect(answers, id).toContain(answerAbout({ ...practice.person, seed }, id, practice.rig, outcome));
  }, 30_000);

  it('says that nobody is cured by a question', () => {
    for (const { diagnosis } of seen)
      for (const { kind, cureProbability } of diagnosis.nextTests)
        if (kind === 'question') expect(cureProbability).toBe(0);
  });

  it('never asks again what was answered, nor offers what was refused', () => {
    for (const { card, diagnosis } of seen) {
      const question = diagnosis.nextTests.find(({ kind }) => kind === 'question');
      const fix = diagnosis.nextTests.find(({ kind }) => kind === 'fix');
      const answers = question && findQuestion(question.id)?.answers;
      if (!question || !answers?.[0] || !fix) continue;
      const answered = change(card, {
        type: 'answerQuestion',
        input: { answer: { id: 'a', questionId: question.id, answer: answers[0], takenAtMs: 0 } },
      });
      const left = diagnose(answered, options).nextTests;
      expect(left.some(({ id }) => id === question.id)).toBe(false);
      const refused = change(card, { type: 'refuseTest', input: { test: { id: fix.id, level: fix.level } } });
      const after = diagnose(refused, options).nextTests;
      expect(after.some(({ id, level }) => id === fix.id && level === fix.level)).toBe(false);
    }
  });
});

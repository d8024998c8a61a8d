import { describe, expect, it } from 'vitest';
import { decodeRun, decodeTest, fileReadAt } from '../../../tests/arbitrary/clips';
import { measuredReading } from '../../../tests/arbitrary/readings';
import { applyAll } from '../../../tests/stand-ins/commands';
import { demoCardAt } from '../../../tests/stand-ins/demo-cards';
import { read } from '../../../tests/stand-ins/trials';
import type { JobCard } from '../card';
import { compile, createOutcomes, drawParameterSamples, evaluate, outcomeNames } from '../load';
import { extentOf, extents } from '../load/evaluate';
import { extentOfComplaint, fillAllGaps, respects } from '../usable';
import { baseStateOf } from './card-state';
import { listEvidence } from './evidence';
import { questionCatalogue } from './questions';
import { viewSamples } from './weighing';

const sampleCount = 16;

describe('listEvidence', () => {
  const demo = demoCardAt(0);
  const clipId = demo.clips[0]?.id ?? '';
  /** A card on which everything is said that can be said. */
  const full: JobCard = {
    ...applyAll(
      { ...demo, symptoms: { ...demo.symptoms, moments: ['scrubbing', 'at-opening', 'at-cuts', 'with-effects'] } },
      read('typed', {
        shownFps: 12,
        scrubMs: 400,
        openingSec: 30,
        fitSec: 4,
        coreUsePercent: 80,
        memoryUsePercent: 70,
      }),
      read('felt', { playFeel: 'uneven', scrubFeel: 'jumpy', isGoodEnough: 'no' }),
      read('metered', { how: 'metered', shownFps: 12, measured: measuredReading({}) }),
      ...questionCatalogue.map(({ id, answers }) => ({
        type: 'answerQuestion' as const,
        input: { answer: { id: `answer-${id}`, questionId: id, answer: answers[0] ?? '', takenAtMs: 1 } },
      })),
    ),
    decodeTests: [{ ...decodeTest([decodeRun(60)]), clipId, fileRead: fileReadAt(90) }],
  };

  it('looks at nothing that it does not ask to be worked out', () => {
    const state = baseStateOf(full);
    const samples = drawParameterSamples(sampleCount, state.setup.machine);
    const evidence = listEvidence(full);
    expect(new Set(evidence.map(({ source }) => source.kind)).size).toBe(5);
    for (const { key, extent, lookAt, addTo } of evidence) {
      const looked = lookAt?.(state, state) ?? state;
      const out = createOutcomes(sampleCount);
      for (const name of outcomeNames) out[name].fill(Number.NaN);
      evaluate(compile(looked, 'heaviest'), samples, out, { extent });
      for (const name of outcomeNames)
        expect(Number.isNaN(out[name][0]), name).toBe(extents.indexOf(extentOf(name)) > extents.indexOf(extent));
      const sums = new Float64Array(sampleCount);
      addTo(sums, viewSamples(looked, samples, out), sampleCount);
      expect(sums.every(Number.isFinite), key).toBe(true);
    }
  });

  it('and so does the gap of each respect', () => {
    const state = baseStateOf(full);
    const samples = drawParameterSamples(sampleCount, state.setup.machine);
    for (const respect of respects) {
      const out = createOutcomes(sampleCount);
      for (const name of outcomeNames) out[name].fill(Number.NaN);
      evaluate(compile(state, 'heaviest'), samples, out, { extent: extentOfComplaint([respect]) });
      const gaps = fillAllGaps([respect], state, out, sampleCount, new Float64Array(sampleCount));
      expect(gaps.every(Number.isFinite), respect).toBe(true);
    }
  });
});

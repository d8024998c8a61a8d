import { beforeAll, describe, expect, it } from 'vitest';
import { loadDemoCards } from '@/demo/load-demo-cards';
import { decodeRun, decodeTest, fileReadAt } from '../../../../tests/arbitrary/clips';
import type { JobCard } from '../../card';
import { createProgram, statedTimelineFields } from '../../card';
import { predictTestPlay } from './predict-test-play';

let card: JobCard;
beforeAll(async () => {
  const [first] = await loadDemoCards();
  if (!first) throw new Error('no demo card');
  card = first;
});

const predict = (change: Partial<JobCard> = {}) => {
  const found = predictTestPlay({ ...card, ...change }, card.clips[0]?.id ?? '');
  if (!found) throw new Error('nothing predicted');
  return found;
};

describe('predictTestPlay', () => {
  it('is about the clip alone: not about effects, layers, programs or the rest of the footage', () => {
    const { timeline } = card;
    const alone = predict();
    const busy = {
      timeline: { ...timeline, stated: statedTimelineFields, videoLayerCount: 6, effects: [], titleCount: 5 },
      programs: [createProgram('sync', { name: 'Loft sync', busyCores: 3, memoryMib: 900, canClose: 'yes' })],
    };
    expect(predict(busy).decodedFps).toBeCloseTo(alone.decodedFps, 6);
    expect(predict({ clips: card.clips.slice(0, 1) }).decodedFps).toBeCloseTo(alone.decodedFps, 6);
    expect(alone.decodedFps > 0 && alone.scrubMs > 0).toBe(true);
  });

  it('says more of a quicker processor', () => {
    const fast = { ...card.machine, speedClass: { value: 'fast' as const, source: 'typed' as const } };
    expect(predict({ machine: fast }).decodedFps).toBeGreaterThan(predict().decodedFps);
    expect(predict({ machine: fast }).scrubMs).toBeLessThan(predict().scrubMs);
  });

  it('follows what was measured before, in decoding and in reading', () => {
    const [clip] = card.clips;
    if (clip?.facts.kind !== 'video') throw new Error('no video');
    const { codec, bitDepth, chroma } = clip.facts;
    const test = decodeTest([decodeRun(40)]);
    const played = { ...test, clipId: clip.id, stream: { ...test.stream, codec, bitDepth, chroma } };
    const decodedFps = predict({ decodeTests: [played] }).decodedFps;
    expect(predict({ decodeTests: [{ ...played, runs: [decodeRun(80)] }] }).decodedFps).toBeGreaterThan(decodedFps);
    const read = { ...played, runs: [], fileRead: fileReadAt(3) };
    expect(predict({ decodeTests: [read] }).scrubMs).toBeGreaterThan(predict().scrubMs);
  });

  it('predicts nothing of a clip that is not on the card', () => {
    expect(predictTestPlay(card, 'gone')).toBeNull();
  });
});

import { describe, expect, it } from 'vitest';
import { demoCardAt, demoCards } from '../../../tests/stand-ins/demo-cards';
import { mainClipFps, targetFpsOf } from './target-fps';
import type { CardClip } from './types';

/** A demo's first film clip with other facts. */
function clipWith(
  id: string,
  change: { readonly num?: number; readonly den?: number; readonly durationMs?: number },
): CardClip {
  const clip = demoCardAt(0).clips.find(({ facts }) => facts.kind === 'video');
  if (clip?.facts.kind !== 'video') throw new Error('no film clip');
  const { num, den, durationMs } = { ...clip.facts.frameRate, durationMs: clip.facts.durationMs, ...change };
  return { ...clip, id, facts: { ...clip.facts, frameRate: { num, den }, durationMs } };
}

describe('mainClipFps', () => {
  it('is the rate that most of the footage has, by its length and not by its count', () => {
    const clips = [
      clipWith('a', { num: 25, den: 1, durationMs: 5000 }),
      clipWith('b', { num: 25, den: 1, durationMs: 5000 }),
      clipWith('c', { num: 60, den: 1, durationMs: 90_000 }),
    ];
    expect(mainClipFps(clips)).toBe(60);
  });

  it('tells 30 from 29.97, but not two ways to write the latter', () => {
    const clips = [
      clipWith('a', { num: 30, den: 1, durationMs: 50_000 }),
      clipWith('b', { num: 30_000, den: 1001, durationMs: 30_000 }),
      clipWith('c', { num: 2_997_003, den: 100_000, durationMs: 30_000 }),
    ];
    expect(mainClipFps(clips)).toBeCloseTo(29.97, 3);
  });

  it('is none where nothing moves', () => {
    expect(mainClipFps([])).toBeNull();
  });
});

describe('targetFpsOf', () => {
  it('is never above the timeline, the footage or what the person asks for', () => {
    for (const card of demoCards) {
      const usual = targetFpsOf({ ...card, targetFps: null });
      expect(usual).toBeLessThanOrEqual(mainClipFps(card.clips) ?? Number.POSITIVE_INFINITY);
      expect(targetFpsOf({ ...card, targetFps: 12 })).toBe(Math.min(12, usual));
      expect(targetFpsOf({ ...card, targetFps: 500 })).toBe(usual);
      const slow = { ...card, targetFps: null, timeline: { ...card.timeline, frameRate: { num: 10, den: 1 } } };
      expect(targetFpsOf(slow)).toBe(10);
    }
  });
});

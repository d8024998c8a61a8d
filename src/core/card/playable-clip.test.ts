import { describe, expect, it } from 'vitest';
import { loadDemoCards } from '@/demo/load-demo-cards';
import type { VideoFacts } from '../footage';
import type { BrowserAnswer, CardClip, JobCard } from '.';
import { isPlayable, isVideo, tellsOfDrive, testableClip } from './playable-clip';

const [demo] = await loadDemoCards();
const first = demo?.clips.find(({ facts }) => facts.kind === 'video');
if (!demo || first?.facts.kind !== 'video') throw new Error('no demo clip');
const heavy: VideoFacts = {
  ...first.facts,
  widthPx: 3840,
  heightPx: 2160,
  bitrateMbitPerSec: 100,
  sizeBytes: 900_000_000,
};
const answer = (hardware: BrowserAnswer['hardware']): BrowserAnswer => ({
  hardware,
  isSmooth: 'unknown',
  isPowerEfficient: 'unknown',
});
const clip = (id: string, facts: Partial<VideoFacts>, browserAnswer: BrowserAnswer | null): CardClip => ({
  ...first,
  id,
  facts: { ...heavy, ...facts },
  browserAnswer,
});
const still: CardClip = {
  ...first,
  id: 'still',
  browserAnswer: answer('accepted'),
  facts: {
    kind: 'still',
    fileName: 'a.jpg',
    sizeBytes: 900_000_000,
    container: 'jpeg',
    widthPx: 9,
    heightPx: 9,
    rotationDegrees: 0,
  },
};
const cardOf = (...clips: readonly CardClip[]): JobCard => ({ ...demo, clips });

describe('what can be played here', () => {
  it('is a video of which the browser knows the codec', () => {
    const asked = (['accepted', 'refused', 'none-here', 'codec-unknown'] as const).map((hardware) =>
      clip('a', {}, answer(hardware)),
    );
    expect(asked.map(isPlayable)).toEqual([true, true, true, false]);
    expect([isPlayable(clip('a', {}, null)), isPlayable(still)]).toEqual([false, false]);
    expect([isVideo(clip('a', {}, null)), isVideo(still)]).toEqual([true, false]);
  });

  it('tells of its drive where this browser has seen it and it is large', () => {
    const of = (sizeBytes: number, browserAnswer: BrowserAnswer | null): boolean => {
      const made = clip('a', { sizeBytes }, browserAnswer);
      return isVideo(made) && tellsOfDrive(made);
    };
    expect([
      of(900_000_000, answer('codec-unknown')),
      of(900_000_000, null),
      of(9_000_000, answer('accepted')),
    ]).toEqual([true, false, false]);
  });
});

describe('testableClip', () => {
  const light = clip('light', { widthPx: 1920, heightPx: 1080, bitrateMbitPerSec: 40 }, answer('accepted'));
  const unknown = (id: string, bitrateMbitPerSec: number) => clip(id, { bitrateMbitPerSec }, answer('codec-unknown'));

  it('is the heaviest that plays, before any that can only be read', () => {
    const card = cardOf(unknown('raw', 800), light, clip('heavy', {}, answer('refused')), still);
    expect(testableClip(card)?.id).toBe('heavy');
  });

  it('is the one that asks most of its drive where none plays, and none where none tells', () => {
    expect(testableClip(cardOf(unknown('a', 200), unknown('b', 900), unknown('c', 300)))?.id).toBe('b');
    expect(testableClip(cardOf(unknown('a', 900), unknown('b', 900)))?.id).toBe('a');
    expect(testableClip(cardOf(still, clip('never-seen', {}, null)))).toBeNull();
  });
});

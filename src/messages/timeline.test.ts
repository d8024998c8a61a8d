import { describe, expect, it } from 'vitest';
import type { JobCard } from '@/core/card';
import { demoCardAt } from '../../tests/stand-ins/demo-cards';
import { listShapes } from './timeline';

const card = demoCardAt(0);
const withTimeline = (change: Partial<JobCard['timeline']>, delivery: Partial<JobCard['delivery']> = {}): JobCard => ({
  ...card,
  timeline: { ...card.timeline, widthPx: 1920, heightPx: 1080, frameRate: { num: 25, den: 1 }, ...change },
  delivery: { heightPx: null, frameRateFps: null, ...delivery },
});
const clips = { widthPx: 1920, heightPx: 1080, frameRate: { num: 25, den: 1 }, fileName: 'a.mp4' };

describe('listShapes', () => {
  it('says nothing where project, clips and delivery agree, or where there is nothing beside the project', () => {
    expect(listShapes(withTimeline({}, { heightPx: 1080, frameRateFps: 25 }), clips)).toEqual([]);
    expect(listShapes(withTimeline({ heightPx: 2160 }), null)).toEqual([]);
  });

  it('puts a project beside what it is larger or faster than', () => {
    expect(listShapes(withTimeline({ widthPx: 3840, heightPx: 2160 }, { heightPx: 1080 }), clips)).toEqual([
      { name: 'Project', size: '3840 × 2160', rate: '25 a second' },
      { name: 'Most clips', size: '1920 × 1080', rate: '25 a second' },
      { name: 'Delivered', size: '1080 high', rate: '' },
    ]);
    const faster = listShapes(withTimeline({ frameRate: { num: 50, den: 1 } }, { frameRateFps: 25 }), clips);
    expect(faster.map(({ name, rate }) => [name, rate])).toEqual([
      ['Project', '50 a second'],
      ['Most clips', '25 a second'],
      ['Delivered', '25 a second'],
    ]);
    expect(faster[2]?.size).toBe('size not said');
  });
});

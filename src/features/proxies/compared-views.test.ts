import { describe, expect, it } from 'vitest';
import { createJobCard } from '@/core/card';
import { stageOf, viewsFor } from './compared-views';

const card = createJobCard({ id: 'a', title: 'Pots', nowMs: 1 });

describe('viewsFor', () => {
  it('leaves out what this card does not have', () => {
    expect(viewsFor(card, true)).toEqual(['proxy', 'half', 'quarter', 'lines-540', 'lines-360']);
    const small = { ...card, timeline: { ...card.timeline, heightPx: 480 } };
    expect(viewsFor(small, false)).toEqual(['half', 'quarter', 'lines-360']);
  });
});

describe('stageOf', () => {
  it('shows the whole picture as high as the viewer, or its pixels one by one', () => {
    const original = { width: 3840, height: 2160 };
    expect(stageOf(original, 'viewer', 540)).toMatchObject({ widthPx: 960, heightPx: 540, scale: 4 });
    expect(stageOf(original, 'pixels', 540)).toMatchObject({ widthPx: 740, heightPx: 416, scale: 1 });
    expect(stageOf({ width: 320, height: 180 }, 'pixels', 540)).toMatchObject({ widthPx: 320, heightPx: 180 });
  });
});

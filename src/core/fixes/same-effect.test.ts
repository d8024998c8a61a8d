import { describe, expect, it } from 'vitest';
import { noSacrifice, type RankedFix } from '.';
import { groupByEffect } from './same-effect';

const ranked = (id: RankedFix['id'], effectKey: string, gain: number): RankedFix => ({
  id,
  level: null,
  effectKey,
  gain,
  after: { shownFps: { low: 10, mid: 12, high: 14 }, usableProbability: 0.4 },
  effortMinutes: 2,
  sacrifice: noSacrifice,
  score: gain,
});

describe('groupByEffect', () => {
  it('puts fixes with one effect together under the first of them, in the order of the list', () => {
    const [quality, proxies, height] = [
      ranked('lower-preview-quality', 'small picture', 0.5),
      ranked('make-proxies', 'small files', 0.4),
      ranked('smaller-preview-height', 'small picture', 0.5),
    ];
    expect(groupByEffect([quality, proxies, height])).toEqual([
      { first: quality, others: [height] },
      { first: proxies, others: [] },
    ]);
  });

  it('leaves what brings nothing by itself', () => {
    const idle = [ranked('keep-media-open', 'as it is', 0), ranked('cap-cache', 'as it is', 0)];
    expect(groupByEffect(idle).map(({ others }) => others.length)).toEqual([0, 0]);
  });
});

import { describe, expect, it } from 'vitest';
import { loadDemoCards } from '@/demo/load-demo-cards';
import { statedTimelineFields } from '../card';
import type { JobCard } from '../card/types';
import { causeCatalogue } from '../causes';
import { createCase } from '../simulate/cases';
import { type Belief, type ComponentShares, inferPosterior, rankCauses, sharesUnder } from '.';
import { usableGap } from './forecast-belief';

const cards = [...(await loadDemoCards()), ...[3011, 3013, 3014].map((seed) => createCase(seed).card)];
const beliefs: readonly Belief[] = cards.map((card) => inferPosterior(card, { sampleCount: 800 }));

/** Checks something of every sample of every component. */
function ofEachSample(
  components: readonly ComponentShares[],
  check: (shares: readonly number[], gap: number) => void,
): void {
  for (const { component, gaps, shares } of components)
    for (let i = 0; i < component.count; i++)
      check(
        [...shares.values()].map((values) => values[i] as number),
        gaps[i] as number,
      );
}

describe('sharesUnder', () => {
  it('shares each gap out whole, and none where it is usable', () => {
    for (const belief of beliefs)
      ofEachSample(sharesUnder(belief, []), (shares, gap) => {
        for (const share of shares) expect(share >= 0 && share <= 1 + 1e-9).toBe(true);
        const sum = shares.reduce((total, share) => total + share, 0);
        if (gap <= usableGap) expect(sum).toBe(0);
        else if (sum > 0) expect(sum).toBeCloseTo(1, 6);
      });
  });

  it('gives a part to a supposed fault only where it is supposed, or where the card itself has it', () => {
    for (const belief of beliefs)
      for (const { component, shares } of sharesUnder(belief, []))
        for (const id of shares.keys()) {
          const cause = causeCatalogue.find((entry) => entry.id === id);
          // What is left of a slow opening belongs to the pictures that are made of every clip.
          if (cause?.kind !== 'configuration' || (id === 'building-previews' && belief.complaint.includes('opening')))
            continue;
          expect(cause.isPresent(component.hypothesis.state), id).toBe(true);
        }
  });

  it('leaves less to share out the more is repaired', () => {
    for (const belief of beliefs) {
      const mean = (components: readonly ComponentShares[]): number =>
        components.reduce(
          (sum, { component, gaps }) =>
            sum + (component.weight * gaps.reduce((own, gap) => own + gap, 0)) / component.count,
          0,
        );
      const [before, after] = [
        mean(sharesUnder(belief, [])),
        mean(
          sharesUnder(belief, [
            { id: 'lower-preview-quality', level: '1/4' },
            { id: 'close-programs', level: 'all' },
          ]),
        ),
      ];
      expect(after).toBeLessThanOrEqual(before + 1e-9);
    }
  });
});

describe('what no switch closes', () => {
  const [heavyFilm] = cards;
  if (!heavyFilm) throw new Error('no demo card');
  const sharesOf = (videoLayerCount: number): ReadonlyMap<string, number> => {
    const card = { ...heavyFilm, timeline: { ...heavyFilm.timeline, stated: statedTimelineFields, videoLayerCount } };
    return new Map(
      rankCauses(sharesUnder(inferPosterior(card, { sampleCount: 800 }), [])).map(({ id, share }) => [id, share]),
    );
  };

  it('belongs to further layers too where their clips have to be decoded', () => {
    const [one, four] = [sharesOf(1), sharesOf(4)];
    expect(one.get('decode-heavy') ?? 0).toBeGreaterThan(0.4);
    expect(one.get('layers-heavy') ?? 0).toBeLessThan(0.1);
    expect(four.get('layers-heavy') ?? 0).toBeGreaterThan(0.25);
  });
});

describe('a panel that is said to be open', () => {
  it('is believed in no more than half, until something speaks for it', () => {
    const [card] = cards;
    if (!card) throw new Error('no demo card');
    const said: JobCard = { ...card, readings: [], editor: { ...card.editor, isSourcePanelOpen: 'yes' } };
    const weightOf = (of: JobCard): number =>
      inferPosterior(of, { sampleCount: 800 }).components.reduce(
        (sum, { weight, hypothesis }) => sum + (hypothesis.state.hidden.isPanelReadingOriginals ? weight : 0),
        0,
      );
    expect(weightOf(said)).toBeGreaterThan(0.3);
    expect(weightOf(said)).toBeLessThan(0.75);
  });
});

describe('rankCauses', () => {
  it('puts the largest share first, and gives shares that add up to nearly one', () => {
    for (const belief of beliefs) {
      const causes = rankCauses(sharesUnder(belief, []));
      for (const [i, { share }] of causes.slice(1).entries()) expect(share).toBeLessThanOrEqual(causes[i]?.share ?? 0);
      // Those under a thousandth are left out.
      expect(causes.reduce((sum, { share }) => sum + share, 0)).toBeGreaterThan(0.97);
    }
  });

  it('names nobody where there is nothing to share out', () => {
    expect(rankCauses([])).toEqual([]);
  });
});

import { describe, expect, it } from 'vitest';
import { loadDemoCards } from '@/demo/load-demo-cards';
import { inferPosterior, priorBelief } from '../../belief';
import type { JobCard } from '../../card';
import { listProxyCandidates } from '../../fixes';
import { withHidden } from '../../load/change-state';
import { usualRecipe } from '../../proxies';
import { forecastProxies, lightensEffects } from './proxies-forecast';

const cards = await loadDemoCards();
const heavy = cards.find(({ id }) => id === 'demo-decode-bound');
const effects = cards.find(({ id }) => id === 'demo-effects-bound');
if (!heavy || !effects) throw new Error('no demo card');
const idsOf = (card: JobCard, verdict: 'light' | 'too-heavy') =>
  listProxyCandidates(card, usualRecipe)
    .filter((candidate) => candidate.verdict === verdict)
    .map(({ clip }) => clip.id);

describe('forecastProxies', () => {
  it('expects more of proxies of the heavy clips, and nothing of none', () => {
    const { before, after } = forecastProxies(
      heavy,
      priorBelief(heavy),
      new Set(idsOf(heavy, 'too-heavy')),
      usualRecipe,
    );
    expect(after.shownFps.mid).toBeGreaterThan(before.shownFps.mid);
    const none = forecastProxies(heavy, priorBelief(heavy), new Set(), usualRecipe);
    expect(none.after).toEqual(none.before);
  });

  it('expects nothing of proxies that the editor shows at lower qualities only', () => {
    const only = { ...heavy, editor: { ...heavy.editor, proxyQualityRatio: 1 / 2 } };
    const ids = new Set(idsOf(heavy, 'too-heavy'));
    const { before, after } = forecastProxies(only, priorBelief(only), ids, usualRecipe);
    expect(after.shownFps.mid).toBeCloseTo(before.shownFps.mid, 6);
    const lower = { ...only, preview: { ...only.preview, qualityRatio: 1 / 2 } };
    expect(forecastProxies(lower, priorBelief(lower), ids, usualRecipe).after.shownFps.mid).toBeGreaterThan(
      after.shownFps.mid,
    );
  });
});

describe('lightensEffects', () => {
  const listOf = (card: JobCard) => ({ needed: idsOf(card, 'too-heavy'), light: idsOf(card, 'light') });

  it('is never so without effects, nor without clips that need none', () => {
    const bare = { ...effects, timeline: { ...effects.timeline, effects: [] } };
    expect(lightensEffects(bare, priorBelief(bare), listOf(bare), usualRecipe)).toBe(false);
    expect(lightensEffects(effects, priorBelief(effects), { needed: [], light: [] }, usualRecipe)).toBe(false);
  });

  it('goes by where effects are believed to be computed', () => {
    // Large clips that play in time, under effects that do not.
    const clips = effects.clips.map(({ facts, ...clip }) => ({
      ...clip,
      facts:
        facts.kind === 'video'
          ? { ...facts, widthPx: 3840, heightPx: 2160, bitrateMbitPerSec: 30, codec: 'mjpeg', codecString: null }
          : facts,
    }));
    const card = { ...effects, clips, timeline: { ...effects.timeline, videoLayerCount: 1 } };
    const belief = inferPosterior(card, { sampleCount: 1000 });
    const computedAt = (effectsAt: 'clip' | 'preview') => ({
      ...belief,
      components: belief.components.map((component) => ({
        ...component,
        hypothesis: { ...component.hypothesis, state: withHidden(component.hypothesis.state, { effectsAt }) },
      })),
    });
    const ids = listProxyCandidates(card, usualRecipe).map(({ clip }) => clip.id);
    expect(lightensEffects(card, computedAt('clip'), { needed: [], light: ids }, usualRecipe)).toBe(true);
    expect(lightensEffects(card, computedAt('preview'), { needed: ids, light: ids }, usualRecipe)).toBe(false);
  });
});

import { describe, expect, it } from 'vitest';
import { loadDemoCards } from '@/demo/load-demo-cards';
import { applyCommand, type CardProxy, deriveBaseState, type JobCard } from '../card';
import { linesFor, linesOf, usualRecipe } from '../proxies';
import { asLightening, fitsOnDrive, isSuggested, listProxyCandidates } from '.';

const cards = await loadDemoCards();
const heavy = cards.find(({ id }) => id === 'demo-decode-bound');
if (!heavy) throw new Error('no demo card');

const proxyOf = (clipId: string, faults: CardProxy['faults'] = []): CardProxy => ({
  clipId,
  fileName: `${clipId}.mp4`,
  folderName: 'Proxies',
  widthPx: 960,
  heightPx: 540,
  isEveryFrameKey: true,
  sizeBytes: 50_000_000,
  madeAtMs: 5,
  isShown: 'unknown',
  faults,
});
const withProxies = (card: JobCard, ...proxies: readonly CardProxy[]): JobCard => {
  const result = applyCommand(card, { type: 'setProxies', input: { proxies } }, 9);
  if (!result.ok) throw new Error(JSON.stringify(result.failure));
  return result.value;
};
const proxiesIn = (card: JobCard) =>
  deriveBaseState(card).setup.clips.flatMap(({ id, proxy }) => (proxy ? [`${id} ${proxy.heightPx}`] : []));

describe('listProxyCandidates', () => {
  it('suggests those that break the budget, the heaviest first, and says of the others that they need none', () => {
    const listed = listProxyCandidates(heavy, usualRecipe);
    const suggested = listed.filter(isSuggested);
    expect(suggested.length).toBeGreaterThan(0);
    expect(suggested.length).toBeLessThan(listed.length);
    expect(listed.slice(0, suggested.length)).toEqual(suggested);
    for (const { verdict, load, minutes, proxyBytes } of suggested) {
      expect(verdict === 'too-heavy' ? load.pictureMs > load.budgetMs : load.jumpMs > 250).toBe(true);
      expect(Math.min(minutes, proxyBytes)).toBeGreaterThan(0);
    }
  });

  it('knows what has one already, and what is no larger', () => {
    const [first] = listProxyCandidates(heavy, usualRecipe);
    const id = first?.clip.id ?? '';
    const verdictOf = (card: JobCard, lines: number) =>
      listProxyCandidates(card, { ...usualRecipe, lines }).find(({ clip }) => clip.id === id)?.verdict;
    expect(verdictOf(withProxies(heavy, proxyOf(id)), 540)).toBe('has-one');
    expect(verdictOf(withProxies(heavy, proxyOf(id, ['picture-frozen'])), 540)).toBe('too-heavy');
    expect(verdictOf(heavy, 2160)).toBe('small');
  });
});

describe('a share of the lines', () => {
  it('gives each clip a proxy of its own size, and is suggested where the same lines would be', () => {
    const half = listProxyCandidates(heavy, { ...usualRecipe, share: 1 / 2 });
    for (const { facts, verdict, proxyBytes } of half) {
      expect(linesFor({ lines: 540, share: 1 / 2 }, facts)).toBe(Math.round(linesOf(facts) / 2));
      expect(verdict).not.toBe('small');
      expect(proxyBytes).toBeGreaterThan(0);
    }
    expect(half.filter(isSuggested).map(({ clip }) => clip.id)).toEqual(
      listProxyCandidates(heavy, usualRecipe)
        .filter(isSuggested)
        .map(({ clip }) => clip.id),
    );
  });
});

describe('stills', () => {
  const withStill = (widthPx: number, heightPx: number): JobCard => ({
    ...heavy,
    clips: [
      {
        ...(heavy.clips[0] as JobCard['clips'][number]),
        id: 'still',
        facts: {
          kind: 'still',
          fileName: 'wall.jpg',
          sizeBytes: 9_000_000,
          container: 'jpeg',
          widthPx,
          heightPx,
          rotationDegrees: 0,
        },
      },
      ...heavy.clips,
    ],
  });
  const stillOf = (card: JobCard) => listProxyCandidates(card, usualRecipe).find(({ clip }) => clip.id === 'still');

  it('are suggested where they have far more lines than the timeline, and are no trouble otherwise', () => {
    expect(stillOf(withStill(8000, 6000))).toMatchObject({ verdict: 'large-still', minutes: 0 });
    expect(stillOf(withStill(1400, 900))?.verdict).toBe('light');
    expect(stillOf(withStill(800, 500))?.verdict).toBe('small');
    expect(stillOf(withStill(8000, 6000))?.proxyBytes).toBeLessThan(1_000_000);
  });

  it('cost less to scale with a smaller copy, and nothing to decode either way', () => {
    const card = withProxies(withStill(8000, 6000), proxyOf('still'));
    const { original, proxy } = deriveBaseState(card).setup.clips.find(({ id }) => id === 'still') ?? {};
    expect([original?.codec, proxy?.codec, proxy?.widthPx, proxy?.bitrateMbitPerSec]).toEqual([
      'still',
      'still',
      960,
      0,
    ]);
  });
});

describe('clips whose effects a proxy lightens', () => {
  it('are those that need none for their own sake, and are suggested then', () => {
    const listed = listProxyCandidates(heavy, usualRecipe);
    const light = listed.filter(({ verdict }) => verdict === 'light');
    expect(light.length).toBeGreaterThan(0);
    const lightened = asLightening(listed);
    expect(lightened.filter(isSuggested).length).toBe(listed.filter(isSuggested).length + light.length);
    expect(lightened.map(({ clip }) => clip.id)).toEqual(listed.map(({ clip }) => clip.id));
  });
});

describe('proxies on a card', () => {
  const [one = '', two = ''] = heavy.clips.filter(({ facts }) => facts.kind === 'video').map(({ id }) => id);

  it('are said to be made with the first, and to be none with the last; what a person said stays', () => {
    const made = withProxies(heavy, proxyOf(one));
    expect([heavy.editor.proxies, made.editor.proxies]).toEqual(['none', 'made']);
    const removed = applyCommand(made, { type: 'removeProxies', input: { clipIds: [one] } }, 9);
    expect(removed).toMatchObject({ ok: true, value: { proxies: [], editor: { proxies: 'none' } } });
    const shown = { ...made, editor: { ...made.editor, proxies: 'shown' as const } };
    expect(withProxies(shown, proxyOf(two)).editor.proxies).toBe('shown');
  });

  it('are those of the clips that have one that is fine, in their own size', () => {
    const card = withProxies(heavy, proxyOf(one), proxyOf(two, ['length-differs']));
    expect(proxiesIn(card)).toEqual([`${one} 540`]);
    // One that the editor was seen not to show plays as if there were none.
    expect(proxiesIn(withProxies(card, { ...proxyOf(one), isShown: 'no' }))).toEqual([]);
    expect(proxiesIn(withProxies(card, { ...proxyOf(one), isShown: 'yes' }))).toEqual([`${one} 540`]);
    // Made anew it takes the place of the one before.
    expect(proxiesIn(withProxies(card, { ...proxyOf(one), widthPx: 640, heightPx: 360 }))).toEqual([`${one} 360`]);
  });
});

describe('fitsOnDrive', () => {
  it('leaves a tenth free, and says how much is missing', () => {
    expect(fitsOnDrive(900, 1000)).toEqual({ fits: true, missingBytes: 0 });
    expect(fitsOnDrive(950, 1000)).toEqual({ fits: false, missingBytes: 50 });
  });
});

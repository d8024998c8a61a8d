import { beforeAll, describe, expect, it } from 'vitest';
import { loadDemoCards } from '@/demo/load-demo-cards';
import { deriveBaseState, type JobCard } from '../card';
import { applyFixes, clipsForProxies } from '../fixes';
import { applyChanges, type Rig, rigFromCard } from '../simulate';
import { listChanges } from './changes-on-card';

const proxies = { id: 'make-proxies', level: 540 };
let cards: readonly JobCard[];
beforeAll(async () => {
  cards = await loadDemoCards();
});

const rigOf = (card: JobCard): Rig => {
  const rig = rigFromCard(card, 3);
  if (!rig) throw new Error('no video');
  return rig;
};

describe('listChanges', () => {
  it('makes small copies of the clips that Oil Can lists, however quick the machine is in truth', () => {
    let copiedCount = 0;
    for (const card of cards) {
      const base = deriveBaseState(card, []);
      const listed = new Set(clipsForProxies(base, 540).map(({ id }) => id));
      const videos = card.clips.filter(({ facts }) => facts.kind === 'video');
      for (const coreSpeed of [0.1, 200]) {
        const { clips } = applyChanges({ ...rigOf(card), coreSpeed }, listChanges(base, [proxies]));
        const copied = videos.filter((_, i) => clips[i]?.copy).map(({ id }) => id);
        expect(copied).toEqual(videos.map(({ id }) => id).filter((id) => listed.has(id)));
        copiedCount += copied.length;
      }
    }
    expect(copiedCount).toBeGreaterThan(0);
  });

  it('lists them by what was changed before, and leaves all other fixes as they are', () => {
    for (const card of cards) {
      const base = deriveBaseState(card, []);
      const before = [
        { id: 'close-programs', level: 'all' },
        { id: 'turn-on-hardware-decode', level: null },
      ];
      const [first, second, last] = listChanges(base, [...before, proxies]);
      expect([first, second]).toEqual(before.map((fix) => ({ ...fix, clipIndexes: [] })));
      const listed = clipsForProxies(applyFixes(base, before), 540);
      expect(last?.clipIndexes?.length).toBe(listed.length);
    }
    expect(listChanges(deriveBaseState(cards[0] as JobCard, []), [])).toEqual([]);
  });

  it('makes nothing twice: a second set of proxies adds none of clips that have one', () => {
    for (const card of cards) {
      const base = deriveBaseState(card, []);
      const [, again] = listChanges(base, [proxies, { id: 'make-proxies', level: 540 }]);
      expect(again?.clipIndexes).toEqual([]);
    }
  });
});

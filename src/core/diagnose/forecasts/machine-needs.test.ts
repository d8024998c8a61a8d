import { describe, expect, it } from 'vitest';
import { loadDemoCards } from '@/demo/load-demo-cards';
import { inferPosterior, priorBelief, thinPosterior } from '../../belief';
import { createJobCard } from '../../card';
import { findMachineNeeds, forecastClosing } from '..';

const [decodeBound, , programsBusy] = await loadDemoCards();
if (!decodeBound || !programsBusy) throw new Error('no demo cards');

describe('findMachineNeeds', () => {
  it('says what would do for a light film, and no less for a heavy one', () => {
    const empty = createJobCard({ id: 'c', title: 'c', nowMs: 0 });
    const light = findMachineNeeds(empty, priorBelief(empty));
    const heavy = findMachineNeeds(decodeBound, priorBelief(decodeBound));
    expect(light.least?.coreCount).toBe(4);
    expect(light.comfortable).not.toBeNull();
    const coresOf = (tier: { readonly coreCount: number } | null) => tier?.coreCount ?? 99;
    expect(coresOf(heavy.least)).toBeGreaterThanOrEqual(coresOf(light.least));
    expect(coresOf(heavy.comfortable)).toBeGreaterThanOrEqual(coresOf(heavy.least));
  });

  it('lets a quicker processor help a film whose decoding is too heavy, and never makes it worse', () => {
    const { now, upgrades } = findMachineNeeds(decodeBound, priorBelief(decodeBound));
    const processor = upgrades.find(({ id }) => id === 'processor');
    expect(processor?.shownFps.mid).toBeGreaterThan(now.shownFps.mid + 1);
    for (const { shownFps } of upgrades) expect(shownFps.mid).toBeGreaterThanOrEqual(now.shownFps.mid - 0.01);
  });
});

describe('forecastClosing', () => {
  const ids = programsBusy.programs.map(({ id }) => id);

  it('brings more for what takes more, next to nothing for what takes nothing, and most for all of them', () => {
    for (const belief of [priorBelief(programsBusy), thinPosterior(inferPosterior(programsBusy))]) {
      const { before, after, gainById } = forecastClosing(programsBusy, belief, ids);
      expect(after.mid).toBeGreaterThan(before.mid + 3);
      const [sync, scan, chat, saver] = ids.map((id) => gainById.get(id) ?? 0);
      expect(sync).toBeGreaterThan(chat as number);
      expect(scan).toBeGreaterThan(chat as number);
      expect(Math.abs(saver as number)).toBeLessThan(0.6);
      // Nothing chosen changes nothing.
      expect(forecastClosing(programsBusy, belief, []).after).toEqual(before);
    }
  });

  it('asks nothing of the editor and of what stays', () => {
    const card = {
      ...programsBusy,
      programs: programsBusy.programs.map((program, i) => ({
        ...program,
        ...(i === 0 && { role: 'editor' as const, canClose: 'no' as const }),
        ...(i === 1 && { role: 'system' as const, canClose: 'no' as const }),
      })),
    };
    expect([...forecastClosing(card, priorBelief(card), []).gainById.keys()]).toEqual(ids.slice(2, 4));
  });
});

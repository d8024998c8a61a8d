import { beforeAll, describe, expect, it } from 'vitest';
import { loadDemoCards } from '@/demo/load-demo-cards';
import { applyAll } from '../../../../tests/stand-ins/commands';
import type { CauseBelief } from '../../belief';
import type { JobCard } from '../../card';
import { causesToRead, computeFindings, diagnose, listCardGrounds } from '..';

let busy: JobCard;
beforeAll(async () => {
  const card = (await loadDemoCards()).find(({ id }) => id === 'demo-programs-busy');
  if (!card) throw new Error('no demo card');
  busy = card;
});

const cause = (id: CauseBelief['id'], share: number, probability: number): CauseBelief => ({ id, share, probability });

describe('causesToRead', () => {
  it('takes the first, and of the others those that are likely, wherever they stand', () => {
    const unlikely = (['drive-slow', 'memory-short', 'software-stale', 'power-or-heat', 'wrong-graphics'] as const).map(
      (id) => cause(id, 0.05, 0.05),
    );
    const likely = cause('layers-heavy', 0.02, 0.4);
    expect(causesToRead([...unlikely, likely])).toEqual([unlikely[0], likely]);
    expect(causesToRead([])).toEqual([]);
  });
});

describe('listCardGrounds', () => {
  const causes = [cause('programs-busy', 0.6, 0.8), cause('decode-heavy', 0.3, 0.5)];
  const stagesOf = (ms: number) => [{ id: 'decode' as const, lane: 'decoder' as const, ms }];
  const stages = { now: stagesOf(20), before: stagesOf(30) };
  const groundsOf = (card: JobCard, usableProbability: number) =>
    listCardGrounds(card, { causes, usableProbability, budgetMs: computeFindings(card).budgetMs }, stages);

  it('speaks of the set-up as it is, and of the one before any fix where that has likely cured it', () => {
    const closing = applyAll(busy, {
      type: 'beginTrial',
      input: { id: 'close', fix: { id: 'close-programs', level: 'all' }, nowMs: 1 },
    });
    const [ofLagging, ofCured] = [groundsOf(closing, 0.1), groundsOf(closing, 0.9)];
    expect(ofLagging['programs-busy']).toEqual([]);
    expect(ofLagging['decode-heavy']).toContainEqual(expect.objectContaining({ code: 'takes-of-a-frame', ms: 20 }));
    expect(ofCured['programs-busy']).toContainEqual(expect.objectContaining({ code: 'programs-listed' }));
    expect(ofCured['decode-heavy']).toContainEqual(expect.objectContaining({ code: 'takes-of-a-frame', ms: 30 }));
  });

  it('has grounds for what the demo card is about', () => {
    const diagnosis = diagnose(busy);
    const grounds = listCardGrounds(busy, diagnosis, { now: diagnosis.stages, before: diagnosis.stages });
    expect(Object.keys(grounds).sort()).toEqual(
      causesToRead(diagnosis.causes)
        .map(({ id }) => id)
        .sort(),
    );
    expect(grounds['programs-busy']?.map(({ code }) => code)).toEqual(['programs-listed']);
  });
});

import { describe, expect, it } from 'vitest';
import { createJobCard, type LagKind } from '../../card';
import { lagKinds } from '../../card/schema';
import { findFix } from '../../fixes';
import { listSideLeads } from './side-complaints';

const cardWith = (...kinds: readonly LagKind[]) => ({
  ...createJobCard({ id: 'card', title: 'Pots', nowMs: 1000 }),
  symptoms: { moments: [], kinds, enough: 'smooth' as const },
});

describe('listSideLeads', () => {
  it('leads on from each complaint that is no lag of the preview, and from no other', () => {
    const withLead = lagKinds.filter((kind) => listSideLeads(cardWith(kind)).length > 0);
    expect(withLead).toEqual(['crashing', 'will-not-open', 'black-picture', 'sound-apart-from-start', 'export-slow']);
    expect(listSideLeads(cardWith(...lagKinds)).map(({ kind }) => kind)).toEqual(withLead);
    expect(listSideLeads(cardWith())).toEqual([]);
  });

  it('offers fixes that there are, other ones by the answer', () => {
    for (const { kind, ifYes, ifNo } of listSideLeads(cardWith(...lagKinds))) {
      for (const id of [...ifYes, ...ifNo]) expect(findFix(id), `${kind}: ${id}`).toBeDefined();
      expect(ifYes.length, kind).toBeGreaterThan(0);
      expect(ifNo.length, kind).toBeGreaterThan(0);
      expect(
        ifNo.filter((id) => ifYes.includes(id)),
        kind,
      ).toEqual([]);
    }
  });
});

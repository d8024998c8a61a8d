import { describe, expect, it } from 'vitest';
import type { CacheRoom, CardDrive } from '@/core/card';
import { describeCacheWarnings, describeDriveWarning, describeTier } from './machine';

const drive = (label: string, holds: CardDrive['holds'], change: Partial<CardDrive> = {}): CardDrive => ({
  id: label,
  label,
  kind: 'internal-solid-state',
  sizeGb: 500,
  freeGb: 40,
  holds,
  ...change,
});

describe('what is said of drives', () => {
  it('points out a cache on the system’s own drive, and footage and cache on one slow one', () => {
    expect(describeDriveWarning([drive('C:', ['system', 'cache'])])).toContain('system’s own drive (C:)');
    const slow = drive('D:', ['cache', 'footage'], { kind: 'external-spinning' });
    expect(describeDriveWarning([drive('C:', ['system']), slow])).toContain('one slow drive (D:)');
    expect(describeDriveWarning([drive('C:', ['system']), drive('D:', ['cache', 'footage'])])).toBeNull();
    expect(describeDriveWarning([])).toBeNull();
  });

  it('says when a cache may grow beyond its drive, or has no room left of its own', () => {
    const drives = [drive('C:', ['cache']), drive('D:', ['clip-cache'], { freeGb: 3 })];
    const nothing = { usedGb: null, limitGb: null };
    const said = (cache: CacheRoom, clipCache: CacheRoom = nothing) =>
      describeCacheWarnings({ cache, clipCache, drives }).join(' ');
    expect(said({ usedGb: 20, limitGb: 100 })).toContain('grow by 80 GB, and C: has 40 GB');
    expect(said({ usedGb: 48, limitGb: 50 })).toContain('96 % full');
    expect(said({ usedGb: 10, limitGb: 40 })).toBe('');
    expect(said({ usedGb: 10, limitGb: null })).toBe('');
    expect(said(nothing, { usedGb: 10, limitGb: 14 })).toContain('grow by 4 GB, and D: has 3 GB');
    expect(describeCacheWarnings({ cache: { usedGb: null, limitGb: 30 }, clipCache: nothing, drives: [] })).toEqual([]);
  });

  it('describes a machine as an offer in a shop does', () => {
    expect(describeTier({ coreCount: 6, coreSpeedRatio: 1.25, memoryMib: 16_384, graphics: 'shared' })).toBe(
      '6 cores, of usual speed; 16 GB; shared graphics',
    );
  });
});

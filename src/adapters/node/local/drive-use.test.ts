import { mkdtemp, open, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { DriveUse } from './drive-use';

describe('DriveUse', () => {
  it('says megabytes a second since it was last asked, and nothing of a process that it sees first', async () => {
    const bytes = new Map([
      [10, 5_000_000],
      [20, 0],
    ]);
    let nowMs = 1000;
    const use = new DriveUse(
      async (id) => bytes.get(id) ?? null,
      () => nowMs,
    );
    expect([...(await use.since([10, 20]))]).toEqual([]);
    nowMs += 2000;
    bytes.set(10, 25_000_000).set(30, 9_000_000).delete(20);
    expect([...(await use.since([10, 20, 30]))]).toEqual([[10, 10]]);
    nowMs += 1000;
    // Number 10 was given to another process, which has read less.
    bytes.set(10, 1000);
    expect([...(await use.since([10, 30]))]).toEqual([[30, 0]]);
  });

  it('sees what this very process writes, where the system tells it', async () => {
    const folder = await mkdtemp(join(tmpdir(), 'oil-can-drive-use-'));
    const use = new DriveUse();
    await use.since([process.pid]);
    const file = await open(join(folder, 'written'), 'w');
    await file.write(Buffer.alloc(20_000_000, 7));
    await file.sync();
    await file.close();
    const rates = await use.since([process.pid]);
    await rm(folder, { recursive: true });
    // Other systems tell nothing; on Linux it is there, and nothing but this was written.
    if (process.platform === 'linux') expect(rates.has(process.pid)).toBe(true);
    else expect(rates.size).toBe(0);
  });
});

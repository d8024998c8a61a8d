import { execFileSync } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { describe, expect, it } from 'vitest';
import { readBudgetBytes } from './byte-source';

const root = fileURLToPath(new URL('../../..', import.meta.url));

describe('inspectFile on two thousand damaged files', () => {
  it('never throws, never takes two seconds, holds little for each, and leaves nothing behind', () => {
    // The young generation is held small: left alone it grows by tens of megabytes with any work, and hides a leak.
    const args = [
      '--expose-gc',
      '--max-semi-space-size=4',
      '--import',
      'tsx',
      'tests/memory/bad-files.ts',
      '2000',
      '200',
    ];
    const line = execFileSync('node', args, { cwd: root, maxBuffer: 1e7 }).toString().trim().split('\n').at(-1) ?? '';
    const outcome = JSON.parse(line);
    expect(outcome).toMatchObject({ fileCount: 2000, thrownCount: 0 });
    // Most of them are really damaged.
    expect(outcome.failedCount).toBeGreaterThan(600);
    expect(outcome.worstMs).toBeLessThan(2000);
    expect(outcome.mostBytesRead).toBeLessThanOrEqual(readBudgetBytes);
    expect(outcome.mostHeldMib).toBeLessThan(64);
    expect(outcome.heldGrownMib).toBeLessThan(50);
    expect(outcome.grownMib).toBeLessThan(50);
  }, 180_000);
});

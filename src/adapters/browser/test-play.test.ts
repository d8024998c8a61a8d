import { describe, expect, it } from 'vitest';
import type { TestPlayProgress } from '@/core/test-play';
import { readPieces } from './test-play';

/** A file on a drive of its own clock, so many bytes a millisecond; what was read before lies in memory. */
function createDrive(sizeBytes: number, bytesPerMs: number) {
  let nowMs = 0;
  const inMemory = new Set<number>();
  const read = async (start: number, end: number): Promise<Uint8Array> => {
    nowMs += (end - start) / 400_000 + (inMemory.has(start) ? 0 : (end - start) / bytesPerMs);
    inMemory.add(start);
    return new Uint8Array(end - start);
  };
  return { nowMs: () => nowMs, source: { sizeBytes, read } };
}

describe('readPieces', () => {
  it('finds the rate of the drive and tells how far it has come', async () => {
    const seen: TestPlayProgress[] = [];
    const { nowMs, source } = createDrive(400_000_000, 150_000);
    const read = await readPieces(nowMs, source, (progress) => seen.push(progress));
    expect(read?.megabytePerSec).toBeCloseTo(150, 6);
    expect(seen.map((progress) => (progress.phase === 'reading' ? progress.pieceIndex : -1))).toEqual(
      Array.from({ length: 24 }, (_, i) => i),
    );
  });
  it('leaves a slow drive after some seconds with what it has', async () => {
    const { nowMs, source } = createDrive(400_000_000, 4000);
    const read = await readPieces(nowMs, source, () => undefined);
    expect(read?.megabytePerSec).toBeCloseTo(4, 6);
    expect(nowMs()).toBeLessThan(7000);
  });
  it('reads nothing of a file that is too small to tell', async () => {
    const { nowMs, source } = createDrive(20_000_000, 100_000);
    expect(await readPieces(nowMs, source, () => undefined)).toBeNull();
    expect(nowMs()).toBe(0);
  });
  it('passes on what a drive fails with', async () => {
    const { nowMs, source } = createDrive(100_000_000, 100_000);
    const read = () => Promise.reject(new DOMException('gone', 'NotReadableError'));
    await expect(readPieces(nowMs, { ...source, read }, () => undefined)).rejects.toThrow('gone');
  });
});

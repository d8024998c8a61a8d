import { describe, expect, it } from 'vitest';
import { type InPlaceFile, timeInPlace } from './measure-storage';

describe('timeInPlace', () => {
  it('counts what is written down to the drive, and what is read apart from it', () => {
    let nowMs = 0;
    const ended: string[] = [];
    const take = (ms: number, bytes: number) => {
      nowMs += ms;
      return bytes;
    };
    const file: InPlaceFile = {
      write: (buffer) => take(10, buffer.byteLength),
      // The drive takes it now, and not before.
      flush: () => {
        ended.push('flushed');
        nowMs += 120;
      },
      read: (buffer) => take(5, buffer.byteLength),
      close: () => undefined,
    };
    const { writtenMegabytePerSec, readMegabytePerSec } = timeInPlace(file, () => nowMs);
    const megabytes = (12 * 4 * 1024 * 1024) / 1e6;
    expect(writtenMegabytePerSec).toBeCloseTo((1000 * megabytes) / 240, 6);
    expect(readMegabytePerSec).toBeCloseTo((1000 * megabytes) / 60, 6);
    expect(ended).toEqual(['flushed']);
  });
});

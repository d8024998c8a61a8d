import { describe, expect, it } from 'vitest';
import { createRandom } from '../numbers/random';
import { averagePlane, pixelLayoutOf } from '.';

describe('averagePlane', () => {
  it('averages whole and broken areas alike, and skips what lies beside the picture in memory', () => {
    const samples = Uint8Array.from([0, 10, 20, 99, 40, 50, 60, 99]);
    const plane = { samples, stride: 4, width: 3, height: 2 };
    expect([...averagePlane(plane, 1, 1)]).toEqual([30]);
    expect([...averagePlane(plane, 3, 1)]).toEqual([20, 30, 40]);
    // Each of two columns covers one and a half: (0 + 10 / 2) / 1.5, (10 / 2 + 20) / 1.5.
    const two = averagePlane(plane, 2, 2);
    expect(two[0]).toBeCloseTo(10 / 3, 4);
    expect(two[1]).toBeCloseTo(50 / 3, 4);
  });

  it('keeps the mean of a picture, whatever the sizes', () => {
    const random = createRandom(7);
    for (let run = 0; run < 60; run++) {
      const [width, height] = [random.whole(2, 90), random.whole(2, 60)];
      const samples = Uint16Array.from({ length: width * height }, () => random.whole(0, 1023));
      const mean = (values: Iterable<number>) => {
        const all = [...values];
        return all.reduce((sum, value) => sum + value, 0) / all.length;
      };
      const to = averagePlane(
        { samples, stride: width, width, height },
        random.whole(1, width),
        random.whole(1, height),
      );
      expect(mean(to)).toBeCloseTo(mean(samples), 1);
    }
  });

  it('refuses to make a picture larger', () => {
    const plane = { samples: new Uint8Array(4), stride: 2, width: 2, height: 2 };
    expect(() => averagePlane(plane, 3, 2)).toThrow('averagePlane: 2×2 to 3×2');
  });
});

describe('pixelLayoutOf', () => {
  it('knows planes of luma and chroma, and nothing else', () => {
    expect(pixelLayoutOf('I420')).toEqual({ bits: 8, chromaX: 2, chromaY: 2 });
    expect(pixelLayoutOf('I422P10')).toEqual({ bits: 10, chromaX: 2, chromaY: 1 });
    expect(pixelLayoutOf('I444AP12')).toEqual({ bits: 12, chromaX: 1, chromaY: 1 });
    for (const other of ['NV12', 'RGBA', null, 'constructor']) expect(pixelLayoutOf(other)).toBeNull();
  });
});

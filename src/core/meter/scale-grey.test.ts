import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { propertyRuns } from '../../../tests/arbitrary/setup';
import { halveGrey } from './halve-grey';
import { createGreyScaler } from './scale-grey';

describe('createGreyScaler', () => {
  it('averages the pixels of a region, and never enlarges it', () => {
    const picture = { widthPx: 4, heightPx: 2, pixels: Uint8Array.from([0, 0, 10, 30, 0, 0, 20, 40]) };
    const scaler = createGreyScaler({ xPx: 2, yPx: 0, widthPx: 2, heightPx: 2 }, 1, 1);
    const into = new Float32Array(1);
    scaler.scale(picture, into);
    expect([...into]).toEqual([25]);
    expect(createGreyScaler({ xPx: 0, yPx: 0, widthPx: 4, heightPx: 2 }, 160, 90)).toMatchObject({
      widthPx: 4,
      heightPx: 2,
    });
  });

  it('gives the mean of each field, however the lines of the picture lie in memory', () => {
    const levels = fc.uint8Array({ minLength: 48 * 30, maxLength: 48 * 30 });
    fc.assert(
      fc.property(
        levels,
        fc.constantFrom(40, 41, 44, 48),
        fc.nat(3),
        fc.record({ xPx: fc.nat(12), yPx: fc.nat(9), widthPx: fc.integer({ min: 1, max: 27 }) }),
        fc.integer({ min: 1, max: 12 }),
        (bytes, stride, offset, { xPx, yPx, widthPx }, mostPx) => {
          const heightPx = 20;
          const memory = new Uint8Array(bytes.length + 4);
          memory.set(bytes, offset);
          const picture = { widthPx: stride, heightPx: 30, pixels: memory.subarray(offset, offset + stride * 30) };
          const scaler = createGreyScaler({ xPx, yPx, widthPx, heightPx }, mostPx, mostPx);
          const into = new Float32Array(scaler.widthPx * scaler.heightPx);
          scaler.scale(picture, into);
          const edgeAt = (i: number, length: number, count: number): number => Math.round((i * length) / count);
          for (let row = 0; row < scaler.heightPx; row++)
            for (let column = 0; column < scaler.widthPx; column++) {
              let [sum, count] = [0, 0];
              for (let y = edgeAt(row, heightPx, scaler.heightPx); y < edgeAt(row + 1, heightPx, scaler.heightPx); y++)
                for (
                  let x = edgeAt(column, widthPx, scaler.widthPx);
                  x < edgeAt(column + 1, widthPx, scaler.widthPx);
                  x++
                ) {
                  sum += picture.pixels[(yPx + y) * stride + xPx + x] as number;
                  count++;
                }
              expect(into[row * scaler.widthPx + column]).toBeCloseTo(sum / count, 3);
            }
        },
      ),
      propertyRuns,
    );
  });
});

describe('halveGrey', () => {
  it('gives the rounded mean of every two by two pixels, however the lines lie in memory, and leaves an odd one out', () => {
    fc.assert(
      fc.property(
        fc.uint8Array({ minLength: 41 * 9, maxLength: 41 * 9 }),
        fc.constantFrom(1, 2, 5, 8, 16, 20, 38, 40),
        fc.integer({ min: 1, max: 9 }),
        fc.nat(3),
        (bytes, widthPx, heightPx, offset) => {
          const memory = new Uint8Array(bytes.length + 4);
          memory.set(bytes, offset);
          const pixels = memory.subarray(offset, offset + widthPx * heightPx);
          const half = halveGrey({ widthPx, heightPx, pixels });
          expect([half.widthPx, half.heightPx]).toEqual([Math.floor(widthPx / 2), Math.floor(heightPx / 2)]);
          const levelAt = (x: number, y: number): number => pixels[y * widthPx + x] as number;
          const means = Array.from({ length: half.widthPx * half.heightPx }, (_, i) => {
            const [x, y] = [2 * (i % half.widthPx), 2 * Math.floor(i / half.widthPx)];
            return Math.round((levelAt(x, y) + levelAt(x + 1, y) + levelAt(x, y + 1) + levelAt(x + 1, y + 1)) / 4);
          });
          expect([...half.pixels]).toEqual(means);
        },
      ),
      propertyRuns,
    );
  });
});

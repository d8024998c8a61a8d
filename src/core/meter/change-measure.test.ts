import { describe, expect, it } from 'vitest';
import { ChangeMeasure } from './change-measure';
import type { GreyPicture } from './types';

const pictureOf = (widthPx: number, heightPx: number, greyAt: (x: number, y: number) => number): GreyPicture => ({
  widthPx,
  heightPx,
  pixels: Uint8Array.from({ length: widthPx * heightPx }, (_, i) => greyAt(i % widthPx, Math.floor(i / widthPx))),
});
const whole = (widthPx: number, heightPx: number) => ({ xPx: 0, yPx: 0, widthPx, heightPx });
/** What a second picture differs from the first by. */
const changeOf = (first: GreyPicture, second: GreyPicture, enlarged?: number): number => {
  const measure = new ChangeMeasure(whole(first.widthPx, first.heightPx), enlarged);
  expect(measure.next(first)).toBe(0);
  return measure.next(second);
};
const grey = (level: number, widthPx = 320, heightPx = 180) => pictureOf(widthPx, heightPx, () => level);

describe('ChangeMeasure', () => {
  it('is nothing for the same picture, and as many grey levels as all of it changes by', () => {
    expect(changeOf(grey(90), grey(90))).toBe(0);
    expect(changeOf(grey(90), grey(97))).toBeCloseTo(7, 4);
    expect(changeOf(grey(97), grey(90))).toBeCloseTo(7, 4);
  });

  it('goes by the twentieth of the picture that changes most', () => {
    // 32 by 18 blocks of ten by ten pixels: 29 of the 576 are the twentieth.
    const inBlocks = (count: number) =>
      pictureOf(320, 180, (x, y) => (Math.floor(y / 10) * 32 + Math.floor(x / 10) < count ? 140 : 100));
    expect(changeOf(grey(100), inBlocks(29))).toBeCloseTo(40, 3);
    expect(changeOf(grey(100), inBlocks(300))).toBeCloseTo(40, 3);
    expect(changeOf(grey(100), inBlocks(10))).toBeCloseTo((40 * 10) / 29, 3);
  });

  it('does not count what is re-drawn within a block and means the same', () => {
    const chequered = (odd: number) => pictureOf(320, 180, (x, y) => ((x + y) % 2 === odd ? 110 : 90));
    expect(changeOf(chequered(0), chequered(1))).toBeCloseTo(0, 3);
  });

  it('compares each picture with the one before it, not with the first', () => {
    const measure = new ChangeMeasure(whole(320, 180));
    expect([grey(10), grey(30), grey(30), grey(10)].map((picture) => Math.round(measure.next(picture)))).toEqual([
      0, 20, 0, 20,
    ]);
  });

  it('takes fewer blocks of a small region, none of them under five pixels, and at least one', () => {
    // 40 by 20 pixels: eight by four blocks, of which two are the twentieth.
    const corner = pictureOf(40, 20, (x, y) => (x < 5 && y < 5 ? 60 : 0));
    expect(changeOf(grey(0, 40, 20), corner)).toBeCloseTo(30, 3);
    // As large as in a window four times the size, there are two by one.
    expect(changeOf(grey(0, 40, 20), corner, 4)).toBeCloseTo((60 * 25) / 400, 2);
    expect(changeOf(grey(0, 3, 3), grey(8, 3, 3))).toBeCloseTo(8, 3);
  });

  it('looks at nothing outside of its region', () => {
    const measure = new ChangeMeasure({ xPx: 100, yPx: 50, widthPx: 100, heightPx: 80 });
    measure.next(grey(50));
    const beside = pictureOf(320, 180, (x, y) => (x >= 100 && x < 200 && y >= 50 && y < 130 ? 50 : 200));
    expect(measure.next(beside)).toBe(0);
    expect(measure.next(grey(53))).toBeCloseTo(3, 3);
  });
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { propertyRuns } from '../../../tests/arbitrary/setup';
import { createRandom } from '../numbers/random';
import { findingMs, RegionFinder } from './find-region';
import type { GreyPicture, PictureRegion } from './types';

const window = { widthPx: 640, heightPx: 360 } as const;
const region: PictureRegion = { xPx: 200, yPx: 80, widthPx: 256, heightPx: 144 };
const recordedFps = 60;
const frameCount = (findingMs * recordedFps) / 1000;

/** Fills a rectangle of a picture from its pixels' places in it. */
function fill(picture: GreyPicture, { xPx, yPx, widthPx, heightPx }: PictureRegion, levelAt: (x: number) => number) {
  for (let y = yPx; y < yPx + heightPx; y++)
    for (let x = xPx; x < xPx + widthPx; x++) picture.pixels[y * picture.widthPx + x] = levelAt(x - xPx);
}

/** What is found in three seconds of a window that is grey but for what is drawn. */
function findIn(draw: (picture: GreyPicture, frame: number) => void): PictureRegion | null {
  const finder = new RegionFinder(window.widthPx, window.heightPx);
  for (let frame = 0; frame < frameCount; frame++) {
    const picture = { ...window, pixels: new Uint8Array(window.widthPx * window.heightPx).fill(40) };
    draw(picture, frame);
    finder.add(picture, (frame * 1000) / recordedFps);
  }
  return finder.find();
}

/** Digits at a window's corner, another in every frame. */
const drawClock = (picture: GreyPicture, frame: number): void =>
  fill(picture, { xPx: 8, yPx: 4, widthPx: 36, heightPx: 6 }, () => (frame % 2 ? 210 : 90));

const isNear = (found: PictureRegion | null, wanted: PictureRegion): boolean =>
  found !== null &&
  (['xPx', 'yPx', 'widthPx', 'heightPx'] as const).every((side) => Math.abs(found[side] - wanted[side]) <= 8);

/** Broad stripes of light and shade that have moved so far. */
const drawStripes = (picture: GreyPicture, movedPx: number): void =>
  fill(picture, region, (x) => 128 + 80 * Math.sin((x + movedPx) / 24));

describe('RegionFinder', () => {
  it('finds what moves in every other frame, and not the clock beside it', () => {
    const found = findIn((picture, frame) => {
      drawStripes(picture, 9 * Math.floor(frame / 2));
      drawClock(picture, frame);
    });
    expect(isNear(found, region)).toBe(true);
  });

  it('finds what moves too little from one picture to the next', () => {
    const found = findIn((picture, frame) => {
      drawStripes(picture, frame / 8);
      drawClock(picture, frame);
    });
    expect(isNear(found, region)).toBe(true);
  });

  it('finds a picture that has faded into the window, and not the panel beyond it', () => {
    const panelTopPx = region.yPx + region.heightPx + 40;
    const panel = { xPx: 0, yPx: panelTopPx, widthPx: window.widthPx, heightPx: window.heightPx - panelTopPx };
    const found = findIn((picture, frame) => {
      const shown = Math.max(0, 1 - frame / (0.9 * frameCount));
      fill(picture, region, (x) => 40 + shown * (90 + 80 * Math.sin((x + 3 * frame) / 24)));
      fill(picture, panel, () => 90);
    });
    expect(isNear(found, region)).toBe(true);
  });

  it('finds a picture of which only the middle moves, up to its own edges and not to a panel’s', () => {
    const panel = { xPx: 0, yPx: 320, widthPx: window.widthPx, heightPx: 40 };
    const middle = { xPx: region.xPx + 40, yPx: region.yPx + 20, widthPx: 176, heightPx: 104 };
    // What moves fades out towards its sides, so that it has no edge of its own.
    const drawWith = (level: number) => (picture: GreyPicture, frame: number) => {
      fill(picture, panel, () => 200);
      fill(picture, region, () => level);
      for (let row = 0; row < middle.heightPx; row++) {
        const height = Math.sin((Math.PI * row) / middle.heightPx);
        fill(
          picture,
          { ...middle, yPx: middle.yPx + row, heightPx: 1 },
          (x) => level + 80 * height * Math.sin((Math.PI * x) / middle.widthPx) * Math.sin((x + 9 * frame) / 12),
        );
      }
    };
    expect(isNear(findIn(drawWith(120)), region)).toBe(true);
    // As dark as the window itself, it has no edge either: what moves is all that can be found.
    const dark = findIn(drawWith(40));
    expect(dark && dark.yPx + dark.heightPx).toBeLessThanOrEqual(middle.yPx + middle.heightPx + 8);
  });

  it('finds a picture in a window that is all noise, as a camera films it', () => {
    const random = createRandom(7);
    const found = findIn((picture, frame) => {
      drawStripes(picture, 9 * Math.floor(frame / 3));
      for (let y = 0; y < window.heightPx; y += 4)
        for (let x = 0; x < window.widthPx; x += 4) {
          const noise = random.between(-3.5, 3.5);
          for (let at = y * window.widthPx; at < (y + 4) * window.widthPx; at += window.widthPx)
            for (let k = at + x; k < at + x + 4; k++) picture.pixels[k] = (picture.pixels[k] as number) + noise;
        }
    });
    expect(isNear(found, region)).toBe(true);
  });

  it('finds a picture that fills the window and is new in every frame', () => {
    const whole = { xPx: 0, yPx: 0, ...window };
    expect(findIn((picture, frame) => fill(picture, whole, (x) => 128 + 80 * Math.sin((x + 5 * frame) / 24)))).toEqual(
      whole,
    );
  });

  it('leaves out what a recorder writes anew beside the picture', () => {
    const found = findIn((picture, frame) => {
      fill(picture, region, (x) => 128 + 80 * Math.sin((x + 9 * Math.floor(frame / 3)) / 24));
      // Blocks that lead away from the picture, each written anew with every third picture.
      for (let k = 1; k <= 6; k++) {
        const isAnew = (Math.floor(frame / 3) + k) % 3 === 0;
        fill(picture, { xPx: region.xPx - 16 * k, yPx: 120, widthPx: 8, heightPx: 8 }, () => (isAnew ? 60 : 40));
      }
    });
    expect(isNear(found, region)).toBe(true);
  });

  it('finds nothing where only a clock runs, and where a recorder writes a still picture anew', () => {
    expect(findIn(drawClock)).toBeNull();
    const rewritten = findIn((picture, frame) => {
      fill(picture, region, () => (frame < 70 ? 120 : 126));
      drawClock(picture, frame);
    });
    expect(rewritten).toBeNull();
  });

  it('finds a region inside of the window or none, whatever its size and what is drawn', () => {
    const frames = fc.array(fc.nat(255), { minLength: 1, maxLength: 24 });
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 700 }),
        fc.integer({ min: 1, max: 90 }),
        frames,
        fc.boolean(),
        (widthPx, heightPx, levels, isFilmed) => {
          const finder = new RegionFinder(widthPx, heightPx, isFilmed);
          const pictures = levels.map((level, k) => ({
            widthPx,
            heightPx,
            pixels: Uint8Array.from({ length: widthPx * heightPx }, (_, i) => (i % (k + 2) ? level : 255 - level)),
          }));
          for (const [k, picture] of pictures.entries()) finder.add(picture, 50 * k);
          const found = finder.find();
          if (!found) return;
          expect(Math.min(found.xPx, found.yPx)).toBeGreaterThanOrEqual(0);
          expect(Math.min(found.widthPx, found.heightPx)).toBeGreaterThan(0);
          expect(found.xPx + found.widthPx).toBeLessThanOrEqual(widthPx);
          expect(found.yPx + found.heightPx).toBeLessThanOrEqual(heightPx);
        },
      ),
      propertyRuns,
    );
  });

  it('knows a window in which nothing is ever still, as where a camera has filmed it', () => {
    const noiseOver = (strength: number): RegionFinder => {
      const random = createRandom(8);
      const finder = new RegionFinder(window.widthPx, window.heightPx);
      for (let frame = 0; frame < 30; frame++) {
        const pixels = Uint8Array.from({ length: window.widthPx * window.heightPx }, () =>
          Math.round(90 + random.between(-strength, strength)),
        );
        finder.add({ ...window, pixels }, (frame * 1000) / recordedFps);
      }
      return finder;
    };
    expect(noiseOver(10).isNeverStill).toBe(true);
    expect(noiseOver(0).isNeverStill).toBe(false);
  });
});

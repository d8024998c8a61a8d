import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { propertyRuns } from '../../../tests/arbitrary/setup';
import { Meter, type PictureRegion } from '.';
import { Steadier } from './steady';
import type { GreyPicture } from './types';

const screen = { widthPx: 480, heightPx: 270 } as const;
const region: PictureRegion = { xPx: 160, yPx: 64, widthPx: 192, heightPx: 108 };

/** Where the camera is against where it was: pixels to the right and down, radians, and how much nearer. */
interface Pose {
  readonly xPx: number;
  readonly yPx: number;
  readonly turn: number;
  readonly nearness: number;
}
const still: Pose = { xPx: 0, yPx: 0, turn: 0, nearness: 0 };
const held = (sec: number): Pose => ({
  xPx: 5 * Math.sin(2.1 * sec),
  yPx: 4 * Math.sin(1.7 * sec) + 0.4 * Math.sin(47 * sec),
  turn: 0.004 * Math.sin(1.3 * sec),
  nearness: 0.005 * Math.sin(0.9 * sec),
});

/** Panels full of lettering, and in the middle a film of broad stripes that has come so far. */
function levelAt(x: number, y: number, filmPx: number): number {
  const isFilm =
    x >= region.xPx && x < region.xPx + region.widthPx && y >= region.yPx && y < region.yPx + region.heightPx;
  if (isFilm) return 128 + 70 * Math.sin((x - region.xPx + filmPx) / 12) + 30 * Math.cos(y / 9);
  return 70 + 50 * Math.sin(x / 4) * Math.cos(y / 5) + 20 * Math.sin((x + 2 * y) / 31);
}

function film({ xPx, yPx, turn, nearness }: Pose, filmPx: number): GreyPicture {
  const { widthPx, heightPx } = screen;
  const pixels = new Uint8Array(widthPx * heightPx);
  const [right, down] = [Math.cos(turn) / (1 + nearness), Math.sin(turn) / (1 + nearness)];
  for (let y = 0; y < heightPx; y++)
    for (let x = 0; x < widthPx; x++) {
      const [cx, cy] = [x - widthPx / 2 + xPx, y - heightPx / 2 + yPx];
      pixels[y * widthPx + x] = Math.round(
        levelAt(widthPx / 2 + cx * right - cy * down, heightPx / 2 + cx * down + cy * right, filmPx),
      );
    }
  return { ...screen, pixels };
}

/** By how many grey levels two pictures differ in a region, on average. */
function differenceIn({ xPx, yPx, widthPx, heightPx }: PictureRegion, a: GreyPicture, b: GreyPicture): number {
  let sum = 0;
  for (let y = yPx; y < yPx + heightPx; y++)
    for (let x = xPx; x < xPx + widthPx; x++) {
      const at = y * a.widthPx + x;
      sum += Math.abs((a.pixels[at] as number) - (b.pixels[at] as number));
    }
  return sum / (widthPx * heightPx);
}
/** A stretch of panel, away from the picture's border. */
const panel: PictureRegion = { xPx: 30, yPx: 190, widthPx: 420, heightPx: 60 };
const middle: PictureRegion = { xPx: 176, yPx: 80, widthPx: 160, heightPx: 76 };

describe('Steadier', () => {
  it('lays a screen that was filmed by hand over its first frame', () => {
    const first = film(still, 0);
    const moved = film(held(0.4), 0);
    const steadier = new Steadier();
    steadier.next(first);
    for (let frame = 1; frame < 24; frame++) steadier.next(film(held(frame / 60), 0));
    expect(differenceIn(panel, first, moved)).toBeGreaterThan(15);
    expect(differenceIn(panel, first, steadier.next(moved))).toBeLessThan(1.5);
  });

  it('leaves what plays inside as it moves, and what stands where it is', () => {
    const first = film(still, 0);
    const steadier = new Steadier();
    steadier.next(first);
    let steadied = first;
    // A slow film fills a third of the picture's width, and pulls at what is told of the hand.
    for (let frame = 1; frame <= 40; frame++) steadied = steadier.next(film(held(frame / 60), frame / 2));
    const asItStood = film(still, 20);
    expect(differenceIn(panel, asItStood, steadied)).toBeLessThan(1.5);
    expect(differenceIn(middle, asItStood, steadied)).toBeLessThan(1.5);
    expect(differenceIn(middle, first, steadied)).toBeGreaterThan(15);
  });

  it('moves a camera that stands by next to nothing', () => {
    const steadier = new Steadier();
    steadier.next(film(still, 0));
    const steadied = steadier.next(film(still, 9));
    expect(differenceIn(panel, film(still, 9), steadied)).toBeLessThan(0.2);
  });

  it('writes no more than the region that is asked for', () => {
    const first = film(still, 0);
    const steadier = new Steadier();
    const kept = steadier.next(first).pixels.slice();
    const steadied = steadier.next(film(held(0.1), 30), middle);
    expect(differenceIn(panel, { ...screen, pixels: kept }, steadied)).toBe(0);
    expect(differenceIn(middle, film(still, 30), steadied)).toBeLessThan(2);
  });

  it('goes on from where it is when the camera looks at something else', () => {
    const steadier = new Steadier();
    steadier.next(film(still, 0));
    const elsewhere = (frame: number): GreyPicture => {
      const pose = held(frame / 60);
      return film({ ...pose, xPx: pose.xPx + 330, yPx: pose.yPx + 70 }, 0);
    };
    for (let frame = 0; frame < 4; frame++) steadier.next(elsewhere(frame));
    const before = steadier.next(elsewhere(4)).pixels.slice();
    expect(differenceIn(panel, elsewhere(4), elsewhere(20))).toBeGreaterThan(10);
    for (let frame = 5; frame < 20; frame++) steadier.next(elsewhere(frame));
    expect(differenceIn(panel, { ...screen, pixels: before }, steadier.next(elsewhere(20)))).toBeLessThan(1.5);
  });

  it('takes any pixels, with nothing to hold on to among them', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 40 }),
        fc.integer({ min: 1, max: 30 }),
        fc.array(fc.nat({ max: 255 }), { minLength: 1, maxLength: 50 }),
        (widthPx, heightPx, levels) => {
          const steadier = new Steadier();
          for (let frame = 0; frame < 4; frame++) {
            const pixels = Uint8Array.from(
              { length: widthPx * heightPx },
              (_, i) => levels[(i * (frame + 1)) % levels.length] as number,
            );
            expect(steadier.next({ widthPx, heightPx, pixels }).pixels).toHaveLength(widthPx * heightPx);
          }
        },
      ),
      propertyRuns,
    );
  });
});

describe('a screen that is filmed by hand', () => {
  it('has its region found and its rate told, in the pixels of the recording', () => {
    const meter = new Meter({ ceilingFps: 60, isFilmed: true });
    for (let frame = 0; frame < 200; frame++)
      meter.add(film(held(frame / 60), 9 * Math.floor(frame / 5)), (frame * 1000) / 60);
    const { region, result } = meter.read();
    expect(result).toMatchObject({ ok: true, value: { confidence: 'medium', reason: 'filmed', isAtLeast: false } });
    expect(result.ok && result.value.shownFps).toBeCloseTo(12, 1);
    if (!region) throw new Error('no region found');
    for (const side of ['xPx', 'yPx'] as const) {
      const length = side === 'xPx' ? 'widthPx' : 'heightPx';
      expect(Math.abs(region[side] - region[side]), side).toBeLessThan(0.08 * region[length]);
      expect(Math.abs(region[length] - region[length]), length).toBeLessThan(0.1 * region[length]);
    }
  });

  it('measures the region that a person marks in a large recording', () => {
    const double = ({ widthPx, heightPx, pixels }: GreyPicture): GreyPicture => ({
      widthPx: 2 * widthPx,
      heightPx: 2 * heightPx,
      pixels: Uint8Array.from(
        { length: 4 * pixels.length },
        (_, i) => pixels[(Math.floor(i / (2 * widthPx)) >> 1) * widthPx + ((i % (2 * widthPx)) >> 1)] as number,
      ),
    });
    const region = { xPx: 321, yPx: 129, widthPx: 383, heightPx: 215 };
    const meter = new Meter({ ceilingFps: 60, isFilmed: true, region });
    for (let frame = 0; frame < 66; frame++)
      meter.add(double(film(held(frame / 60), 9 * Math.floor(frame / 5))), (frame * 1000) / 60);
    const read = meter.read();
    expect(read.region).toEqual(region);
    expect(read.result.ok && read.result.value.shownFps).toBeCloseTo(12, 1);
  });
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { propertyRuns } from '../../../tests/arbitrary/setup';
import { backFrom, type TurnDegrees, turnedRegion, turnedSize } from './turn';

const turns = [0, 90, 180, 270] as const satisfies readonly TurnDegrees[];
const size = { widthPx: 640, heightPx: 360 };

describe('turnedRegion', () => {
  it('takes the upper left corner clockwise around the picture', () => {
    const corner = { xPx: 0, yPx: 0, widthPx: 20, heightPx: 10 };
    expect(turnedRegion(corner, size, 90)).toEqual({ xPx: 350, yPx: 0, widthPx: 10, heightPx: 20 });
    expect(turnedRegion(corner, size, 180)).toEqual({ xPx: 620, yPx: 350, widthPx: 20, heightPx: 10 });
    expect(turnedRegion(corner, size, 270)).toEqual({ xPx: 0, yPx: 620, widthPx: 10, heightPx: 20 });
  });

  it('stays inside of the turned picture, and comes back', () => {
    const regions = fc
      .record({ xPx: fc.nat(639), yPx: fc.nat(359), widthRatio: fc.double({ min: 0, max: 1, noNaN: true }) })
      .map(({ xPx, yPx, widthRatio }) => ({
        xPx,
        yPx,
        widthPx: 1 + Math.floor(widthRatio * (639 - xPx)),
        heightPx: 1 + Math.floor(widthRatio * (359 - yPx)),
      }));
    fc.assert(
      fc.property(regions, fc.constantFrom(...turns), (region, degrees) => {
        const whole = turnedSize(size, degrees);
        const turned = turnedRegion(region, size, degrees);
        expect(Math.min(turned.xPx, turned.yPx)).toBeGreaterThanOrEqual(0);
        expect(turned.xPx + turned.widthPx).toBeLessThanOrEqual(whole.widthPx);
        expect(turned.yPx + turned.heightPx).toBeLessThanOrEqual(whole.heightPx);
        expect(turnedRegion(turned, whole, backFrom(degrees))).toEqual(region);
        expect(turnedSize(whole, backFrom(degrees))).toEqual(size);
      }),
      propertyRuns,
    );
  });
});

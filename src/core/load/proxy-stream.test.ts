import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { arbitraryState, propertyRuns } from '../../../tests/arbitrary/setup';
import { proxyStreamOf } from './proxy-stream';

const original = arbitraryState.map(({ setup }) => setup.clips[0]?.original).filter((stream) => stream !== undefined);

describe('proxyStreamOf', () => {
  it('keeps rate, drive and, to a pixel or two, the shape; every frame is a key frame of even width', () => {
    fc.assert(
      fc.property(original, fc.constantFrom(270, 360, 540, 720), (stream, heightPx) => {
        const proxy = proxyStreamOf(stream, heightPx);
        expect(proxy).toMatchObject({
          heightPx,
          frameRateFps: stream.frameRateFps,
          drive: stream.drive,
          meanKeyFrameDistanceFrames: 1,
        });
        expect(proxy.widthPx % 2).toBe(0);
        const exactPx = (stream.widthPx * heightPx) / stream.heightPx;
        expect(Math.abs(proxy.widthPx - exactPx)).toBeLessThanOrEqual(Math.max(1, 2 - exactPx) + 1e-9);
      }),
      propertyRuns,
    );
  });

  it('asks less of a drive the smaller it is', () => {
    fc.assert(
      fc.property(original, (stream) => {
        const rates = [270, 360, 540, 720].map((heightPx) => proxyStreamOf(stream, heightPx).bitrateMbitPerSec);
        expect([...rates].sort((a, b) => a - b)).toEqual(rates);
        expect(rates.every((rate) => rate > 0 && Number.isFinite(rate))).toBe(true);
      }),
      propertyRuns,
    );
  });
});

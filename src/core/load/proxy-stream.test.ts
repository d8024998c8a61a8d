import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { arbitraryState, propertyRuns } from '../../../tests/arbitrary/setup';
import { proxyStreamOf } from './proxy-stream';

const anyStream = arbitraryState.map(({ setup }) => setup.clips[0]?.original).filter((stream) => stream !== undefined);
const original = anyStream.filter(({ codec }) => codec !== 'still');

describe('proxyStreamOf', () => {
  it('keeps rate, drive and, to a pixel or two, the shape; every frame is a key frame, of so many lines or of what there are', () => {
    fc.assert(
      fc.property(original, fc.constantFrom(270, 360, 540, 720), (stream, lines) => {
        const proxy = proxyStreamOf(stream, lines);
        expect(proxy).toMatchObject({
          frameRateFps: stream.frameRateFps,
          drive: stream.drive,
          meanKeyFrameDistanceFrames: 1,
        });
        const shorterPx = Math.min(stream.widthPx, stream.heightPx);
        expect(Math.min(proxy.widthPx, proxy.heightPx)).toBe(Math.min(lines, shorterPx));
        const scale = Math.min(lines, shorterPx) / shorterPx;
        expect(Math.abs(proxy.widthPx - stream.widthPx * scale)).toBeLessThanOrEqual(1);
        expect(Math.abs(proxy.heightPx - stream.heightPx * scale)).toBeLessThanOrEqual(1);
      }),
      propertyRuns,
    );
  });

  it('makes a smaller still of a still, and nothing else of it', () => {
    fc.assert(
      fc.property(anyStream, (stream) => {
        const { widthPx: _, heightPx: __, ...rest } = proxyStreamOf({ ...stream, codec: 'still' }, 540);
        expect({ ...stream, codec: 'still' }).toMatchObject(rest);
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

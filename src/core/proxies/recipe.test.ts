import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { propertyRuns } from '../../../tests/arbitrary/setup';
import type { StillFacts, VideoFacts } from '../footage';
import {
  keyFrameDistanceOf,
  linesFor,
  proxyFileNames,
  proxyMegabitPerSec,
  proxySizeOf,
  soundMegabitPerSec,
  stillProxyBytes,
  usualRecipe,
} from '.';

const named = (fileName: string, codec: string | null = null) =>
  ({
    fileName,
    audio: codec === null ? null : { codec, channelCount: 2, sampleRateHz: 48_000 },
  }) as VideoFacts;

describe('linesFor', () => {
  it('are the same for all, or a share of each original’s shorter side', () => {
    const tall = { widthPx: 1080, heightPx: 1920 };
    expect(linesFor({ lines: 540, share: null }, tall)).toBe(540);
    expect(linesFor({ lines: 540, share: 1 / 4 }, tall)).toBe(270);
    expect(linesFor({ lines: 540, share: 1 / 4 }, { widthPx: 3, heightPx: 2 })).toBe(2);
  });
});

describe('smaller stills', () => {
  const still = (fileName: string, container: StillFacts['container']): StillFacts => ({
    kind: 'still',
    fileName,
    sizeBytes: 1,
    container,
    widthPx: 6000,
    heightPx: 4000,
    rotationDegrees: 0,
  });

  it('keep what is see-through in a form that holds it, and are named like other proxies', () => {
    expect(proxyFileNames([still('a.jpeg', 'jpeg'), still('b.png', 'png'), still('c.webp', 'webp')], '_Proxy')).toEqual(
      ['a_Proxy.jpg', 'b_Proxy.png', 'c_Proxy.png'],
    );
    const size = { widthPx: 810, heightPx: 540 };
    expect(stillProxyBytes(still('a.jpeg', 'jpeg'), size)).toBeLessThan(stillProxyBytes(still('b.png', 'png'), size));
  });
});

describe('proxySizeOf', () => {
  it('takes lines of the shorter side, in even numbers', () => {
    expect(proxySizeOf({ widthPx: 3840, heightPx: 2160 }, 540)).toEqual({ widthPx: 960, heightPx: 540 });
    expect(proxySizeOf({ widthPx: 1080, heightPx: 1920 }, 540)).toEqual({ widthPx: 540, heightPx: 960 });
    expect(proxySizeOf({ widthPx: 1998, heightPx: 1080 }, 540)).toEqual({ widthPx: 1000, heightPx: 540 });
    expect(proxySizeOf({ widthPx: 960, heightPx: 540 }, 540)).toBeNull();
  });

  it('keeps the shape to a pixel of the proxy, and is never larger than the original', () => {
    const side = fc.integer({ min: 16, max: 8000 });
    fc.assert(
      fc.property(side, side, fc.integer({ min: 2, max: 2200 }), (widthPx, heightPx, lines) => {
        const size = proxySizeOf({ widthPx, heightPx }, lines);
        expect(size === null).toBe(lines >= Math.min(widthPx, heightPx));
        if (!size) return;
        expect([size.widthPx % 2, size.heightPx % 2]).toEqual([0, 0]);
        const scale = Math.min(size.widthPx, size.heightPx) / Math.min(widthPx, heightPx);
        expect(Math.abs(size.widthPx - widthPx * scale)).toBeLessThanOrEqual(1);
        expect(Math.abs(size.heightPx - heightPx * scale)).toBeLessThanOrEqual(1);
      }),
      propertyRuns,
    );
  });
});

describe('what a proxy takes', () => {
  it('is less in short groups and in a smaller grade', () => {
    const size = { widthPx: 960, heightPx: 540 };
    const of = (change: Partial<typeof usualRecipe>) => proxyMegabitPerSec(size, 25, { ...usualRecipe, ...change });
    expect(of({})).toBeCloseTo(10.368, 3);
    expect(of({ keyFrames: 'half-second' })).toBeLessThan(of({}));
    expect(of({ grade: 'small' })).toBeLessThan(of({}));
    expect(of({ grade: 'fine' })).toBeGreaterThan(of({}));
    expect([
      keyFrameDistanceOf(usualRecipe, 25),
      keyFrameDistanceOf({ ...usualRecipe, keyFrames: 'half-second' }, 25),
    ]).toEqual([1, 13]);
  });

  it('counts sound that is stored as it sounds by its samples', () => {
    expect(soundMegabitPerSec(named('a.mov', 'pcm_s24le'))).toBeCloseTo(2.304, 3);
    expect(soundMegabitPerSec(named('a.mov', 'aac'))).toBeCloseTo(0.2, 3);
    expect(soundMegabitPerSec(named('a.mov'))).toBe(0);
  });
});

describe('proxyFileNames', () => {
  it('pairs with the originals, says what the file is, and keeps apart those that differ by their ending alone', () => {
    const names = proxyFileNames(
      [named('barn.mov', 'pcm_s16le'), named('Wheel.mp4', 'aac'), named('wheel.webm'), named('no ending')],
      '_Proxy',
    );
    expect(names).toEqual(['barn_Proxy.mov', 'Wheel-mp4_Proxy.mp4', 'wheel-webm_Proxy.mp4', 'no ending_Proxy.mp4']);
  });
});

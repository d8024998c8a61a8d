import { describe, expect, it } from 'vitest';
import { describeTrait } from '@/messages/clip-traits';
import { videoFacts } from '../../../tests/arbitrary/clips';
import { findPairedProxies, isNamedAsProxy } from './proxy-pairs';
import { type ClipContext, clipTraits, findClipTraits } from './traits';
import type { ClipFacts } from './types';

const context = (change: Partial<ClipContext> = {}): ClipContext => ({
  timeline: { widthPx: 1920, heightPx: 1080, frameRateFps: 25 },
  hardware: 'likely',
  usualSampleRateHz: 48_000,
  isInCloud: false,
  isDriveSlow: false,
  isPairedWithLarger: false,
  folder: '',
  ...change,
});

describe('findClipTraits', () => {
  it('finds none on a light clip by itself', () => {
    expect(findClipTraits(videoFacts())).toEqual([]);
  });

  it('finds the telling ones first on a heavy clip', () => {
    const heavy = videoFacts({
      codec: 'hevc',
      bitDepth: 10,
      chroma: '4:2:2',
      scan: 'interlaced',
      pixelAspect: { num: 4, den: 3 },
      widthPx: 3840,
      heightPx: 2160,
      bitrateMbitPerSec: 200,
      isVariableFrameRate: true,
      frameRate: { num: 60, den: 1 },
      keyFrameDistance: { longestFrames: 60, meanFrames: 60, isSampled: false },
      rotationDegrees: 90,
      videoTrackCount: 2,
    });
    expect(findClipTraits(heavy)).toEqual([
      'long-key-frame-distance',
      'ten-bit',
      'chroma-422',
      'variable-frame-rate',
      'very-high-bitrate',
      'large-picture',
      'high-frame-rate',
      'hevc',
      'interlaced',
      'non-square-pixels',
      'several-video-tracks',
      'rotated',
    ]);
  });

  it('holds a clip against its timeline, its drive and its neighbours', () => {
    const of = (change: Parameters<typeof videoFacts>[0], around: Partial<ClipContext> = {}) =>
      findClipTraits(videoFacts(change), context(around));
    expect(of({})).toEqual(['hardware-likely']);
    expect(of({ widthPx: 2560, heightPx: 1440 })).toContain('larger-than-timeline');
    expect(of({ frameRate: { num: 30_000, den: 1001 } })).toContain('faster-than-timeline');
    expect(of({ frameRate: { num: 24_000, den: 1001 } })).toContain('rate-differs');
    expect(of({ frameRate: { num: 25_000, den: 1001 } }, { timeline: null })).toEqual(['hardware-likely']);
    expect(of({ audio: { codec: 'aac', channelCount: 2, sampleRateHz: 44_100 } })).toContain('audio-rate-differs');
    expect(of({}, { isInCloud: true, isDriveSlow: true })).toEqual(['in-cloud', 'slow-drive', 'hardware-likely']);
    expect(of({}, { hardware: 'unlikely' })).toEqual(['hardware-unlikely']);
    expect(of({}, { hardware: 'measured' })).toEqual(['hardware-measured']);
    expect(of({}, { isPairedWithLarger: true })[0]).toBe('looks-like-proxy');
    expect(of({ codec: 'aprn' })).toContain('camera-raw');
  });

  it('says of a still that it needs no decoding, of a very large one that it is, and of sound that it is no cause', () => {
    const still: ClipFacts = {
      kind: 'still',
      fileName: 'bowl.jpg',
      sizeBytes: 1,
      container: 'jpeg',
      widthPx: 6000,
      heightPx: 4000,
      rotationDegrees: 0,
    };
    expect(findClipTraits(still)).toEqual(['very-large-still', 'still']);
    expect(findClipTraits({ ...still, widthPx: 1920, heightPx: 1080 })).toEqual(['still']);
    const audio = { codec: 'mp3', channelCount: 2, sampleRateHz: 44_100 };
    expect(
      findClipTraits({ kind: 'sound', fileName: 'a', sizeBytes: 1, container: 'mp3', durationMs: 9, audio }),
    ).toEqual(['sound-only']);
  });

  it('has a reason in whole sentences for each trait, with the clip’s own figures where they matter', () => {
    const clip = videoFacts({ frameIntervals: { smallestMs: 16.7, usualMs: 33.3, largestMs: 250 } });
    expect(new Set(clipTraits).size).toBe(clipTraits.length);
    for (const trait of clipTraits) expect(describeTrait(trait, clip)).toMatch(/^[A-Z0-9].{30,}\.$/s);
    expect(describeTrait('variable-frame-rate', clip)).toContain('From 17 to 250 ms between frames, usually 33.');
  });
});

describe('isNamedAsProxy', () => {
  it('takes the word at the end of a name or as a folder, and nowhere else', () => {
    expect(isNamedAsProxy('C0012_proxy.mp4', '')).toBe(true);
    expect(isNamedAsProxy('C0012.Proxy.mov', '')).toBe(true);
    expect(isNamedAsProxy('C0012.mp4', 'Day 2/Proxies')).toBe(true);
    expect(isNamedAsProxy('proximity.mp4', 'proxyhouse')).toBe(false);
  });
});

describe('findPairedProxies', () => {
  it('finds the smaller of two clips with one name and length, in any order', () => {
    const large = videoFacts({ fileName: 'C0012.mov', widthPx: 3840, heightPx: 2160 });
    const small = videoFacts({ fileName: 'c0012_proxy.mp4', widthPx: 960, heightPx: 540 });
    const other = videoFacts({ fileName: 'C0012.mp4', widthPx: 960, heightPx: 540, durationMs: 90_000 });
    expect([...findPairedProxies([large, small, other])]).toEqual([1]);
    expect([...findPairedProxies([small, large])]).toEqual([0]);
    expect(findPairedProxies([small]).size).toBe(0);
  });
});

import { describe, expect, it } from 'vitest';
import { createRandom } from '../numbers/random';
import {
  type ComparedPlace,
  checkProxy,
  choosePlaces,
  comparedHeight,
  comparedWidth,
  gatherPlaces,
  type Luma,
  type MediaOutline,
} from '.';

const outline = (change: Partial<MediaOutline> = {}): MediaOutline => ({
  widthPx: 1920,
  heightPx: 1080,
  pixelAspect: { num: 1, den: 1 },
  rotationDegrees: 0,
  timesMs: Float64Array.from({ length: 100 }, (_, i) => 40 * i),
  durationMs: 4000,
  keyFrameCount: 4,
  sound: { channelCount: 2, durationMs: 4000 },
  ...change,
});
const small = outline({ widthPx: 960, heightPx: 540, keyFrameCount: 100 });
const codesOf = (check: ReturnType<typeof checkProxy>) => check.faults.map(({ code }) => code);
const against = (change: Partial<MediaOutline>) => codesOf(checkProxy(outline(), { ...small, ...change }, []));

/** A room with a bright door that walks through it: everything of it told apart by its place. */
const picture = (atFrame: number): Luma =>
  Float32Array.from({ length: comparedWidth * comparedHeight }, (_, i) => {
    const [x, y] = [i % comparedWidth, Math.floor(i / comparedWidth)];
    const isDoor = Math.abs(x - 30 - atFrame) < 9 && Math.abs(y - 55) < 20;
    return isDoor ? 200 : 40 + 0.4 * x + 0.5 * y + (x > 100 && y < 30 ? 50 : 0);
  });
const frames = [5, 15, 25, 35, 45, 55, 65, 75];
const placesOf = (proxyOf: (own: Luma, frame: number) => Luma): readonly ComparedPlace[] =>
  frames.map((frameIndex) => ({
    frameIndex,
    own: picture(frameIndex),
    before: picture(frameIndex - 1),
    after: picture(frameIndex + 1),
    proxy: proxyOf(picture(frameIndex), frameIndex),
  }));
const pictureCodes = (proxyOf: (own: Luma, frame: number) => Luma) =>
  codesOf(checkProxy(outline(), small, placesOf(proxyOf)));

describe('checkProxy', () => {
  it('finds nothing in a proxy that says the same as its original', () => {
    expect(checkProxy(outline(), small, [])).toEqual({ isGood: true, faults: [], pictures: 'not-compared' });
  });

  it('names what differs in the file, with both figures', () => {
    expect(against({ durationMs: 3000 })).toEqual(['length-differs']);
    expect(against({ timesMs: small.timesMs.slice(1) })).toEqual(['frame-count-differs']);
    expect(against({ timesMs: small.timesMs.map((ms) => ms * 1.02) })).toEqual(['times-differ']);
    // All of it a little later, as a container counts, is the same film.
    expect(against({ timesMs: small.timesMs.map((ms) => ms + 80) })).toEqual([]);
    expect(against({ widthPx: 720 })).toEqual(['aspect-differs']);
    expect(against({ widthPx: 720, pixelAspect: { num: 4, den: 3 } })).toEqual([]);
    expect(against({ rotationDegrees: 90 })).toEqual(['rotation-differs']);
    expect(against({ sound: null })).toEqual(['sound-missing']);
    expect(against({ sound: { channelCount: 1, durationMs: 3000 } })).toEqual([
      'sound-channels-differ',
      'sound-length-differs',
    ]);
    expect(against({ keyFrameCount: 1 })).toEqual(['few-key-frames']);
    const [fault] = checkProxy(outline(), { ...small, durationMs: 3000 }, []).faults;
    expect(fault).toEqual({ code: 'length-differs', original: 4000, proxy: 3000 });
  });

  it('takes noise, loss of contrast and a little blur for what they are', () => {
    const random = createRandom(3);
    expect(pictureCodes((own) => own.map((value) => 0.95 * value + 4 + 6 * random.normal()))).toEqual([]);
  });

  it('knows pictures that are others, late, still, mirrored, upside down or of another range', () => {
    expect(pictureCodes((_, frame) => picture(frame + 40))).toEqual(['picture-other']);
    expect(pictureCodes((_, frame) => picture(frame - 1))).toEqual(['picture-shifted']);
    expect(pictureCodes(() => picture(20))).toEqual(['picture-frozen']);
    expect(
      pictureCodes((own) => own.map((_, i) => own[i - 2 * (i % comparedWidth) + comparedWidth - 1] as number)),
    ).toEqual(['picture-mirrored']);
    expect(pictureCodes((own) => own.toReversed())).toEqual(['picture-turned']);
    expect(pictureCodes((own) => own.map((value) => ((value - 16) * 255) / 219))).toEqual(['picture-range-differs']);
    expect(pictureCodes((own) => own.map((value) => (value * 219) / 255 + 16))).toEqual(['picture-range-differs']);
  });

  it('says that it cannot tell where nothing moves', () => {
    const still = frames.map((frameIndex) => ({
      frameIndex,
      own: picture(9),
      before: picture(9),
      after: picture(9),
      proxy: picture(9),
    }));
    expect(checkProxy(outline(), small, still)).toEqual({ isGood: true, faults: [], pictures: 'alike' });
  });
});

describe('choosePlaces', () => {
  it('takes of each stretch the frame where most changes, and neither the first nor the last', () => {
    const sizes = Array.from({ length: 82 }, (_, i) => (i % 10 === 3 ? 900 : 100));
    expect(choosePlaces(sizes)).toEqual([3, 13, 23, 33, 43, 53, 63, 73]);
    expect(choosePlaces([1, 1, 1])).toEqual([1]);
    expect(choosePlaces([1])).toEqual([0]);
    expect(choosePlaces([])).toEqual([]);
  });
});

describe('gatherPlaces', () => {
  it('finds the proxy’s frame by its time from the beginning, and leaves out what cannot be read', async () => {
    const asked: number[] = [];
    const places = await gatherPlaces(
      {
        outline: outline(),
        changeBytes: Array.from({ length: 100 }, () => 1),
        read: async (_, first, count) =>
          first > 80 ? [] : Array.from({ length: count }, (_, k) => picture(first + k)),
      },
      {
        // Half of the frames are missing.
        outline: outline({ timesMs: Float64Array.from({ length: 50 }, (_, i) => 80 + 80 * i) }),
        read: async (_, first) => {
          asked.push(first);
          return [picture(2 * first)];
        },
      },
    );
    expect(places.map(({ frameIndex }) => frameIndex)).toHaveLength(7);
    expect(asked[0]).toBe(Math.round((places[0]?.frameIndex ?? 0) / 2));
  });
});

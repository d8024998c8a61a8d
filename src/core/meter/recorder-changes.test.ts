import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { propertyRuns } from '../../../tests/arbitrary/setup';
import { withoutRecorder } from './recorder-changes';

const frameMs = 1000 / 60;

/** What is left of frames that changed by so much each; all others are repeats. */
function leftOf(changes: ReadonlyMap<number, number>, frameCount = 720) {
  const logs = Float64Array.from({ length: frameCount }, (_, i) => Math.log(changes.get(i) ?? 0.02));
  const timesMs = Array.from({ length: frameCount }, (_, i) => i * frameMs);
  return withoutRecorder(
    [...changes.keys()].sort((a, b) => a - b),
    logs,
    timesMs,
  );
}

/** A picture every so many frames, from one on. */
const pictures = (every: number, from = 3, to = 720): [number, number][] =>
  Array.from({ length: Math.ceil((to - from) / every) }, (_, k) => [from + k * every, 5 + (k % 4)]);

const framesOf = (changes: readonly [number, number][]): readonly number[] => changes.map(([frame]) => frame);

describe('withoutRecorder', () => {
  it('leaves new pictures as they are where a recorder adds nothing', () => {
    for (const every of [1, 2, 5, 24]) {
      const plain = pictures(every);
      expect(leftOf(new Map(plain)).newAt).toEqual(framesOf(plain));
    }
  });

  it('takes out what finishes a picture in the frame after it', () => {
    const plain = pictures(6);
    const finishing = plain.map(([frame]): [number, number] => [frame + 1, 0.9]);
    expect(leftOf(new Map([...plain, ...finishing])).newAt).toEqual(framesOf(plain));
  });

  it('takes out key frames at an even distance, one frame late or not, and says which they were', () => {
    const plain = pictures(12);
    for (const everyFrames of [60, 90, 128]) {
      const keys = Array.from({ length: Math.floor(719 / everyFrames) }, (_, k) => (k + 1) * everyFrames + (k % 2));
      // Those that fall on a picture, or beside one, do not show.
      const added = keys
        .filter((frame) => (frame - 3) % 12 > 1 && (frame - 3) % 12 < 11)
        .map((frame): [number, number] => [frame, 2]);
      const { newAt, keyAt } = leftOf(new Map([...plain, ...added]));
      expect(newAt).toEqual(framesOf(plain));
      expect([...keyAt]).toEqual(framesOf(added));
    }
  });

  it('keeps small pictures at uneven distances', () => {
    const plain = pictures(7);
    const small = [45, 161, 202, 419, 566].map((frame): [number, number] => [frame, 2]);
    expect(leftOf(new Map([...plain, ...small])).keyAt.size).toBe(0);
  });

  it('takes out a lone small change in a freeze, but none where all pictures near it are as small', () => {
    const before = pictures(4, 3, 200);
    const after = pictures(4, 400);
    expect(leftOf(new Map([...before, [300, 0.8], ...after])).newAt).not.toContain(300);
    // In a fade all that is near is small: one picture a second, each a tenth of the first.
    const slow = pictures(60).map(([frame]): [number, number] => [frame, frame < 360 ? 8 : 0.8]);
    expect(leftOf(new Map(slow)).newAt).toEqual(framesOf(slow));
  });

  it('takes out what finishes the picture with which a recording begins', () => {
    const plain = pictures(8, 16);
    expect(leftOf(new Map([[1, 0.7], [2, 0.9], ...plain])).newAt).toEqual(framesOf(plain));
  });

  it('only ever leaves out, in order, whatever changed', () => {
    const arbitraryChanges = fc.uniqueArray(
      fc.tuple(fc.integer({ min: 1, max: 719 }), fc.double({ min: 0.1, max: 200, noNaN: true })),
      {
        selector: ([frame]) => frame,
        maxLength: 300,
      },
    );
    fc.assert(
      fc.property(arbitraryChanges, (changes) => {
        const { newAt, keyAt, doubtfulCount } = leftOf(new Map(changes));
        const changed = new Set(framesOf(changes));
        expect(newAt.every((frame, k) => changed.has(frame) && (k === 0 || frame > (newAt[k - 1] ?? 0)))).toBe(true);
        expect(newAt.some((frame) => keyAt.has(frame))).toBe(false);
        expect(doubtfulCount).toBeGreaterThanOrEqual(0);
      }),
      propertyRuns,
    );
  });
});

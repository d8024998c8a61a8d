import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import { afterAll, describe, expect, it } from 'vitest';
import { propertyRuns } from '../../tests/arbitrary/setup';
import { meterCommand, parseMeterOptions } from './meter';
import { WrongUseError } from './wrong-use';

const [widthPx, heightPx] = [32, 18] as const;
const size = ['--width', String(widthPx), '--height', String(heightPx), '--fps', '60'] as const;
const folder = mkdtempSync(join(tmpdir(), 'oil-can-meter-command-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** Frames one behind the other: stripes that move on with every so many frames, and for so many frames in a row. */
function drawFrames(count: number, every: number, inARow = 1): Buffer {
  const frames = Buffer.alloc(count * widthPx * heightPx);
  let shown = 0;
  for (let frame = 0; frame < count; frame++) {
    if (frame % every < inARow) shown++;
    for (let i = 0; i < widthPx * heightPx; i++)
      frames[frame * widthPx * heightPx + i] = 128 + 90 * Math.sin(((i % widthPx) + 5 * shown) / 4);
  }
  return frames;
}

/** The same bytes in chunks of some length, as a pipe hands them over. */
async function* inChunks(bytes: Buffer, length = 65_536): AsyncGenerator<Buffer> {
  for (let at = 0; at < bytes.length; at += length) yield bytes.subarray(at, at + length);
}

const run = (words: readonly string[], bytes: Buffer, chunkLength?: number) =>
  meterCommand(parseMeterOptions([...size, ...words]), inChunks(bytes, chunkLength));

describe('meter', () => {
  it('gives the documented figures of frames on standard input', async () => {
    const { exitCode, json } = await run(['--region', 'whole'], drawFrames(360, 4));
    expect(exitCode).toBe(0);
    expect(Object.keys(json as object).sort()).toEqual(
      [
        ...['region', 'shownFps', 'isAtLeast', 'slowestSecondFps', 'worstOnePercentFps', 'longestFreezeMs'],
        ...['freezesPerMinute', 'startDelayMs', 'settledAfterMs', 'confidence', 'reason', 'intervalsMs'],
      ].sort(),
    );
    expect(json).toMatchObject({ region: [0, 0, widthPx, heightPx], isAtLeast: false, confidence: 'high' });
    expect((json as { readonly shownFps: number }).shownFps).toBeCloseTo(15, 5);
  });

  it('measures the part that it is told', async () => {
    const frames = drawFrames(360, 4);
    for (let at = 0; at < frames.length; at += widthPx) frames.fill(60, at, at + widthPx / 2);
    expect(await run(['--region', '16,0,16,18'], frames)).toMatchObject({
      exitCode: 0,
      json: { region: [16, 0, 16, 18] },
    });
    expect(await run(['--region', '0,0,16,18'], frames)).toMatchObject({
      exitCode: 1,
      json: { failure: { code: 'not-enough-movement' } },
    });
  });

  it('gives the same however the pipe cuts the bytes', async () => {
    const frames = drawFrames(120, 3);
    const whole = await run(['--region', 'whole'], frames);
    await fc.assert(
      fc.asyncProperty(fc.integer({ min: 1, max: 3000 }), async (length) => {
        expect(await run(['--region', 'whole'], frames, length)).toEqual(whole);
      }),
      { ...propertyRuns, numRuns: 20 },
    );
  });

  it('takes the times of the frames from a file, and says where they do not fit', async () => {
    const path = join(folder, 'times.txt');
    const words = ['--region', 'whole', '--times', path];
    // Twice as long as the rate would have it.
    writeFileSync(path, Array.from({ length: 360 }, (_, i) => (i * 1000) / 30).join('\n'));
    const { json } = await run(words, drawFrames(360, 4));
    expect((json as { readonly shownFps: number }).shownFps).toBeCloseTo(7.5, 5);
    writeFileSync(path, '0\n16\n33\n');
    await expect(run(words, drawFrames(360, 4))).rejects.toThrow('holds 3 times; there are more frames');
    for (const wrong of ['0\n16\n16\n', '0\nsoon\n']) {
      writeFileSync(path, wrong);
      await expect(run(words, drawFrames(3, 1))).rejects.toThrow('one time in milliseconds a line');
    }
  });

  it('takes two frames in a row for one picture where it is told that the screen was filmed', async () => {
    const frames = drawFrames(360, 6, 2);
    expect(await run(['--region', 'whole'], frames)).toMatchObject({ json: { reason: 'looks-filmed' } });
    const { json } = await run(['--region', 'whole', '--filmed', 'yes'], frames);
    expect(json).toMatchObject({ confidence: 'medium', reason: 'filmed' });
    expect((json as { readonly shownFps: number }).shownFps).toBeCloseTo(10, 1);
  });

  it('says so where the frames end in the middle of one, or where there are none', async () => {
    await expect(run(['--region', 'whole'], drawFrames(120, 3).subarray(1))).rejects.toThrow('575 of 576 bytes');
    expect(await run([], Buffer.alloc(0))).toMatchObject({ exitCode: 1, json: { failure: { code: 'too-short' } } });
  });

  it('names what is wrong with its options', () => {
    const wrong = (...words: readonly string[]) => {
      expect(() => parseMeterOptions(words)).toThrow(WrongUseError);
      try {
        parseMeterOptions(words);
      } catch (error) {
        return (error as Error).message;
      }
    };
    expect(wrong('--width', '32')).toBe('--height is missing.');
    expect(wrong(...size, '--speed', '2')).toContain("'--speed'");
    expect(wrong(...size, '--region')).toContain("'--region <value>' argument missing");
    expect(wrong('--width', '3.5', '--height', '18', '--fps', '60')).toContain('a whole number above zero; "3.5"');
    expect(wrong(...size, '--clip-fps=-1')).toContain('a number above zero; "-1"');
    for (const region of ['0,0,33,18', '0,0,0,18', '1,2,3', '1,2,3,4,5', 'all', '-1,0,8,8'])
      expect(wrong(...size, `--region=${region}`)).toContain(`within 32 x 18, or "whole"; "${region}"`);
    expect(wrong(...size, '--filmed', 'maybe')).toContain('yes or no; "maybe"');
  });
});

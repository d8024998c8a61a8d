import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import fc from 'fast-check';
import { beforeAll, describe, expect, it } from 'vitest';
import { rationalToNumber } from '@/core/numbers/rational';
import { describeFootageFailure } from '@/messages/footage';
import { openFileSource } from '../node/file-source';
import { type ByteSource, countBytes, ReadBudgetExceededError, readBudgetBytes } from './byte-source';
import { inspectFile } from './inspect-file';

const fixtures = fileURLToPath(new URL('../../../tests/fixtures/', import.meta.url));
const media = (name: string): string => `${fixtures}media/${name}`;
const large = (name: string): string => `${fixtures}large/${name}`;

const inspectPath = async (path: string) => {
  const source = await openFileSource(path);
  const outcome = await inspectFile(source);
  await source.close();
  return outcome;
};

const bytesSource = (bytes: Uint8Array): ByteSource => ({
  fileName: 'bytes.mp4',
  sizeBytes: bytes.length,
  read: async (start, end) => bytes.subarray(start, Math.min(end, bytes.length)),
});

interface ProbeStream {
  readonly codec_type: string;
  readonly codec_name: string;
  readonly profile?: string;
  readonly width: number;
  readonly height: number;
  readonly pix_fmt: string;
  readonly avg_frame_rate: string;
  readonly nb_read_packets: string;
  readonly bit_rate?: string;
  readonly duration?: string;
  readonly channels: number;
  readonly sample_rate: string;
}

/** What ffprobe says of the same file, asked for the same facts. */
const probe = (path: string) => {
  const text = execFileSync('ffprobe', ['-v', 'error', '-count_packets', '-show_streams', '-of', 'json', path]);
  const { streams } = JSON.parse(text.toString()) as { readonly streams: readonly ProbeStream[] };
  const video = streams.find((stream) => stream.codec_type === 'video');
  if (!video) throw new Error(`ffprobe finds no video in ${path}`);
  const [num = 0, den = 1] = video.avg_frame_rate.split('/').map(Number);
  return { video, audio: streams.find((stream) => stream.codec_type === 'audio') ?? null, frameRateFps: num / den };
};

const agreeing = [
  ['h264-8bit.mp4', 'mp4'],
  ['h264-8bit.mov', 'mov'],
  ['h264-10bit.mp4', 'mp4'],
  ['h264-10bit.mkv', 'mkv'],
  ['h264-422.mov', 'mov'],
  ['h264-60fps.mkv', 'mkv'],
  ['hevc-10bit.mp4', 'mp4'],
  ['hevc-10bit.mov', 'mov'],
  ['hevc-10bit.mkv', 'mkv'],
  ['vp9.webm', 'webm'],
  ['vp9.mp4', 'mp4'],
  ['vp9.mkv', 'mkv'],
  ['vp9-10bit.webm', 'webm'],
  ['intra-frame.mp4', 'mp4'],
  ['silent.mp4', 'mp4'],
  ['sound-big-end.mov', 'mov'],
  ['sound-little-end.mov', 'mov'],
  ['kiln-loading.mp4', 'mp4'],
] as const;

describe('inspectFile', () => {
  for (const [name, container] of agreeing)
    it(`agrees with ffprobe on ${name}`, async () => {
      const { result } = await inspectPath(media(name));
      if (!result.ok) throw new Error(JSON.stringify(result.failure));
      const facts = result.value;
      const { video, audio, frameRateFps } = probe(media(name));
      expect(facts.container).toBe(container);
      expect(facts.codec).toBe(video.codec_name);
      expect(facts.profile).toBe(video.profile);
      expect([facts.widthPx, facts.heightPx]).toEqual([video.width, video.height]);
      expect(Math.abs(rationalToNumber(facts.frameRate) - frameRateFps)).toBeLessThan(0.001);
      expect(facts.isVariableFrameRate).toBe(false);
      expect(facts.bitDepth).toBe(video.pix_fmt.includes('10le') ? 10 : 8);
      expect(facts.chroma).toBe(video.pix_fmt.includes('422') ? '4:2:2' : '4:2:0');
      expect(facts.frameCount).toBe(Number(video.nb_read_packets));
      expect(facts.audio?.codec ?? null).toBe(audio?.codec_name ?? null);
      expect(facts.audio?.channelCount ?? null).toBe(audio?.channels ?? null);
      expect(facts.audio?.sampleRateHz ?? null).toBe(audio ? Number(audio.sample_rate) : null);
      // ffprobe states these for MP4 and MOV only.
      if (video.bit_rate) expect(facts.bitrateMbitPerSec / (Number(video.bit_rate) / 1e6)).toBeCloseTo(1, 2);
      if (video.duration)
        expect(Math.abs(facts.durationMs - Number(video.duration) * 1000)).toBeLessThan(1000 / frameRateFps);
    });

  const failing = [
    ['not-a-film.mp4', { code: 'file-not-media' }],
    ['empty.mp4', { code: 'file-empty' }],
    ['cut-off.mp4', { code: 'file-cut-off' }],
    ['cut-off.mkv', { code: 'file-cut-off' }],
    ['cut-off-after-index.mp4', { code: 'file-cut-off' }],
    ['sound-only.m4a.mp4', { code: 'no-video-track', hasAudio: true }],
    ['unknown-codec.mp4', { code: 'codec-unknown', internalCode: 'oilc' }],
  ] as const;
  for (const [name, failure] of failing)
    it(`answers ${name} with ${failure.code}`, async () => {
      const { result } = await inspectPath(media(name));
      expect(result).toMatchObject({ ok: false, failure });
      if (!result.ok) expect(describeFootageFailure(result.failure).length).toBeGreaterThan(20);
    });

  it('says that a file without its index is cut off, and how much is there', async () => {
    const whole = readFileSync(media('h264-8bit.mp4'));
    const withoutIndex = whole.subarray(0, whole.lastIndexOf('moov') - 4);
    const { result } = await inspectFile(bytesSource(withoutIndex));
    expect(result).toMatchObject({
      failure: { code: 'file-cut-off', expectedBytes: null, sizeBytes: withoutIndex.length },
    });
  });

  it('reads a whole film although a camera wrote a trailer of its own after the last box', async () => {
    const whole = readFileSync(media('h264-8bit.mp4'));
    const bytes = Buffer.concat([whole, Buffer.from('MADE BY OUR CAMERA, no box at all')]);
    expect((await inspectFile(bytesSource(bytes))).result).toMatchObject({ ok: true, value: { frameCount: 100 } });
  });

  it('never rejects, whatever bytes are flipped or cut, and stays within the read budget', async () => {
    const wholes = ['silent.mp4', 'h264-10bit.mkv', 'vp9.webm', 'h264-422.mov'].map((name) =>
      readFileSync(media(name)),
    );
    await fc.assert(
      fc.asyncProperty(
        fc.constantFrom(...wholes),
        fc.array(fc.tuple(fc.double({ min: 0, max: 1, noNaN: true }), fc.integer({ min: 0, max: 255 })), {
          maxLength: 12,
        }),
        fc.double({ min: 0.01, max: 1, noNaN: true }),
        fc.boolean(),
        async (whole, flips, keptRatio, isHead) => {
          const bytes = Uint8Array.from(whole.subarray(0, Math.ceil(whole.length * keptRatio)));
          // Half of the runs break the head or the tail, where the structure stands.
          for (const [place, value] of flips)
            bytes[Math.floor(isHead ? place ** 6 * bytes.length : (1 - place ** 6) * bytes.length) % bytes.length] =
              value;
          const { result, bytesRead } = await inspectFile(bytesSource(bytes));
          expect(typeof result.ok).toBe('boolean');
          expect(bytesRead).toBeLessThanOrEqual(readBudgetBytes);
        },
      ),
      { seed: 20261125, numRuns: 150 },
    );
  });

  it('tells that a file went away while it was read', async () => {
    const bytes = readFileSync(media('silent.mp4'));
    let readCount = 0;
    const { result } = await inspectFile({
      ...bytesSource(bytes),
      read: async (start, end) => {
        readCount += 1;
        if (readCount > 2) throw new Error('gone');
        return bytes.subarray(start, end);
      },
    });
    expect(result).toMatchObject({ ok: false, failure: { code: 'file-unreadable', detail: 'gone' } });
  });
});

describe('inspectFile on very large files', () => {
  beforeAll(() => {
    execFileSync('node', [`${fixtures}make-fixtures.mjs`, '--large'], { stdio: 'inherit' });
  }, 300_000);

  it('reads a sparse 20 GB MP4 by a few kilobytes, with its count', async () => {
    const { result, bytesRead } = await inspectPath(large('sparse-20gb.mp4'));
    expect(result).toMatchObject({ ok: true, value: { frameCount: 100, sizeBytes: 20_000_395_487, bitDepth: 8 } });
    expect(bytesRead).toBeLessThan(64 * 1024);
  });

  it('reads a 2 GB MKV by under 32 MiB, leaves the count null and says that it sampled', async () => {
    const { result, bytesRead } = await inspectPath(large('long-2gb.mkv'));
    if (!result.ok) throw new Error(JSON.stringify(result.failure));
    expect(bytesRead).toBeLessThan(32 * 1024 * 1024);
    expect(result.value.frameCount).toBeNull();
    expect(result.value.frameRate).toEqual({ num: 30_000, den: 1001 });
    expect(result.value.keyFrameDistance.isSampled).toBe(true);
    const stated = probe(large('long-2gb.mkv'));
    const framesPerSec = rationalToNumber(result.value.frameRate);
    expect((result.value.durationMs / 1000) * framesPerSec).toBeCloseTo(Number(stated.video.nb_read_packets), -1);
  });
});

describe('countBytes', () => {
  it('counts what it gave and refuses before going over the budget', async () => {
    const source = countBytes(bytesSource(new Uint8Array(100)), 60);
    await source.read(0, 40);
    expect(source.bytesRead()).toBe(40);
    await expect(source.read(40, 80)).rejects.toThrow(ReadBudgetExceededError);
    expect(source.bytesRead()).toBe(40);
  });
});

import { execFileSync } from 'node:child_process';
import { appendFileSync, copyFileSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import fc from 'fast-check';
import { beforeAll, describe, expect, it } from 'vitest';
import { sizeEvennessOf, type VideoFacts } from '@/core/footage';
import { rationalToNumber } from '@/core/numbers/rational';
import { describeFootageFailure } from '@/messages/footage';
import { agreeingClips, agreeingNames } from '../../../tests/fixtures/recipes.mjs';
import { openFileSource } from '../node/file-source';
import { type ByteSource, countBytes, ReadBudgetExceededError, readBudgetBytes } from './byte-source';
import { inspectFile } from './inspect-file';

const fixtures = fileURLToPath(new URL('../../../tests/fixtures/', import.meta.url));
const media = (name: string): string => `${fixtures}media/${name}`;
const large = (name: string): string => `${fixtures}large/${name}`;

interface ProbeStream {
  readonly index: number;
  readonly codec_type: string;
  readonly codec_name: string;
  readonly profile: string;
  readonly width: number;
  readonly height: number;
  readonly pix_fmt: string;
  readonly avg_frame_rate: string;
  readonly sample_aspect_ratio: string;
  readonly field_order?: string;
  readonly nb_read_packets: string;
  readonly bit_rate?: string;
  readonly duration?: string;
  readonly side_data_list?: readonly { readonly rotation?: number }[];
  readonly channels: number;
  readonly sample_rate: string;
}
interface ProbePacket {
  readonly stream_index: number;
  readonly flags: string;
  readonly size: string;
}

/** What ffprobe says of a file, asked for the same facts. */
function probe(path: string) {
  const asked = ['-count_packets', '-show_streams', '-show_packets', '-of', 'json'];
  const { streams, packets } = JSON.parse(
    execFileSync('ffprobe', ['-v', 'error', ...asked, path], { maxBuffer: 2 ** 28 }).toString(),
  ) as { readonly streams: readonly ProbeStream[]; readonly packets: readonly ProbePacket[] };
  const videos = streams.filter((stream) => stream.codec_type === 'video');
  const [video] = videos;
  if (!video) throw new Error(`ffprobe finds no video in ${path}`);
  const audio = streams.find((stream) => stream.codec_type === 'audio') ?? null;
  const own = packets.filter((packet) => packet.stream_index === video.index);
  return { video, audio, packets: own, videoTrackCount: videos.length };
}

/** How long ffprobe says that a file is, without reading all of it. */
const probeDurationSec = (path: string): number =>
  Number(execFileSync('ffprobe', ['-v', 'error', '-show_entries', 'format=duration', '-of', 'csv=p=0', path]));

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
  checkState: async () => 'same',
});

const factsOf = async (name: string): Promise<VideoFacts> => {
  const { result } = await inspectPath(media(name));
  if (!result.ok) throw new Error(`${name}: ${JSON.stringify(result.failure)}`);
  if (result.value.kind !== 'video') throw new Error(`${name} is a ${result.value.kind}`);
  return result.value;
};

const chromaOf = (pixelFormat: string): string =>
  pixelFormat.startsWith('gray')
    ? '4:0:0'
    : (pixelFormat
        .match(/4[24][024]/)?.[0]
        .split('')
        .join(':') ?? 'unknown');
const ratioOf = (text: string, mark: string): number => {
  const [num = 0, den = 1] = text.split(mark).map(Number);
  return num / den;
};

/** Key frames as ffprobe's packet flags have them: the longest distance, the end of the file included. */
function longestDistance(packets: readonly ProbePacket[]): number {
  const keys = packets.flatMap(({ flags }, i) => (flags.startsWith('K') ? [i] : []));
  return Math.max(...keys.map((at, i) => (keys[i + 1] ?? packets.length) - at));
}

describe('inspectFile against ffprobe', () => {
  it('has at least forty files to agree on', () => {
    expect(agreeingNames.length).toBeGreaterThanOrEqual(40);
  });

  for (const name of agreeingNames)
    it(`says the same of ${name}`, async () => {
      const facts = await factsOf(name);
      const { video, audio, packets, videoTrackCount } = probe(media(name));
      const frameRateFps = ratioOf(video.avg_frame_rate, '/');
      expect(facts).toMatchObject({
        codec: video.codec_name,
        profile: video.profile,
        widthPx: video.width,
        heightPx: video.height,
        bitDepth: Number(video.pix_fmt.match(/(\d\d)le$/)?.[1] ?? 8),
        chroma: chromaOf(video.pix_fmt),
        frameCount: Number(video.nb_read_packets),
        videoTrackCount,
      });
      expect(Math.abs(rationalToNumber(facts.frameRate) - frameRateFps)).toBeLessThan(0.001);
      expect(rationalToNumber(facts.pixelAspect)).toBeCloseTo(ratioOf(video.sample_aspect_ratio, ':'), 3);
      const turned = video.side_data_list?.find((data) => data.rotation !== undefined)?.rotation ?? 0;
      // ffprobe counts the other way round.
      expect(facts.rotationDegrees).toBe((360 - turned) % 360);
      expect(facts.keyFrameDistance).toMatchObject({ longestFrames: longestDistance(packets), isSampled: false });
      // Some containers hold a few bytes more a packet than ffprobe hands out, and some packets are a dozen bytes.
      const evenness = sizeEvennessOf(packets.map(({ size }) => Number(size))) ?? 0;
      expect(Math.abs((facts.sizeEvenness ?? 0) / evenness - 1)).toBeLessThan(0.02);
      expect(facts.audio).toEqual(
        audio && {
          codec: audio.codec_name,
          channelCount: audio.channels,
          sampleRateHz: Number(audio.sample_rate),
        },
      );
      // ffprobe leaves these out for some containers.
      if (video.field_order) expect(facts.scan === 'progressive').toBe(video.field_order === 'progressive');
      if (video.bit_rate)
        expect(Math.abs((facts.bitrateMbitPerSec * 1e6) / Number(video.bit_rate) - 1)).toBeLessThan(0.01);
      if (video.duration)
        expect(Math.abs(facts.durationMs - Number(video.duration) * 1000)).toBeLessThan(1000 / frameRateFps);
      expect(facts.isVariableFrameRate).toBe(name.startsWith('uneven'));
    });

  for (const { name, seconds, asked } of agreeingClips)
    it(`finds in ${name} what its recipe asked for`, async () => {
      const facts = await factsOf(name);
      const container = name.split('.').at(-1);
      expect(facts.container).toBe(container === 'mts' ? 'ts' : container);
      if (asked.longestFrames !== undefined) expect(facts.keyFrameDistance?.longestFrames).toBe(asked.longestFrames);
      // Dropped frames take up to a third of a second off either end.
      expect(Math.abs(facts.durationMs - seconds * 1000)).toBeLessThan(facts.isVariableFrameRate ? 350 : 50);
      const bits = facts.bitrateMbitPerSec * 1e6 * (facts.durationMs / 1000);
      expect(bits / 8).toBeLessThan(facts.sizeBytes);
    });

  it('tells the intervals of uneven clips: one frame at least, several at most', async () => {
    for (const name of ['uneven.mp4', 'uneven.mkv']) {
      const { frameIntervals } = await factsOf(name);
      expect(frameIntervals?.smallestMs).toBeCloseTo(1000 / 30, -1);
      expect(frameIntervals?.largestMs).toBeGreaterThan(90);
    }
  });
});

describe('inspectFile on stills and sounds', () => {
  const stills = [
    ['bowl.jpg', 'jpeg', 6000, 4000, 0],
    ['bowl-turned.jpg', 'jpeg', 6000, 4000, 90],
    ['bowl.png', 'png', 640, 360, 0],
    ['bowl.webp', 'webp', 1920, 1080, 0],
    ['bowl.heic', 'heif', 4032, 3024, 0],
  ] as const;
  for (const [name, container, widthPx, heightPx, rotationDegrees] of stills)
    it(`reads the size of ${name}, and how it is turned`, async () => {
      const { result, bytesRead } = await inspectPath(media(name));
      expect(result).toMatchObject({ value: { kind: 'still', container, widthPx, heightPx, rotationDegrees } });
      expect(bytesRead).toBeLessThan(300 * 1024);
    });

  const sounds = [
    ['choir.wav', 'wav', 'pcm_s16le'],
    ['choir.mp3', 'mp3', 'mp3'],
    ['choir.flac', 'flac', 'flac'],
  ] as const;
  for (const [name, container, codec] of sounds)
    it(`takes ${name} for sound of three seconds`, async () => {
      const { result } = await inspectPath(media(name));
      if (!result.ok || result.value.kind !== 'sound') throw new Error(JSON.stringify(result));
      expect(result.value).toMatchObject({ container, audio: { codec, channelCount: 1, sampleRateHz: 44_100 } });
      expect(Math.abs(result.value.durationMs - 3000)).toBeLessThan(80);
    });

  it('takes an MP4 with sound alone for sound', async () => {
    const { result } = await inspectPath(media('sound-only.m4a.mp4'));
    expect(result).toMatchObject({ ok: true, value: { kind: 'sound', container: 'mp4', audio: { codec: 'aac' } } });
  });
});

describe('inspectFile on files it cannot use', () => {
  const failing = [
    ['not-a-film.mp4', { code: 'file-not-media' }],
    ['empty.mp4', { code: 'file-empty' }],
    ['cut-off.mp4', { code: 'file-cut-off' }],
    ['cut-off.mkv', { code: 'file-cut-off' }],
    ['cut-off-after-index.mp4', { code: 'file-cut-off' }],
    ['old-camera.avi', { code: 'container-not-read', container: 'avi' }],
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

  it('keeps the four-character code of a picture that nobody knows', async () => {
    expect((await factsOf('unknown-codec.mp4')).codec).toBe('oilc');
  });

  it('tells that reading failed, that a file changed, and that it went away', async () => {
    const bytes = readFileSync(media('silent.mp4'));
    const broken = { ...bytesSource(bytes), read: () => Promise.reject(new Error('device error')) };
    expect((await inspectFile(broken)).result).toMatchObject({
      failure: { code: 'file-unreadable', detail: 'device error' },
    });
    const changed = { ...bytesSource(bytes), checkState: async () => 'changed' as const };
    expect((await inspectFile(changed)).result).toMatchObject({ failure: { code: 'file-changed' } });
    const gone = { ...broken, checkState: async () => 'gone' as const };
    expect((await inspectFile(gone)).result).toMatchObject({ failure: { code: 'file-gone' } });
  });

  it('sees on a real disk that a file grew or was deleted while it was open', async () => {
    const dir = mkdtempSync(join(tmpdir(), 'oil-can-'));
    const path = join(dir, 'take.mp4');
    copyFileSync(media('silent.mp4'), path);
    const source = await openFileSource(path);
    expect(await source.checkState()).toBe('same');
    appendFileSync(path, 'more');
    expect((await inspectFile(source)).result).toMatchObject({ failure: { code: 'file-changed' } });
    rmSync(path);
    expect((await inspectFile(source)).result).toMatchObject({ failure: { code: 'file-gone' } });
    await source.close();
    rmSync(dir, { recursive: true });
  });

  it('takes a play list for no media, and asks for no other file', async () => {
    const list = new TextEncoder().encode('#EXTM3U\n#EXT-X-VERSION:3\nhttp://127.0.0.1:9/pots.ts\n');
    expect((await inspectFile(bytesSource(list))).result).toMatchObject({ failure: { code: 'file-not-media' } });
  });

  it('calls a text no media, however short it is and with whatever letters it begins', async () => {
    for (const text of ['G GI', 'Shot list\n1. kiln', 'ID3', 'Töpfern – Übersicht, für später', '#EXTM3U\nclip.ts']) {
      const { result } = await inspectFile(bytesSource(new TextEncoder().encode(text)));
      expect(result, text).toMatchObject({ failure: { code: 'file-not-media' } });
    }
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
    if (!result.ok || result.value.kind !== 'video') throw new Error(JSON.stringify(result));
    expect(bytesRead).toBeLessThan(32 * 1024 * 1024);
    expect(result.value.frameCount).toBeNull();
    expect(result.value.frameRate).toEqual({ num: 30_000, den: 1001 });
    expect(result.value.keyFrameDistance?.isSampled).toBe(true);
    expect(result.value.durationMs / 1000).toBeCloseTo(probeDurationSec(large('long-2gb.mkv')), 0);
  });
});

describe('inspectFile on large files without an index', () => {
  for (const name of ['long.ts', 'long-no-cues.mkv'])
    it(`tells ${name} from windows spread over it, and says so`, async () => {
      const { result, bytesRead } = await inspectPath(large(name));
      if (!result.ok || result.value.kind !== 'video') throw new Error(JSON.stringify(result));
      const { video, packets } = probe(large(name));
      expect(bytesRead).toBeLessThan(readBudgetBytes);
      expect(result.value.sizeBytes).toBeGreaterThan(40_000_000);
      expect(result.value).toMatchObject({
        codec: 'h264',
        frameCount: null,
        frameRate: { num: 25, den: 1 },
        widthPx: video.width,
        heightPx: video.height,
        keyFrameDistance: { isSampled: true, longestFrames: longestDistance(packets) },
      });
      expect(Math.abs(result.value.durationMs - 60_000)).toBeLessThan(1500);
      expect(Math.abs(result.value.bitrateMbitPerSec / 12 - 1)).toBeLessThan(0.1);
    });
});

describe('inspectFile on headers that lie', () => {
  /** A file of ten gigabytes that holds these bytes at its start and zeros after them. */
  const hollow = (head: Uint8Array) => {
    let mostAtOnce = 0;
    const source: ByteSource = {
      fileName: 'lie.mp4',
      sizeBytes: 10_000_000_000,
      checkState: async () => 'same',
      read: async (start, end) => {
        mostAtOnce = Math.max(mostAtOnce, end - start);
        const bytes = new Uint8Array(Math.max(0, Math.min(end, 10_000_000_000) - start));
        if (start < head.length) bytes.set(head.subarray(start, end));
        return bytes;
      },
    };
    return { source, mostAtOnce: () => mostAtOnce };
  };
  const box = (type: string, sizeBytes: number): Uint8Array => {
    const bytes = new Uint8Array(8);
    new DataView(bytes.buffer).setUint32(0, sizeBytes);
    bytes.set(new TextEncoder().encode(type), 4);
    return bytes;
  };

  it('refuses an index that claims two gigabytes before reading it', async () => {
    const head = new Uint8Array([...box('ftyp', 16), ...new TextEncoder().encode('isom'), 0, 0, 0, 0]);
    const { source, mostAtOnce } = hollow(
      new Uint8Array([...head, ...box('moov', 2_000_000_000), ...box('trak', 1_900_000_000)]),
    );
    const { result, bytesRead } = await inspectFile(source);
    expect(result.ok).toBe(false);
    expect(bytesRead).toBeLessThanOrEqual(readBudgetBytes);
    expect(mostAtOnce()).toBeLessThanOrEqual(readBudgetBytes);
  });

  it('refuses a Matroska head whose parts claim gigabytes', async () => {
    const ebml = [0x1a, 0x45, 0xdf, 0xa3, 0x80];
    const segment = [0x18, 0x53, 0x80, 0x67, 0x01, 0xff, 0xff, 0xff, 0xff, 0xff, 0xff, 0xff];
    const tracks = [0x16, 0x54, 0xae, 0x6b, 0x08, 0x77, 0x35, 0x94, 0x00];
    const { source, mostAtOnce } = hollow(new Uint8Array([...ebml, ...segment, ...tracks]));
    const { result, bytesRead } = await inspectFile(source);
    expect(result.ok).toBe(false);
    expect(bytesRead).toBeLessThanOrEqual(readBudgetBytes);
    expect(mostAtOnce()).toBeLessThanOrEqual(readBudgetBytes);
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

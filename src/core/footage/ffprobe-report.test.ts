import { execFileSync } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { propertyRuns } from '../../../tests/arbitrary/setup';
import { rationalToNumber } from '../numbers/rational';
import { decodeReportText, parseFfprobeReport } from './ffprobe-report';
import type { ClipFacts } from './types';

const media = fileURLToPath(new URL('../../../tests/fixtures/media/', import.meta.url));

/** The command that the screen gives to copy, on one file. */
const reportOf = (name: string): string =>
  execFileSync('ffprobe', [
    '-v',
    'error',
    '-show_format',
    '-show_streams',
    '-of',
    'json',
    `${media}${name}`,
  ]).toString();

const clipsOf = (text: string): readonly ClipFacts[] => {
  const parsed = parseFfprobeReport(text);
  if (!parsed.ok) throw new Error(parsed.failure.code);
  return parsed.value.clips;
};

describe('parseFfprobeReport', () => {
  it('reads an AVI, which is not read here', () => {
    const [clip] = clipsOf(reportOf('old-camera.avi'));
    expect(clip).toMatchObject({
      kind: 'video',
      fileName: 'old-camera.avi',
      container: 'avi',
      codec: 'mpeg4',
      widthPx: 640,
      heightPx: 360,
      frameRate: { num: 25, den: 1 },
      chroma: '4:2:0',
      keyFrameDistance: null,
      audio: { codec: 'mp3' },
    });
  });

  it('tells depth, chroma, scan, pixel shape, rotation and containers from real reports', () => {
    expect(clipsOf(reportOf('hevc-422-10bit.mkv'))[0]).toMatchObject({
      container: 'mkv',
      bitDepth: 10,
      chroma: '4:2:2',
      level: '2.1',
    });
    expect(clipsOf(reportOf('hevc-444-12bit.mp4'))[0]).toMatchObject({ bitDepth: 12, chroma: '4:4:4' });
    expect(clipsOf(reportOf('hevc-gray.mkv'))[0]).toMatchObject({ chroma: '4:0:0', bitDepth: 8 });
    expect(clipsOf(reportOf('vp9.webm'))[0]).toMatchObject({ container: 'webm' });
    expect(clipsOf(reportOf('prores.mov'))[0]).toMatchObject({
      container: 'mov',
      keyFrameDistance: { longestFrames: 1 },
    });
    expect(clipsOf(reportOf('h264-interlaced.mp4'))[0]).toMatchObject({ scan: 'interlaced' });
    expect(clipsOf(reportOf('pixels-wide.mp4'))[0]).toMatchObject({ pixelAspect: { num: 64, den: 45 } });
    expect(clipsOf(reportOf('turned-90.mp4'))[0]).toMatchObject({ rotationDegrees: 90 });
    expect(clipsOf(reportOf('several-tracks.mp4'))[0]).toMatchObject({ videoTrackCount: 2 });
    expect(clipsOf(reportOf('uneven.mp4'))[0]).toMatchObject({ isVariableFrameRate: true });
    expect(clipsOf(reportOf('choir.mp3'))[0]).toMatchObject({ kind: 'sound', container: 'mp3' });
    expect(clipsOf(reportOf('bowl.png'))[0]).toMatchObject({ kind: 'still', widthPx: 640 });
  });

  it('takes many files as an array or one after another, and names those that tell nothing', () => {
    const [a, b] = [reportOf('silent.mp4'), reportOf('h264-8bit.mov')];
    expect(clipsOf(`[${a},${b}]`).map(({ fileName }) => fileName)).toEqual(['silent.mp4', 'h264-8bit.mov']);
    const parsed = parseFfprobeReport(`${a}\n${b}\n{"format":{"filename":"C:\\\\clips\\\\lost.avi"},"streams":[]}\n`);
    expect(parsed).toMatchObject({
      value: {
        clips: [{ fileName: 'silent.mp4' }, { fileName: 'h264-8bit.mov' }],
        unusable: [{ entryIndex: 2, fileName: 'lost.avi' }],
      },
    });
    expect(rationalToNumber((clipsOf(b)[0] as Extract<ClipFacts, { kind: 'video' }>).frameRate)).toBeCloseTo(29.97, 2);
  });

  it('tells text that is no JSON from JSON that is no report', () => {
    expect(parseFfprobeReport('ffprobe: not found')).toMatchObject({ failure: { code: 'report-not-json' } });
    expect(parseFfprobeReport('{"kiln":1}')).toMatchObject({ failure: { code: 'report-not-a-report' } });
  });

  it('never throws, whatever text or document it is given, and gives finite figures', () => {
    const odd = fc.oneof(fc.string(), fc.integer(), fc.double(), fc.constantFrom('0/0', '25/1', '-1/0', 'nan', '1e99'));
    const stream = fc.dictionary(
      fc.constantFrom('codec_type', 'codec_name', 'width', 'height', 'avg_frame_rate', 'duration', 'bit_rate'),
      fc.oneof(odd, fc.constant('video'), fc.constant(640)),
    );
    const entry = fc.record({
      format: fc.dictionary(fc.constantFrom('filename', 'size', 'duration'), odd),
      streams: fc.array(stream),
    });
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string(),
          fc.array(entry).map((value) => JSON.stringify(value)),
        ),
        (text) => {
          const parsed = parseFfprobeReport(text);
          if (!parsed.ok) return;
          for (const clip of parsed.value.clips)
            if (clip.kind === 'video')
              expect(
                [clip.durationMs, clip.bitrateMbitPerSec, rationalToNumber(clip.frameRate)].every(Number.isFinite),
              ).toBe(true);
        },
      ),
      propertyRuns,
    );
  });
});

describe('decodeReportText', () => {
  it('reads UTF-8 with a mark and the UTF-16 that Windows shells write', () => {
    const text = '{"format":{}}';
    const utf16 = new Uint8Array(2 + text.length * 2);
    utf16.set([0xff, 0xfe]);
    [...text].forEach((char, i) => {
      utf16[2 + i * 2] = char.charCodeAt(0);
    });
    expect(decodeReportText(utf16)).toBe(text);
    expect(decodeReportText(new Uint8Array([0xef, 0xbb, 0xbf, ...new TextEncoder().encode(text)]))).toBe(text);
    expect(decodeReportText(new TextEncoder().encode(text))).toBe(text);
  });
});

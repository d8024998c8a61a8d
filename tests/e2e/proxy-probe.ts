import { execFileSync } from 'node:child_process';
import { existsSync, mkdirSync } from 'node:fs';
import { join } from 'node:path';

/** A clip of a second or so, of a kind that proxies go wrong with. */
interface ProbeClip {
  readonly name: string;
  readonly size: string;
  readonly rate: string;
  /** After the picture and the tone. */
  readonly args: readonly string[];
}

const x264 = ['-c:v', 'libx264', '-preset', 'ultrafast', '-crf', '20'];
const pixels = (format: string) => ['-pix_fmt', format];
const aac = ['-c:a', 'aac'];
const plain = [...x264, ...pixels('yuv420p'), ...aac];

/** Twenty clips: uneven and broken rates, turned, odd and anamorphic shapes, sound of all kinds and none, deep and full-range pictures. */
export const probeClips: readonly ProbeClip[] = [
  { name: 'rate-23976.mp4', size: '1280x720', rate: '24000/1001', args: plain },
  { name: 'rate-2997.mp4', size: '1280x720', rate: '30000/1001', args: plain },
  { name: 'rate-5994.mp4', size: '1280x720', rate: '60000/1001', args: plain },
  { name: 'rate-50.mov', size: '1280x720', rate: '50', args: plain },
  {
    name: 'uneven.mp4',
    size: '1280x720',
    rate: '30',
    args: ['-vf', "select='not(eq(mod(n,7),3))'", '-vsync', 'vfr', ...plain],
  },
  { name: 'turned-90.mp4', size: '1280x720', rate: '25', args: ['-metadata:s:v', 'rotate=90', ...plain] },
  { name: 'turned-270.mp4', size: '1280x720', rate: '30000/1001', args: ['-metadata:s:v', 'rotate=270', ...plain] },
  { name: 'tall.mp4', size: '720x1280', rate: '25', args: plain },
  { name: 'wide-1998.mp4', size: '1998x1080', rate: '24', args: plain },
  { name: 'anamorphic.mp4', size: '1440x1080', rate: '25', args: ['-vf', 'setsar=4/3', ...plain] },
  {
    name: 'odd-size.webm',
    size: '1277x719',
    rate: '25',
    args: ['-c:v', 'libvpx-vp9', '-deadline', 'realtime', '-cpu-used', '8', ...pixels('yuv420p'), '-c:a', 'libopus'],
  },
  { name: 'mono.mp4', size: '1280x720', rate: '25', args: [...plain, '-ac', '1'] },
  { name: 'surround.mp4', size: '1280x720', rate: '25', args: [...plain, '-ac', '6'] },
  { name: 'silent.mp4', size: '1280x720', rate: '25', args: [...x264, ...pixels('yuv420p'), '-an'] },
  { name: 'plain-sound.mov', size: '1280x720', rate: '25', args: [...x264, ...pixels('yuv420p'), '-c:a', 'pcm_s16le'] },
  { name: 'deep.mp4', size: '1280x720', rate: '25', args: [...x264, ...pixels('yuv420p10le'), ...aac] },
  {
    name: 'full-range.mp4',
    size: '1280x720',
    rate: '25',
    args: [...x264, ...pixels('yuvj420p'), '-color_range', 'pc', ...aac],
  },
  {
    name: 'open-groups.mkv',
    size: '1280x720',
    rate: '24000/1001',
    args: [
      ...x264,
      '-preset',
      'veryfast',
      '-bf',
      '3',
      '-x264-params',
      'open-gop=1:keyint=12',
      ...pixels('yuv420p'),
      ...aac,
    ],
  },
  {
    name: 'vp9.webm',
    size: '1280x720',
    rate: '30000/1001',
    args: ['-c:v', 'libvpx-vp9', '-deadline', 'realtime', '-cpu-used', '8', ...pixels('yuv420p'), '-c:a', 'libopus'],
  },
  {
    name: 'av1.mp4',
    size: '1280x720',
    rate: '25',
    args: ['-c:v', 'libsvtav1', '-preset', '12', '-svtav1-params', 'lp=2', ...pixels('yuv420p'), ...aac],
  },
];

/** Makes the clips that are not there yet. */
export function makeProbeClips(folder: string): readonly string[] {
  mkdirSync(folder, { recursive: true });
  return probeClips.map(({ name, size, rate, args }) => {
    const path = join(folder, name);
    if (!existsSync(path))
      execFileSync(
        'ffmpeg',
        [
          ...['-hide_banner', '-loglevel', 'error', '-y', '-f', 'lavfi', '-i', `testsrc2=size=${size}:rate=${rate}`],
          ...['-f', 'lavfi', '-i', 'sine=frequency=330:sample_rate=48000', '-t', '1.2', ...args, path],
        ],
        { stdio: ['ignore', 'ignore', 'pipe'] },
      );
    return path;
  });
}

/** What ffprobe says of a file, as far as a proxy must have it too. */
export interface Probed {
  readonly frameTimes: readonly number[];
  readonly keyFrameCount: number;
  readonly rate: number;
  readonly displayAspect: number;
  readonly rotation: number;
  readonly range: string;
  readonly channels: readonly number[];
}

interface ProbeStream {
  readonly codec_type: string;
  readonly width?: number;
  readonly height?: number;
  readonly sample_aspect_ratio?: string;
  readonly avg_frame_rate?: string;
  readonly color_range?: string;
  readonly channels?: number;
  readonly side_data_list?: readonly { readonly rotation?: number }[];
}

const ratioOf = (text: string | undefined, between: string): number => {
  const [a = 1, b = 1] = (text ?? '').split(between).map(Number);
  return a > 0 && b > 0 ? a / b : 1;
};

/** Asks ffprobe about a file. */
export function probe(path: string): Probed {
  const said = JSON.parse(
    execFileSync('ffprobe', ['-v', 'error', '-show_streams', '-show_packets', '-of', 'json', path], {
      maxBuffer: 2 ** 27,
    }).toString(),
  ) as {
    readonly streams: readonly ProbeStream[];
    readonly packets: readonly { readonly codec_type: string; readonly pts_time?: string; readonly flags: string }[];
  };
  const picture = said.streams.find(({ codec_type }) => codec_type === 'video');
  const packets = said.packets.filter(({ codec_type }) => codec_type === 'video');
  return {
    frameTimes: packets.map(({ pts_time }) => Number(pts_time)).sort((a, b) => a - b),
    keyFrameCount: packets.filter(({ flags }) => flags.startsWith('K')).length,
    rate: ratioOf(picture?.avg_frame_rate, '/'),
    displayAspect: ((picture?.width ?? 1) / (picture?.height ?? 1)) * ratioOf(picture?.sample_aspect_ratio, ':'),
    rotation: picture?.side_data_list?.find(({ rotation }) => rotation !== undefined)?.rotation ?? 0,
    range: picture?.color_range === 'pc' ? 'full' : 'limited',
    channels: said.streams.flatMap(({ codec_type, channels }) => (codec_type === 'audio' ? [channels ?? 0] : [])),
  };
}

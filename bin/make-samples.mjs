// Makes the sample clip that the machine is measured by: a picture of ours in which everything moves, so that decoding it is
// work of the usual kind. Needs ffmpeg; the clip is kept in the repository, so that measuring needs no ffmpeg.
import { execFileSync } from 'node:child_process';
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { rootDir } from './setup.mjs';

const folder = join(rootDir, 'public', 'samples');
mkdirSync(folder, { recursive: true });
execFileSync('ffmpeg', [
  ...['-hide_banner', '-loglevel', 'error', '-y'],
  ...['-f', 'lavfi', '-i', 'mandelbrot=size=1920x1080:rate=25:start_scale=0.8:end_scale=0.05:end_pts=120'],
  ...['-vf', 'noise=alls=7:allf=t,format=yuv420p', '-frames:v', '40'],
  ...[
    '-c:v',
    'libx264',
    '-profile:v',
    'high',
    '-preset',
    'medium',
    '-g',
    '20',
    '-bf',
    '2',
    '-b:v',
    '7M',
    '-maxrate',
    '8M',
  ],
  ...['-bufsize', '4M', '-movflags', '+faststart', '-fflags', '+bitexact', '-flags:v', '+bitexact', '-an'],
  join(folder, 'steady.mp4'),
]);

import { execFileSync, spawn } from 'node:child_process';
import { closeSync, existsSync, openSync, readSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { RecordingPlan } from './recordings';

/** Files here are kept in memory. */
const memoryFolder = existsSync('/dev/shm') ? '/dev/shm' : tmpdir();
/** Nothing for so long, and ffmpeg has failed. */
const mostIdleMs = 20_000;

/** Whether a recording stores its frames in another order than it shows them; a browser sees it in the packets. */
export const isReorderedRecording = (path: string): boolean =>
  Number(
    execFileSync('ffprobe', ['-v', 'error', '-show_entries', 'stream=has_b_frames', '-of', 'csv=p=0', path], {
      encoding: 'utf8',
    }),
  ) > 0;

/**
 * Has ffmpeg decode a recording and hands its frames over one by one; they are written over by the next. Rejects where
 * ffmpeg fails. The plane of brightness comes as it was recorded, which is what a browser's decoder hands over too:
 * converting it to another range of greys would cost ffmpeg as much as decoding. One thread decodes into memory while
 * this one measures behind it: through a pipe, which holds a quarter of a frame, each would wait for the other.
 */
export async function decodeRecording(
  plan: RecordingPlan,
  path: string,
  take: (frame: Uint8Array, index: number) => void,
): Promise<void> {
  const framesPath = join(memoryFolder, `oil-can-frames-${process.pid}-${plan.seed}`);
  const to = openSync(framesPath, 'w');
  const options = ['-v', 'error', '-threads', '1', '-i', path, '-vf', 'extractplanes=y', '-f', 'rawvideo', '-'];
  const child = spawn('ffmpeg', options, { stdio: ['ignore', to, 'inherit'] });
  closeSync(to);
  const isDone = new Promise<void>((resolve, reject) => {
    child.on('error', reject);
    child.on('exit', (code) => (code === 0 ? resolve() : reject(new Error(`ffmpeg ended with ${code}`))));
  });
  const from = openSync(framesPath, 'r');
  const frame = new Uint8Array(plan.widthPx * plan.heightPx);
  const nobody = new Int32Array(new SharedArrayBuffer(4));
  let filled = 0;
  let index = 0;
  let heardAtMs = performance.now();
  try {
    while (index < plan.frameCount) {
      const count = readSync(from, frame, filled, frame.length - filled, null);
      if (count === 0) {
        if (performance.now() - heardAtMs > mostIdleMs)
          throw new Error(`ffmpeg gave ${index} of ${plan.frameCount} frames`);
        Atomics.wait(nobody, 0, 0, 1);
        continue;
      }
      heardAtMs = performance.now();
      filled += count;
      if (filled < frame.length) continue;
      take(frame, index++);
      filled = 0;
    }
    await isDone;
  } finally {
    child.kill();
    closeSync(from);
    rmSync(framesPath);
  }
}

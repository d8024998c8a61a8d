import { spawn, spawnSync } from 'node:child_process';
import { closeSync, openSync, readSync, rmSync } from 'node:fs';
import type { RecordingPlan } from './recordings';

/**
 * Has ffmpeg decode a recording and hands its frames over one by one; they are written over by the next. Rejects where
 * ffmpeg fails. The plane of brightness comes as it was recorded, which is what a browser's decoder hands over too:
 * converting it to another range of greys would cost ffmpeg as much as decoding. One thread decodes while this one
 * measures, and a named pipe is read straight into the frame: node's own streams take longer than the measuring.
 */
export async function decodeRecording(
  plan: RecordingPlan,
  path: string,
  take: (frame: Uint8Array, index: number) => void,
): Promise<void> {
  const pipe = `${path}.frames`;
  if (spawnSync('mkfifo', [pipe]).status !== 0) throw new Error(`decodeRecording: no pipe at ${pipe}`);
  // Opened for both first: opening one side alone would wait for the other.
  const both = openSync(pipe, 'r+');
  const options = ['-v', 'error', '-threads', '1', '-i', path, '-vf', 'extractplanes=y', '-f', 'rawvideo', '-'];
  const child = spawn('ffmpeg', options, { stdio: ['ignore', both, 'inherit'] });
  const isDone = new Promise<void>((resolve, reject) => {
    child.on('exit', (code) => (code === 0 ? resolve() : reject(new Error(`ffmpeg ended with ${code}`))));
  });
  const from = openSync(pipe, 'r');
  closeSync(both);
  const frame = new Uint8Array(plan.widthPx * plan.heightPx);
  let filled = 0;
  let index = 0;
  for (;;) {
    const count = readSync(from, frame, filled, frame.length - filled, null);
    if (count === 0) break;
    filled += count;
    if (filled < frame.length) continue;
    take(frame, index++);
    filled = 0;
  }
  closeSync(from);
  rmSync(pipe);
  await isDone;
}

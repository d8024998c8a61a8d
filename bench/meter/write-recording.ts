import { spawn } from 'node:child_process';
import { drawRecording, type RecordingPlan } from './recordings';

/**
 * Draws a planned recording and has ffmpeg write it, as recorders do, `times` as large a side. Rejects where ffmpeg
 * fails.
 */
export async function writeRecording(plan: RecordingPlan, path: string, times = 1): Promise<void> {
  const size = `${plan.widthPx}x${plan.heightPx}`;
  const raw = ['-f', 'rawvideo', '-pix_fmt', 'gray', '-s', size, '-r', String(plan.recordedFps), '-i', '-'];
  const enlarge = times === 1 ? [] : ['-vf', `scale=iw*${times}:ih*${times}`];
  const options = ['-v', 'error', '-y', ...raw, ...enlarge, '-pix_fmt', 'yuv420p', ...plan.encoding.options, path];
  const child = spawn('ffmpeg', options, { stdio: ['pipe', 'inherit', 'inherit'] });
  const isDone = new Promise<void>((resolve, reject) => {
    child.on('exit', (code) => (code === 0 ? resolve() : reject(new Error(`ffmpeg ended with ${code}`))));
  });
  await drawRecording(plan, (frame) => new Promise((resolve) => child.stdin.write(frame, () => resolve())));
  child.stdin.end();
  await isDone;
}

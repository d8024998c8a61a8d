import { execFile } from 'node:child_process';
import { promisify } from 'node:util';
import { comparedHeight, comparedWidth, type Luma, type MediaOutline } from '@/core/proxies';

const run = promisify(execFile);
const pictureBytes = comparedWidth * comparedHeight;

/** Whether ffmpeg is on the path. */
export const hasFfmpeg = (): Promise<boolean> =>
  run('ffmpeg', ['-version']).then(
    () => true,
    () => false,
  );

/**
 * The luma of some frames in a row, from `firstIndex` on, as ffmpeg decodes them: unturned, and as it is stored, whatever range
 * the file says that it has. Fewer where it gives fewer. Rejects where ffmpeg fails.
 */
export async function readPicturesByFfmpeg(
  path: string,
  { timesMs }: MediaOutline,
  firstIndex: number,
  count: number,
): Promise<readonly Luma[]> {
  const atMs = timesMs[firstIndex] ?? 0;
  const beforeMs = timesMs[firstIndex - 1] ?? atMs - 1;
  // A little before it: the place is rounded to the file's own clock, which may count whole frames.
  const fromSec = (0.7 * atMs + 0.3 * beforeMs) / 1000;
  const { stdout } = await run(
    'ffmpeg',
    [
      ...['-hide_banner', '-loglevel', 'error', '-noautorotate', '-threads', '2'],
      // Without a place before the first frame: a seek to before the beginning is refused in some containers.
      ...(firstIndex > 0 ? ['-seek_timestamp', '1', '-ss', String(fromSec)] : []),
      ...['-i', path, '-map', '0:v:0', '-frames:v', String(count), '-vsync', 'passthrough'],
      ...['-vf', `extractplanes=y,setrange=pc,scale=${comparedWidth}:${comparedHeight}:flags=area,format=gray`],
      ...['-f', 'rawvideo', '-'],
    ],
    { encoding: 'buffer', maxBuffer: 64 * pictureBytes },
  );
  return Array.from({ length: Math.floor(stdout.length / pictureBytes) }, (_, i) =>
    Float32Array.from(stdout.subarray(i * pictureBytes, (i + 1) * pictureBytes)),
  );
}

// How long the facts of a hundred files take against ffprobe asked for the same ones: ours in one process with its
// start, ffprobe once a file, two at a time. `npm run -s bench:inspect`; --quick takes six short files.
// The last line is one JSON object.
import { execFileSync, spawn } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync, renameSync, statSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { openFileSource } from '@/adapters/node/file-source';
import { inspectFile } from '@/adapters/shared/inspect-file';
import { percentileOfSorted } from '@/core/numbers/percentile';

const isQuick = process.argv.includes('--quick');
const root = fileURLToPath(new URL('..', import.meta.url));
const media = `${root}tests/fixtures/media/`;
const longDir = `${root}tests/fixtures/long/`;

/** Clips of each container and codec that are repeated without encoding again; ten of each length. */
const sources = [
  ...['h264-8bit.mp4', 'h264-10bit.mp4', 'hevc-10bit.mov', 'prores.mov', 'h264-10bit.mkv'],
  ...['hevc-10bit.mkv', 'vp9.webm', 'h264.ts', 'wheel.mp4', 'uneven.mp4'],
];
const lengthsSec = isQuick ? [10] : [10, 20, 40, 60, 90, 120, 180, 300, 450, 600];

/** Makes a clip of a length by repeating a short one; kept between runs. */
function makeLong(source: string, lengthSec: number): string {
  const ending = source.split('.').at(-1) ?? '';
  const path = `${longDir}${source.replace(/\.[^.]+$/, '')}-${lengthSec}s.${ending}`;
  if (existsSync(path)) return path;
  const half = `${longDir}half.${ending}`;
  execFileSync('ffmpeg', [
    ...['-hide_banner', '-loglevel', 'error', '-y', '-stream_loop', '-1', '-i', `${media}${source}`],
    ...['-t', String(lengthSec), '-c', 'copy', half],
  ]);
  renameSync(half, path);
  return path;
}

const medianOf = (values: readonly number[]): number =>
  percentileOfSorted(
    [...values].sort((a, b) => a - b),
    0.5,
  );

/** Wall time of our command line over all files, its start included. */
async function timeOurs(paths: readonly string[]): Promise<number> {
  const startedMs = performance.now();
  const ran = spawn('node', ['--import', 'tsx', 'bin/oil-can.ts', 'inspect', ...paths], {
    cwd: root,
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  const exitCode = await new Promise<number | null>((resolve) => ran.on('close', resolve));
  if (exitCode !== 0) throw new Error(`bench:inspect: our inspect ended with ${exitCode}`);
  return performance.now() - startedMs;
}

/** The largest memory of a process that does the same, MiB, as it tells of itself. */
const measurePeakMib = (paths: readonly string[]): number =>
  Number(execFileSync('node', ['--import', 'tsx', 'bench/inspect-peak.ts', ...paths], { cwd: root }).toString()) / 1024;

/** ffprobe once a file, two at a time, counting packets because it states no count for most containers. */
async function timeProbe(paths: readonly string[]): Promise<number> {
  const waiting = [...paths];
  const startedMs = performance.now();
  const work = async (): Promise<void> => {
    for (let path = waiting.shift(); path !== undefined; path = waiting.shift()) {
      const args = ['-v', 'error', '-count_packets', '-show_format', '-show_streams', '-of', 'json', path];
      const ran = spawn('ffprobe', args, { stdio: ['ignore', 'ignore', 'inherit'] });
      await new Promise((resolve) => ran.on('close', resolve));
    }
  };
  await Promise.all([work(), work()]);
  return performance.now() - startedMs;
}

mkdirSync(longDir, { recursive: true });
const chosen = isQuick ? sources.slice(0, 6) : sources;
const paths = lengthsSec.flatMap((lengthSec) => chosen.map((source) => makeLong(source, lengthSec)));

const rounds = isQuick ? 1 : 3;
const ours: number[] = [];
const theirs: number[] = [];
const starts: number[] = [];
for (let round = 0; round < rounds; round++) {
  const startedMs = performance.now();
  for (let i = 0; i < 10; i++) execFileSync('ffprobe', ['-v', 'error', '-version'], { stdio: 'ignore' });
  starts.push((performance.now() - startedMs) / 10);
  ours.push(await timeOurs(paths));
  theirs.push(await timeProbe(paths));
}

const bytesRead: number[] = [];
for (const path of paths) {
  const source = await openFileSource(path);
  const { result, bytesRead: bytes } = await inspectFile(source);
  await source.close();
  if (!result.ok) throw new Error(`bench:inspect: ${path} gave ${result.failure.code}`);
  bytesRead.push(bytes);
}

const large = [];
const largeDir = `${root}tests/fixtures/large/`;
for (const name of isQuick || !existsSync(largeDir) ? [] : readdirSync(largeDir)) {
  const startedMs = performance.now();
  const source = await openFileSource(`${largeDir}${name}`);
  const outcome = await inspectFile(source);
  await source.close();
  large.push({ file: name, ms: performance.now() - startedMs, bytesRead: outcome.bytesRead });
}

const [oursMs, theirsMs, startMs] = [medianOf(ours), medianOf(theirs), medianOf(starts)];
console.log(
  JSON.stringify({
    bench: 'inspect',
    fileCount: paths.length,
    totalBytes: paths.reduce((sum, path) => sum + statSync(path).size, 0),
    oursMs,
    ffprobeMs: theirsMs,
    ratioToFfprobe: oursMs / theirsMs,
    ffprobeStartMs: startMs,
    // Two at a time: half of all starts lie one behind the other.
    ratioWithoutFfprobeStart: oursMs / (theirsMs - (startMs * paths.length) / 2),
    bytesReadMedian: medianOf(bytesRead),
    bytesReadWorst: Math.max(...bytesRead),
    peakMib: measurePeakMib(paths),
    large,
  }),
);

// How long a file's facts take against ffprobe asked for the same ones, and how few bytes of a large file they need.
// `npm run -s bench:inspect`; --quick reads fewer files. The last line is one JSON object.
import { execFileSync } from 'node:child_process';
import { readdirSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { openFileSource } from '@/adapters/node/file-source';
import { inspectFile } from '@/adapters/shared/inspect-file';
import { percentileOfSorted } from '@/core/numbers/percentile';

const isQuick = process.argv.includes('--quick');
const fixtures = fileURLToPath(new URL('../tests/fixtures/', import.meta.url));
const listFiles = (dir: string): readonly string[] => {
  try {
    return readdirSync(`${fixtures}${dir}`).map((name) => `${fixtures}${dir}/${name}`);
  } catch {
    return [];
  }
};
const readable = /h264-8bit\.m|h264-10bit|hevc-10bit|vp9|kiln|silent/;
const paths = listFiles('media').filter((path) => readable.test(path));
const chosen = isQuick ? paths.slice(0, 3) : paths;

const inspectPath = async (path: string) => {
  const startedMs = performance.now();
  const source = await openFileSource(path);
  const { result, bytesRead } = await inspectFile(source);
  await source.close();
  if (!result.ok) throw new Error(`bench:inspect: ${path} gave ${result.failure.code}`);
  return { ms: performance.now() - startedMs, bytesRead };
};
const probePath = (path: string): number => {
  const startedMs = performance.now();
  execFileSync('ffprobe', ['-v', 'error', '-count_packets', '-show_format', '-show_streams', '-of', 'json', path]);
  return performance.now() - startedMs;
};
const medianOf = (values: readonly number[]): number =>
  percentileOfSorted(
    [...values].sort((a, b) => a - b),
    0.5,
  );

// The first file also pays for loading the reader; it is read once before.
await inspectPath(chosen[0] ?? '');
const ours: number[] = [];
const theirs: number[] = [];
for (let round = 0; round < (isQuick ? 1 : 3); round++)
  for (const path of chosen) {
    ours.push((await inspectPath(path)).ms);
    theirs.push(probePath(path));
  }
const largeFiles = isQuick ? [] : listFiles('large');
const large = [];
for (const path of largeFiles) large.push({ file: path.split('/').pop(), ...(await inspectPath(path)) });
console.log(
  JSON.stringify({
    bench: 'inspect',
    fileCount: chosen.length,
    medianMs: medianOf(ours),
    worstMs: Math.max(...ours),
    ffprobeMedianMs: medianOf(theirs),
    ratioToFfprobe: medianOf(ours) / medianOf(theirs),
    large,
  }),
);

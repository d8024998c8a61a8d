// How fast our test-play says this machine decodes against ffmpeg decoding the same file to nothing, with one thread
// and with as many as it takes by itself. `npm run -s bench:test-play`; --quick does one run of H.264.
// Needs a production build. The last line is one JSON object.
import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { percentileOfSorted } from '@/core/numbers/percentile';
import { root, withPage } from './serve';

const isQuick = process.argv.includes('--quick');
const media = `${root}tests/fixtures/media/`;
const rounds = isQuick ? 1 : 5;
const clips = isQuick ? ['wheel.mp4'] : ['wheel.mp4', 'wheel.webm'];
/** The file is repeated, so that ffmpeg's start counts as little as a browser's. */
const repeats = 4;

const medianOf = (values: readonly number[]): number =>
  percentileOfSorted(
    [...values].sort((a, b) => a - b),
    0.5,
  );

/** Frames a second of ffmpeg over the repeated file, its start taken off by timing one that decodes one frame. */
function timeFfmpeg(name: string, frameCount: number, threads: readonly string[]): number {
  const run = (extra: readonly string[]): number => {
    const input = ['-stream_loop', String(repeats - 1), '-i', `${media}${name}`];
    const args = ['-hide_banner', '-loglevel', 'error', ...threads, ...input, '-an', ...extra, '-f', 'null', '-'];
    const startedMs = performance.now();
    execFileSync('ffmpeg', args);
    return performance.now() - startedMs;
  };
  const startMs = run(['-frames:v', '1']);
  return (frameCount * repeats * 1000) / (run([]) - startMs);
}

const countFrames = (name: string): number =>
  Number(
    execFileSync('ffprobe', [
      ...['-v', 'error', '-count_packets', '-select_streams', 'v:0', '-show_entries', 'stream=nb_read_packets'],
      ...['-of', 'csv=p=0', `${media}${name}`],
    ])
      .toString()
      .replace(/\D/g, ''),
  );

/** Test-plays a clip as a person does and reads the rate of decoding alone from the result's table. */
async function testPlay(page: Page, name: string): Promise<number> {
  await page.getByRole('searchbox', { name: 'Find by name or folder' }).fill(name);
  await page.getByRole('table', { name: 'Clips' }).getByRole('button', { name, exact: true }).click();
  const sheet = page.getByRole('dialog', { name });
  await sheet.getByRole('button', { name: /Test-play this clip|Play it again/ }).click();
  await sheet.getByRole('progressbar', { name: 'Test-play' }).waitFor();
  const row = sheet.getByRole('row', { name: /Decoding alone, by the processor/ });
  await row.waitFor({ timeout: 120_000 });
  const fps = Number((await row.getByRole('cell').first().textContent())?.replace(/,/g, ''));
  await page.keyboard.press('Escape');
  return fps;
}

await withPage(4397, async (page, url) => {
  await page.goto(`${url}/card/demo-decode-bound/footage`);
  await page.getByLabel('Choose video files').setInputFiles(
    clips.map((name) => ({
      name,
      mimeType: name.endsWith('webm') ? 'video/webm' : 'video/mp4',
      buffer: readFileSync(`${media}${name}`),
    })),
  );
  await page
    .getByText(`${14 + clips.length} clips`, { exact: true })
    .first()
    .waitFor();
  const results = [];
  for (const name of clips) {
    const frameCount = countFrames(name);
    const [ours, one, many]: [number[], number[], number[]] = [[], [], []];
    for (let round = 0; round < rounds; round++) {
      ours.push(await testPlay(page, name));
      one.push(timeFfmpeg(name, frameCount, ['-threads', '1']));
      many.push(timeFfmpeg(name, frameCount, []));
    }
    results.push({
      clip: name,
      oursFps: medianOf(ours),
      ffmpegOneThreadFps: medianOf(one),
      ffmpegDefaultThreadsFps: medianOf(many),
      ratioToDefaultThreads: medianOf(ours) / medianOf(many),
      ours,
    });
  }
  console.log(JSON.stringify({ bench: 'test-play', rounds, results }));
});

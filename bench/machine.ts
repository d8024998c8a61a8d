// Whether what the page measures of this machine predicts decoding: the core's speed fitted on the shipped sample, against
// ffmpeg's one-thread rate of four other clips in the same run. And how long ticking a program takes on a list of 600
// processes. `npm run -s bench:machine`; --quick measures once and two clips. Needs a production build. The last line is one JSON object.
import { execFileSync } from 'node:child_process';
import { mkdirSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import type { Page } from '@playwright/test';
import { sizeEvennessOf } from '@/core/footage';
import { softwareDecodeMs } from '@/core/load';
import { percentileOfSorted } from '@/core/numbers/percentile';
import { makeProcesses, writeGetProcessCsv } from '../tests/fixtures/process-lists';
import { root, withPage } from './serve';

const isQuick = process.argv.includes('--quick');
const runs = isQuick ? 1 : 3;
const limits = { misfit: 0.2, repaintMs: 100 };
const folder = `${root}bench/out/machine/`;

interface Made {
  readonly name: string;
  readonly codec: string;
  readonly bitDepth: number;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly encoder: readonly string[];
}

/** Other codecs and sizes than the sample's (H.264, 8 bit, 1080 lines). */
const allClips: readonly Made[] = [
  {
    name: 'h264-720.mp4',
    codec: 'h264',
    bitDepth: 8,
    widthPx: 1280,
    heightPx: 720,
    encoder: ['libx264', '-b:v', '5M'],
  },
  {
    name: 'h264-10bit.mp4',
    codec: 'h264',
    bitDepth: 10,
    widthPx: 1920,
    heightPx: 1080,
    encoder: ['libx264', '-pix_fmt', 'yuv420p10le', '-b:v', '8M'],
  },
  {
    name: 'hevc.mp4',
    codec: 'hevc',
    bitDepth: 8,
    widthPx: 1920,
    heightPx: 1080,
    encoder: ['libx265', '-x265-params', 'log-level=none', '-b:v', '6M'],
  },
  {
    name: 'vp9.webm',
    codec: 'vp9',
    bitDepth: 8,
    widthPx: 1920,
    heightPx: 1080,
    encoder: ['libvpx-vp9', '-deadline', 'realtime', '-cpu-used', '6', '-b:v', '6M'],
  },
];
const clips = isQuick ? allClips.slice(0, 2) : allClips;
const frameCount = 75;

function makeClip({ name, widthPx, heightPx, encoder }: Made): void {
  mkdirSync(folder, { recursive: true });
  const [codec = '', ...rest] = encoder;
  const format = rest.includes('-pix_fmt') ? [] : ['-pix_fmt', 'yuv420p'];
  execFileSync('ffmpeg', [
    ...['-hide_banner', '-loglevel', 'error', '-y', '-f', 'lavfi'],
    ...['-i', `mandelbrot=size=${widthPx}x${heightPx}:rate=25:start_scale=1.2:end_scale=0.1`],
    ...[
      '-vf',
      'noise=alls=6:allf=t',
      '-frames:v',
      String(frameCount),
      '-c:v',
      codec,
      ...rest,
      ...format,
      '-g',
      '25',
      '-an',
    ],
    `${folder}${name}`,
  ]);
}

/** Megabits of a frame, by what the file really holds, and how even its frames are in size. */
function bitsOf(name: string): { readonly megabits: number; readonly sizeEvenness: number | null } {
  const args = ['-v', 'error', '-select_streams', 'v', '-show_entries', 'packet=size', '-of', 'csv=p=0'];
  const sizes = execFileSync('ffprobe', [...args, `${folder}${name}`])
    .toString()
    .trim()
    .split('\n')
    .map(Number.parseFloat);
  const bytes = sizes.reduce((sum, size) => sum + size, 0);
  return { megabits: (8 * bytes) / 1e6 / frameCount, sizeEvenness: sizeEvennessOf(sizes) };
}

/** A shared machine's speed comes and goes within seconds: the middle of three. */
const medianOfThree = (time: () => number): number => [time(), time(), time()].toSorted((a, b) => a - b)[1] as number;

/** Frames a second of ffmpeg with one thread, its start taken off by timing one that decodes one frame. */
function timeFfmpeg(name: string): number {
  const run = (extra: readonly string[]): number => {
    const startedMs = performance.now();
    execFileSync('ffmpeg', [
      ...['-hide_banner', '-loglevel', 'error', '-threads', '1', '-stream_loop', '1', '-i', `${folder}${name}`],
      ...['-an', ...extra, '-f', 'null', '-'],
    ]);
    return performance.now() - startedMs;
  };
  const startMs = run(['-frames:v', '1']);
  return (2 * frameCount * 1000) / (run([]) - startMs);
}

/** Presses the button, and reads what is said of one core. */
async function measureCore(page: Page): Promise<number> {
  await page.getByRole('button', { name: /^(Yes: read and measure it|Measure again)$/ }).click();
  await page.getByRole('progressbar', { name: 'Measuring this computer' }).waitFor();
  const figure = page.getByText(/[\d.]+ × reference/).first();
  await page
    .getByRole('progressbar', { name: 'Measuring this computer' })
    .waitFor({ state: 'detached', timeout: 120_000 });
  await figure.waitFor({ timeout: 5000 });
  return Number((await figure.textContent())?.match(/[\d.]+/)?.[0]);
}

/** From ticking a program to the frame in which the sum below the table has changed. */
async function timeTicks(page: Page, url: string): Promise<readonly number[]> {
  await page.goto(`${url}/card/demo-decode-bound/programs`);
  await page.getByRole('button', { name: 'The computer that lags is another one' }).click();
  await page
    .getByRole('textbox', { name: 'What it printed' })
    .fill(writeGetProcessCsv(makeProcesses('windows'), { overSec: 5, separator: ',', decimal: '.' }));
  await page.getByRole('button', { name: 'Read this list' }).click();
  await page.getByText(/^Took 600 processes/).waitFor();
  await page.waitForTimeout(3000);
  const waits: number[] = [];
  for (let i = 0; i < (isQuick ? 3 : 12); i++) {
    waits.push(
      await page.evaluate(async () => {
        const box = document.querySelector<HTMLInputElement>('table[aria-label="What runs beside the editor"] input');
        const aside = [...document.querySelectorAll('section')].find((s) =>
          s.textContent?.includes('chosen to close or pause'),
        );
        if (!box || !aside) throw new Error('no list');
        const was = aside.textContent;
        const startedMs = performance.now();
        box.click();
        while (aside.textContent === was) await new Promise(requestAnimationFrame);
        return performance.now() - startedMs;
      }),
    );
    await page.waitForTimeout(1800);
  }
  return waits.toSorted((a, b) => a - b);
}

await withPage(4399, async (page, url) => {
  for (const clip of clips) makeClip(clip);
  await page.goto(url);
  await page.getByRole('button', { name: 'Start a card' }).click();
  await page
    .getByRole('navigation', { name: 'Steps' })
    .getByRole('link', { name: /^Machine/ })
    .click();
  const measured = [];
  for (let run = 0; run < runs; run++) {
    // Before and after the page measures, so that a machine whose speed comes and goes does so for both.
    const beforeFps = clips.map(({ name }) => medianOfThree(() => timeFfmpeg(name)));
    const coreSpeedRatio = await measureCore(page);
    for (const [i, clip] of clips.entries()) {
      const megapixels = (clip.widthPx * clip.heightPx) / 1e6;
      const referenceMs = softwareDecodeMs({
        codec: clip.codec,
        bitDepth: clip.bitDepth,
        chroma: '4:2:0',
        megapixels,
        ...bitsOf(clip.name),
      });
      const predictedFps = (1000 * coreSpeedRatio) / referenceMs;
      const ffmpegFps = ((beforeFps[i] ?? 0) + medianOfThree(() => timeFfmpeg(clip.name))) / 2;
      measured.push({
        run,
        clip: clip.name,
        coreSpeedRatio,
        predictedFps,
        ffmpegFps,
        misfit: predictedFps / ffmpegFps - 1,
      });
    }
  }
  const ticks = await timeTicks(page, url);
  const worst = Math.max(...measured.map(({ misfit }) => Math.abs(misfit)));
  console.log(
    JSON.stringify({
      bench: 'machine',
      limits,
      coreCount: availableParallelism(),
      worstMisfit: Math.round(1000 * worst) / 1000,
      tickMedianMs: Math.round(percentileOfSorted(ticks, 0.5)),
      tickWorstMs: Math.round(ticks.at(-1) ?? 0),
      measured: measured.map((row) => ({
        ...row,
        predictedFps: Math.round(row.predictedFps * 10) / 10,
        ffmpegFps: Math.round(row.ffmpegFps * 10) / 10,
        misfit: Math.round(1000 * row.misfit) / 1000,
      })),
    }),
  );
});

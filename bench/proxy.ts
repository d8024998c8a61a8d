// How quickly proxies are made on the page, from the press to the closed file, against ffmpeg at the same bit rate: five runs by
// turns, the median of the ratios; and what memory the browser needs for it. A run counts only with the same frame count and time
// stamps, a size within 15 % and a picture that is hardly worse. `npm run -s bench:proxy`; --quick: one run, no long clip; --memory:
// the long clips alone.
// Needs ffmpeg, a production build and the /proc of Linux. The last line is one JSON object.
import { execFileSync } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { percentileOfSorted } from '@/core/numbers/percentile';
import { proxyMegabitPerSec, usualRecipe } from '@/core/proxies';
import { root, withPage } from './serve';

const isQuick = process.argv.includes('--quick');
const isMemory = process.argv.includes('--memory');
const runs = isQuick ? 1 : 5;
const folder = `${root}bench/out/proxy/`;
mkdirSync(folder, { recursive: true });

const clips = [
  {
    name: '2160.mp4',
    size: '3840x2160',
    seconds: 3,
    most: 1.0,
    encoder: ['libx264', '-preset', 'veryfast', '-b:v', '45M'],
  },
  {
    name: '1080.mp4',
    size: '1920x1080',
    seconds: 6,
    most: 1.1,
    encoder: ['libx264', '-preset', 'veryfast', '-b:v', '16M'],
  },
  {
    name: 'vp9.webm',
    size: '1920x1080',
    seconds: 6,
    most: 1.25,
    encoder: ['libvpx-vp9', '-deadline', 'realtime', '-cpu-used', '6', '-b:v', '12M'],
  },
] as const;
const rate = 30;
const mostMib = 500;
const mostMoreMib = 50;

const ffmpeg = (args: readonly string[]): string =>
  execFileSync('ffmpeg', ['-hide_banner', '-loglevel', 'error', '-y', ...args], {
    stdio: ['ignore', 'pipe', 'pipe'],
  }).toString();
const probe = (path: string, args: readonly string[]): string =>
  execFileSync('ffprobe', ['-v', 'error', ...args, path], { maxBuffer: 2 ** 26 })
    .toString()
    .trim();

function makeClip({ name, size, seconds, encoder }: (typeof clips)[number]): void {
  if (existsSync(folder + name)) return;
  const sound = name.endsWith('.webm') ? 'libopus' : 'aac';
  const picture = `mandelbrot=size=${size}:rate=${rate}:start_scale=1.2:end_scale=0.1,noise=alls=6:allf=t,format=yuv420p`;
  ffmpeg([
    ...['-f', 'lavfi', '-i', picture, '-f', 'lavfi', '-i', 'sine=frequency=330:sample_rate=48000'],
    ...['-t', String(seconds), '-c:v', ...encoder, '-g', '60', '-c:a', sound, folder + name],
  ]);
}

/** A clip repeated without encoding again. */
function repeatClip(from: string, name: string, times: number): void {
  if (!existsSync(folder + name))
    ffmpeg(['-stream_loop', String(times - 1), '-i', folder + from, '-c', 'copy', folder + name]);
}

/** Memory of this process's browser and all that it started, each page counted once, in MiB. */
function browserMib(): number {
  const parents = new Map<number, number>();
  for (const entry of readdirSync('/proc')) {
    if (!/^\d+$/.test(entry)) continue;
    try {
      const stat = readFileSync(`/proc/${entry}/stat`, 'utf8');
      parents.set(Number(entry), Number(stat.slice(stat.lastIndexOf(')') + 2).split(' ')[1]));
    } catch {
      // It has ended meanwhile.
    }
  }
  const isBrowser = (id: number): boolean => {
    for (let at = id; at > 1; at = parents.get(at) ?? 0) if (at === process.pid) return id !== process.pid;
    return false;
  };
  let kib = 0;
  for (const id of parents.keys()) {
    if (!isBrowser(id)) continue;
    try {
      if (!/chrom|headless/i.test(readFileSync(`/proc/${id}/comm`, 'utf8'))) continue;
      kib += Number(/^Pss:\s+(\d+)/m.exec(readFileSync(`/proc/${id}/smaps_rollup`, 'utf8'))?.[1] ?? 0);
    } catch {
      // As above.
    }
  }
  return kib / 1024;
}

/** As text: what tsx makes of a named function is not known on the page. */
const givePicker = (page: Page) =>
  page.addInitScript({ content: 'window.showDirectoryPicker = () => navigator.storage.getDirectory()' });

/** A new card with this clip alone, ready to make its proxy. */
async function openClip(page: Page, url: string, name: string): Promise<void> {
  await page.goto(url);
  await page.getByRole('button', { name: 'Start a card' }).click();
  const steps = page.getByRole('navigation', { name: 'Steps' });
  await steps.getByRole('link', { name: /^Footage/ }).click();
  await page.getByLabel('Choose video files').setInputFiles(folder + name);
  await page
    .getByRole('row', { name: new RegExp(name.replace('.', '\\.')) })
    .first()
    .waitFor();
  await steps.getByRole('link', { name: /^Proxies/ }).click();
  await page.getByRole('checkbox', { name: `Make a proxy of ${name}` }).check();
  await page.getByRole('button', { name: /Choose where they go|Another folder/ }).click();
  await page.getByRole('button', { name: 'Make 1 proxy' }).waitFor();
  // What the page works out of the new clip is done before the clock starts.
  await page.waitForTimeout(2500);
}

/** Presses the button; from then to the closed file, in ms, with the most memory meanwhile. */
async function makeOne(page: Page, isWatched: boolean): Promise<{ readonly ms: number; readonly peakMib: number }> {
  let peakMib = 0;
  const timer = isWatched
    ? setInterval(() => {
        peakMib = Math.max(peakMib, browserMib());
      }, 250)
    : undefined;
  const ms = await page.evaluate(async () => {
    const button = [...document.querySelectorAll('button')].find(({ textContent }) => textContent === 'Make 1 proxy');
    if (!button) throw new Error('no button');
    const startedMs = performance.now();
    button.click();
    for (;;) {
      const said = document.querySelector('table[aria-label="Proxies of this round"]')?.textContent ?? '';
      if (/is checked|MB;|fine/.test(said)) break;
      if (/failed|cannot|broke|gave up/.test(said)) throw new Error(said);
      await new Promise((resolve) => setTimeout(resolve, 20));
    }
    return performance.now() - startedMs;
  });
  clearInterval(timer);
  await page
    .getByText(/^.*MB; /)
    .first()
    .waitFor({ timeout: 120_000 });
  return { ms, peakMib };
}

/** The made proxy's bytes, and an empty folder after it. */
async function takeOut(page: Page): Promise<Buffer> {
  const base64 = await page.evaluate(async () => {
    const directory = await navigator.storage.getDirectory();
    let made = '';
    for await (const { name } of directory.values()) {
      if (name.endsWith('.mp4')) {
        const file = await (await directory.getFileHandle(name)).getFile();
        made = await new Promise<string>((resolve) => {
          const reader = new FileReader();
          reader.onload = () => resolve(String(reader.result).split(',')[1] ?? '');
          reader.readAsDataURL(file);
        });
      }
      await directory.removeEntry(name, { recursive: true });
    }
    return made;
  });
  return Buffer.from(base64, 'base64');
}

const timesOf = (path: string): readonly number[] =>
  probe(path, ['-select_streams', 'v', '-show_entries', 'packet=pts_time', '-of', 'csv=p=0'])
    .split('\n')
    .map((line) => Number.parseFloat(line))
    .sort((a, b) => a - b);

function ssimOf(path: string, original: string): number {
  const { stderr } = (() => {
    try {
      return {
        stderr: execFileSync(
          'bash',
          [
            '-c',
            `ffmpeg -hide_banner -i "${path}" -i "${original}" -lavfi "[1:v]scale=960:540:flags=area[r];[0:v][r]ssim" -f null - 2>&1`,
          ],
          { maxBuffer: 2 ** 26 },
        ).toString(),
      };
    } catch (error) {
      return { stderr: String(error) };
    }
  })();
  return Number(/All:([\d.]+)/.exec(stderr)?.[1] ?? 0);
}

const round = (value: number, digits = 3): number => Math.round(value * 10 ** digits) / 10 ** digits;

await withPage(
  4398,
  async (page, url) => {
    await givePicker(page);
    const results = [];
    for (const clip of isMemory ? [] : clips) {
      makeClip(clip);
      const original = folder + clip.name;
      const megabit = proxyMegabitPerSec({ widthPx: 960, heightPx: 540 }, rate, usualRecipe);
      const theirs = `${folder}theirs-${clip.name}.mp4`;
      const ours = `${folder}ours-${clip.name}.mp4`;
      const ratios: number[] = [];
      let [oursMs, theirsMs] = [0, 0];
      for (let run = 0; run < runs; run++) {
        await openClip(page, url, clip.name);
        oursMs = (await makeOne(page, false)).ms;
        writeFileSync(ours, await takeOut(page));
        const startedMs = performance.now();
        ffmpeg([
          ...[
            '-i',
            original,
            '-vf',
            'scale=-2:540:flags=bilinear',
            '-c:v',
            'libx264',
            '-preset',
            'veryfast',
            '-g',
            '1',
          ],
          ...['-b:v', `${megabit}M`, '-c:a', 'copy', theirs],
        ]);
        theirsMs = performance.now() - startedMs;
        ratios.push(oursMs / theirsMs);
      }
      ratios.sort((a, b) => a - b);
      const [a, b] = [timesOf(ours), timesOf(theirs)];
      const largestShiftMs = Math.max(
        ...a.map((at, i) => 1000 * Math.abs(at - (a[0] ?? 0) - ((b[i] ?? 0) - (b[0] ?? 0)))),
      );
      results.push({
        clip: clip.name,
        ratio: round(percentileOfSorted(ratios, 0.5)),
        most: clip.most,
        ratios: ratios.map((ratio) => round(ratio)),
        lastMs: [Math.round(oursMs), Math.round(theirsMs)],
        frameCounts: [a.length, b.length],
        largestShiftMs: round(largestShiftMs),
        sizeRatio: round(statSync(ours).size / statSync(theirs).size),
        ssim: [round(ssimOf(ours, original), 4), round(ssimOf(theirs, original), 4)],
      });
      console.error(JSON.stringify(results.at(-1)));
    }
    const memory: { readonly clip: string; readonly aboveIdleMib: number }[] = [];
    const long = isQuick
      ? []
      : ([
          ['30s.mp4', 10],
          ['3min.mp4', 60],
        ] as const);
    for (const [name, times] of long) {
      repeatClip('2160.mp4', name, times);
      await openClip(page, url, name);
      const idleMib = browserMib();
      const { peakMib } = await makeOne(page, true);
      await takeOut(page);
      memory.push({ clip: name, aboveIdleMib: Math.round(peakMib - idleMib) });
      console.error(JSON.stringify(memory.at(-1)));
    }
    const [short, longer] = memory;
    const isMet =
      results.every(
        ({ ratio, most, frameCounts, largestShiftMs, sizeRatio, ssim }) =>
          ratio <= most &&
          frameCounts[0] === frameCounts[1] &&
          largestShiftMs < 1 &&
          Math.abs(sizeRatio - 1) <= 0.15 &&
          (ssim[0] ?? 0) >= (ssim[1] ?? 1) - 0.01,
      ) &&
      memory.every(({ aboveIdleMib }) => aboveIdleMib < mostMib) &&
      (!short || !longer || longer.aboveIdleMib - short.aboveIdleMib <= mostMoreMib);
    console.log(JSON.stringify({ bench: 'proxy', isMet, results, memory, limits: { mostMib, mostMoreMib } }));
  },
  `${folder}profile`,
);

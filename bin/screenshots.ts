// `npm run screenshots`: the main views from the demo data, into docs/screenshots. Needs a production build.
import { spawn } from 'node:child_process';
import { mkdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { chromium, type Page } from '@playwright/test';
import { encodings, planRecording } from '../bench/meter/recordings';
import { writeRecording } from '../bench/meter/write-recording';
import { chromiumOptions } from '../playwright.config';
import { lowerQuality, makeChange, typeSecondReading, untilConcluded } from '../tests/e2e/trials';

const port = 4395;
const url = `http://127.0.0.1:${port}`;
const root = fileURLToPath(new URL('..', import.meta.url));
const outDir = `${root}docs/screenshots/`;

interface View {
  readonly name: string;
  readonly path: string;
  readonly theme: 'day' | 'night';
  readonly size?: readonly [number, number];
  /** What a person does before the picture is taken. */
  readonly prepare?: (page: Page) => Promise<void>;
}

const chooseWay = (page: Page, way: string) =>
  page.getByRole('radiogroup', { name: 'Take a reading' }).getByText(way, { exact: true }).click();

const views: readonly View[] = [
  { name: 'job-cards-day', path: '/', theme: 'day' },
  { name: 'first-things-day', path: '/card/demo-effects-bound/first-things', theme: 'day' },
  { name: 'machine-day', path: '/card/demo-programs-busy/machine', theme: 'day' },
  { name: 'footage-night', path: '/card/demo-decode-bound/footage', theme: 'night' },
  {
    name: 'clip-sheet-day',
    path: '/card/demo-decode-bound/footage',
    theme: 'day',
    prepare: async (page) => {
      await page.getByRole('table', { name: 'Clips' }).getByRole('button', { name: 'kiln-loading-a.mov' }).click();
      const sheet = page.getByRole('dialog');
      await sheet.getByText('key frames far apart').click();
    },
  },
  {
    name: 'test-play-night',
    path: '/card/demo-decode-bound/footage',
    theme: 'night',
    prepare: async (page) => {
      await page.getByLabel('Choose video files').setInputFiles(`${root}tests/fixtures/media/wheel.mp4`);
      await page.getByRole('searchbox', { name: 'Find by name or folder' }).fill('wheel.mp4');
      await page.getByRole('table', { name: 'Clips' }).getByRole('button', { name: 'wheel.mp4' }).click();
      await page.getByRole('button', { name: 'Test-play this clip' }).click();
      const result = page.getByText('This machine decodes');
      await result.waitFor({ timeout: 60_000 });
      await result.evaluate((element) => element.closest('section')?.scrollIntoView());
    },
  },
  {
    name: 'lag-meter-day',
    path: '/card/demo-decode-bound/meter',
    theme: 'day',
    size: [1280, 1100],
    prepare: async (page) => {
      const [encoding] = encodings;
      if (!encoding) throw new Error('no encoding');
      const path = join(tmpdir(), 'wheel-and-clay.mp4');
      await writeRecording(planRecording(71, 'shapes', encoding), path);
      await chooseWay(page, 'Drop a recording');
      await page.getByLabel('Choose a screen recording').setInputFiles(path);
      await page.getByRole('region', { name: 'What it showed' }).waitFor({ timeout: 60_000 });
      rmSync(path);
    },
  },
  {
    name: 'lag-meter-comparison-night',
    path: '/card/demo-effects-bound/fixes',
    theme: 'night',
    size: [1280, 1000],
    prepare: async (page) => {
      await makeChange(page, lowerQuality);
      await typeSecondReading(page, '24.5');
      await page.getByRole('button', { name: 'Keep it' }).click();
      await page.getByRole('link', { name: 'Lag meter' }).click();
      const readings = page.getByRole('region', { name: 'Readings on this card' });
      await readings.waitFor();
      for (const tick of await readings.getByRole('checkbox').all()) await tick.check();
      await page.getByRole('region', { name: 'Did it change?' }).waitFor();
    },
  },
  { name: 'timeline-day', path: '/card/demo-effects-bound/timeline', theme: 'day' },
  { name: 'symptoms-night', path: '/card/demo-decode-bound/symptoms', theme: 'night' },
  { name: 'findings-day', path: '/card/demo-decode-bound/findings', theme: 'day' },
  { name: 'fixes-day', path: '/card/demo-programs-busy/fixes', theme: 'day' },
  {
    name: 'trial-day',
    path: '/card/demo-programs-busy/fixes',
    theme: 'day',
    prepare: async (page) => {
      await makeChange(page, 'Close programs you do not need now');
      await typeSecondReading(page, '29');
    },
  },
  {
    name: 'export-check-day',
    path: '/card/demo-effects-bound/fixes',
    theme: 'day',
    prepare: async (page) => {
      await makeChange(page, lowerQuality);
      await typeSecondReading(page, '24.5');
      await page.getByRole('button', { name: 'Keep it' }).click();
      await page
        .getByRole('navigation', { name: 'Steps' })
        .getByRole('link', { name: /Export check/ })
        .click();
      await page.getByRole('heading', { name: 'Not ready to export' }).waitFor();
    },
  },
  {
    name: 'programs-day',
    path: '/card/demo-programs-busy/programs',
    theme: 'day',
    size: [1280, 1100],
    prepare: async (page) => {
      await page.getByRole('button', { name: 'Look at the practice machine' }).click();
      await page.getByRole('button', { name: 'Cutting Table', exact: true }).click();
      await page.getByRole('button', { name: 'Dismiss' }).first().click();
      await untilConcluded(page);
    },
  },
  {
    name: 'proxies-day',
    path: '/card/demo-decode-bound/proxies',
    theme: 'day',
    size: [1280, 1100],
    prepare: async (page) => {
      // As text: what tsx makes of a named function is not known on the page.
      await page.evaluate('window.showDirectoryPicker = () => navigator.storage.getDirectory()');
      await page.getByRole('button', { name: 'Try it with a sample clip' }).click();
      await page.getByRole('button', { name: 'Choose where they go' }).click();
      await page.getByRole('button', { name: 'Make 1 proxy' }).click();
      await page.getByText('fine: same frames, same pictures').waitFor({ timeout: 60_000 });
    },
  },
  {
    name: 'what-if-day',
    path: '/card/demo-effects-bound/what-if',
    theme: 'day',
    size: [1280, 1100],
    prepare: async (page) => {
      await untilConcluded(page);
      await page.getByRole('table', { name: 'Preview qualities' }).getByRole('button', { name: 'Choose 1/4' }).click();
    },
  },
  {
    name: 'while-you-work-night',
    path: '/card/demo-effects-bound/work',
    theme: 'night',
    size: [1280, 1000],
    prepare: untilConcluded,
  },
  { name: 'findings-narrow-day', path: '/card/demo-decode-bound/findings', theme: 'day', size: [390, 844] },
];

const server = spawn(
  process.execPath,
  ['node_modules/next/dist/bin/next', 'start', '-H', '127.0.0.1', '-p', String(port)],
  {
    cwd: root,
    stdio: 'ignore',
  },
);
try {
  mkdirSync(outDir, { recursive: true });
  for (let i = 0; i < 300 && !(await fetch(url).catch(() => null))?.ok; i++)
    await new Promise((r) => setTimeout(r, 100));
  const browser = await chromium.launch(chromiumOptions);
  const wanted = process.argv.slice(2);
  for (const { name, path, theme, size = [1280, 800], prepare } of views) {
    if (wanted.length > 0 && !wanted.includes(name)) continue;
    const context = await browser.newContext({
      viewport: { width: size[0], height: size[1] },
      reducedMotion: 'reduce',
    });
    await context.addCookies([{ name: 'oil-can-theme', value: theme, url }]);
    const page = await context.newPage();
    await page.goto(url);
    await page.getByRole('link', { name: 'Kiln diaries, episode 6' }).waitFor();
    if (path !== '/') await page.goto(url + path);
    await page.getByRole('heading', { level: 1 }).waitFor();
    await prepare?.(page);
    // The causes are weighed in a worker; the picture is of what they come to, and why.
    if (path.startsWith('/card/')) await untilConcluded(page);
    else await page.getByText('Being worked out').first().waitFor({ state: 'hidden' });
    await page.waitForTimeout(path.endsWith('/findings') ? 2500 : 600);
    await page.screenshot({ path: `${outDir}${name}.png` });
    console.log(`docs/screenshots/${name}.png`);
    await context.close();
  }
  await browser.close();
} finally {
  server.kill();
}

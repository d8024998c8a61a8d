import { existsSync } from 'node:fs';
import { defineConfig } from '@playwright/test';

const port = Number(process.env.E2E_PORT ?? 4391);

/** The whole of Debian's Chromium: what shares windows. */
export const wholeChromium = '/usr/bin/chromium';
/** The same without its own window, which took a third of each test's time; a package of its own. */
const chromiumShell = '/usr/bin/chromium-headless-shell';

/** Debian's Chromium, as it runs without a screen, a graphics card or a network. */
export const chromiumOptions = {
  executablePath: process.env.CHROMIUM ?? (existsSync(chromiumShell) ? chromiumShell : wholeChromium),
  args: [
    '--headless=new',
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
};

/** `npm run verify:deep` runs what is marked `@deep`, `npm run verify` all else. */
const isDeep = process.env.OIL_CAN_TESTS === 'deep';

export default defineConfig({
  testDir: 'tests/e2e',
  ...(isDeep ? { grep: /@deep/ } : { grepInvert: /@deep/ }),
  // No test ends by a busy machine's clock; what hangs is ended all the same.
  timeout: 300_000,
  expect: { timeout: 40_000 },
  workers: 2,
  fullyParallel: true,
  // What is measured in real time runs when nothing else does, one after another.
  projects: [
    { name: 'screens', testIgnore: 'capture.spec.ts' },
    ...(isDeep
      ? [{ name: 'capture', testMatch: 'capture.spec.ts', dependencies: ['screens'], fullyParallel: false }]
      : []),
  ],
  forbidOnly: true,
  retries: 0,
  outputDir: 'test-results',
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    // Nothing is waited for that only fades, and nothing is drawn for it.
    contextOptions: { reducedMotion: 'reduce' },
    launchOptions: chromiumOptions,
    // A trace doubles the time of a test: ask for it (`--trace on`) where a picture does not tell enough.
    screenshot: 'only-on-failure',
    actionTimeout: 60_000,
  },
  webServer: {
    command: `node node_modules/next/dist/bin/next start -H 127.0.0.1 -p ${port}`,
    url: `http://127.0.0.1:${port}/`,
    env: { OIL_CAN_HELPER: `127.0.0.1:${port}` },
    reuseExistingServer: false,
    timeout: 60_000,
  },
});

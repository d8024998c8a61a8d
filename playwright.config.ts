import { defineConfig } from '@playwright/test';

const port = Number(process.env.E2E_PORT ?? 4391);

/** Debian's Chromium, as it runs without a screen, a graphics card or a network. */
export const chromiumOptions = {
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
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

export default defineConfig({
  testDir: 'tests/e2e',
  timeout: 60_000,
  expect: { timeout: 10_000 },
  workers: 2,
  fullyParallel: false,
  forbidOnly: true,
  retries: 0,
  outputDir: 'test-results',
  // What is measured in real time runs when nothing else does.
  projects: [
    { name: 'screens', testIgnore: 'capture.spec.ts' },
    { name: 'capture', testMatch: 'capture.spec.ts', dependencies: ['screens'] },
  ],
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    launchOptions: chromiumOptions,
    trace: 'retain-on-failure',
  },
  webServer: {
    command: `node node_modules/next/dist/bin/next start -H 127.0.0.1 -p ${port}`,
    url: `http://127.0.0.1:${port}/`,
    reuseExistingServer: false,
    timeout: 60_000,
  },
});

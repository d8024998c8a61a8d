// Starts the production build for a benchmark and opens Chromium on it; both are ended with the work.
import { spawn } from 'node:child_process';
import { rmSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { chromium, type Page } from '@playwright/test';
import { chromiumOptions } from '../playwright.config';

export const root = fileURLToPath(new URL('..', import.meta.url));

/** A browser with a profile on disk, as a person has one: a test's usual one keeps all that pages store in memory. */
async function launchOnDisk(profile: string): Promise<{ readonly page: Page; readonly close: () => Promise<void> }> {
  rmSync(profile, { recursive: true, force: true });
  const context = await chromium.launchPersistentContext(profile, {
    ...chromiumOptions,
    viewport: { width: 1280, height: 800 },
  });
  const close = async () => {
    await context.close();
    rmSync(profile, { recursive: true, force: true });
  };
  return { page: await context.newPage(), close };
}

async function launchInMemory(): Promise<{ readonly page: Page; readonly close: () => Promise<void> }> {
  const browser = await chromium.launch(chromiumOptions);
  return { page: await browser.newPage({ viewport: { width: 1280, height: 800 } }), close: () => browser.close() };
}

/**
 * Runs `work` on a fresh page of Oil Can whose demo cards hang there; with a `profile` folder, what the page stores lies on disk.
 * Rejects where there is no production build.
 */
export async function withPage<T>(
  port: number,
  work: (page: Page, url: string) => Promise<T>,
  profile: string | null = null,
): Promise<T> {
  const url = `http://127.0.0.1:${port}`;
  const args = ['node_modules/next/dist/bin/next', 'start', '-H', '127.0.0.1', '-p', String(port)];
  const server = spawn(process.execPath, args, { cwd: root, stdio: 'ignore' });
  try {
    for (let i = 0; i < 200 && !(await fetch(url).catch(() => null))?.ok; i++)
      await new Promise((resolve) => setTimeout(resolve, 100));
    const { page, close } = await (profile ? launchOnDisk(profile) : launchInMemory());
    try {
      await page.goto(url);
      await page.getByRole('link', { name: 'Kiln diaries, episode 6' }).waitFor();
      return await work(page, url);
    } finally {
      await close();
    }
  } finally {
    server.kill();
  }
}

/** Hands a card's text to the import field, as a file. */
export async function importCard(page: Page, text: string): Promise<void> {
  await page
    .getByLabel('Import card files')
    .setInputFiles({ name: 'card.json', mimeType: 'application/json', buffer: Buffer.from(text) });
  await page.getByText('Imported 1 card').waitFor();
}

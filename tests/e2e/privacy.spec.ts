import { gzipSync } from 'node:zlib';
import { expect, test } from '@playwright/test';
import { mediaPath } from './media';
import { openCards, openStep, stepNames } from './screens';

/** Most that the scripts fetched on the first page may weigh, gzipped. */
const homeScriptBytesLimit = 235_000;

test('is cross-origin isolated on page and workers, breaks no policy, and asks nobody else for anything', async ({
  page,
  baseURL,
}) => {
  const foreign: string[] = [];
  const complaints: string[] = [];
  page.on('request', (request) => {
    const { protocol, origin } = new URL(request.url());
    if (origin !== baseURL && !['blob:', 'data:'].includes(protocol)) foreign.push(request.url());
  });
  page.on('console', (message) => {
    if (message.type() === 'error' || message.type() === 'warning') complaints.push(message.text());
  });
  page.on('pageerror', (error) => complaints.push(error.message));
  await page.exposeFunction('reportComplaint', (text: string) => complaints.push(text));
  await page.addInitScript(() => {
    document.addEventListener('securitypolicyviolation', (event) =>
      Reflect.get(window, 'reportComplaint')(`policy: ${event.violatedDirective} ${event.blockedURI}`),
    );
  });
  await openCards(page);
  expect(await page.evaluate(() => crossOriginIsolated)).toBe(true);
  for (const [stepId, name] of stepNames) {
    await openStep(page, 'demo-effects-bound', stepId);
    await expect(page.getByRole('heading', { name, level: 1 })).toBeVisible();
    expect(await page.evaluate(() => crossOriginIsolated)).toBe(true);
  }
  // The worker that weighs the causes stays; those that read files are gone with their file.
  const workerStarted = page.waitForEvent('worker');
  await openStep(page, 'demo-decode-bound', 'findings');
  const worker = await workerStarted;
  expect(await worker.evaluate(() => self.crossOriginIsolated)).toBe(true);
  await openStep(page, 'demo-decode-bound', 'footage');
  await page.getByLabel('Choose video files').setInputFiles(mediaPath('silent.mp4'));
  await expect(page.getByRole('row', { name: /silent\.mp4/ })).toBeVisible();
  expect(foreign).toEqual([]);
  expect(complaints).toEqual([]);
});

test('sends the policy and isolation headers on pages, scripts and missing files', async ({ request }) => {
  const page = await request.get('/');
  const script = /\/_next\/static\/[^"]+\.js/.exec(await page.text())?.[0];
  if (!script) throw new Error('no script on the page');
  for (const answer of [
    page,
    await request.get(script),
    await request.get('/icon.svg'),
    await request.get('/nowhere'),
  ]) {
    expect(answer.headers()).toMatchObject({
      'cross-origin-opener-policy': 'same-origin',
      'cross-origin-embedder-policy': 'require-corp',
      'referrer-policy': 'no-referrer',
    });
  }
  const policy = page.headers()['content-security-policy'] ?? '';
  expect(policy).toContain("default-src 'none'");
  expect(policy).toContain("frame-ancestors 'none'");
  expect(policy).toMatch(/script-src 'self' 'nonce-[^']+'(;|$)/);
  expect((await request.get('/')).headers()['content-security-policy']).not.toBe(policy);
});

test('keeps the scripts of the first page under 235 kB', async ({ page }) => {
  let totalBytes = 0;
  const measured: Promise<void>[] = [];
  page.on('response', (response) => {
    if (response.request().resourceType() !== 'script') return;
    measured.push(
      response.body().then((body) => {
        totalBytes += gzipSync(body).length;
      }),
    );
  });
  await openCards(page);
  await page.waitForLoadState('networkidle');
  await Promise.all(measured);
  test.info().annotations.push({ type: 'home scripts, gzip bytes', description: String(totalBytes) });
  expect(totalBytes).toBeGreaterThan(50_000);
  expect(totalBytes).toBeLessThan(homeScriptBytesLimit);
});

import { expect, test } from '@playwright/test';
import { deep, openStep } from './screens';
import { lowerQuality, makeChange, typeSecondReading, untilConcluded } from './trials';

/** Weighing the causes takes some seconds on a busy machine. */
const weighed = { timeout: 30_000 };

test('names the cause of a card, how sure that is, and ways out', async ({ page }) => {
  await page.goto('/card/demo-programs-busy/findings');
  const causes = page.getByRole('region', { name: 'What causes it' });
  await expect(causes.getByRole('heading', { level: 3 }).first()).toHaveText(
    'Other programs keep the processor busy',
    weighed,
  );
  await expect(causes).toContainText('One cause stands out.');
  await expect(causes).toContainText('almost certain');
  await expect(causes).toContainText(
    'On your card: The programs that you could close take 3.45 of 4 cores and 1.5 GB.',
  );
  await expect(page.getByRole('complementary', { name: 'Gauge' })).toContainText(/almost certain, more than 9 in 10/);
  const plans = page.getByRole('region', { name: 'Ways to a usable preview' });
  await expect(plans).toContainText('Close programs you do not need now');
  await expect(plans.getByText(/^about \d in 10$/).first()).toBeVisible();
});

test('takes an answer into account, and leaves no trace of one that is taken back', async ({ page }) => {
  await page.goto('/card/demo-programs-busy/findings');
  const causes = page.getByRole('region', { name: 'What causes it' });
  // Why comes a moment after what.
  await expect(causes).toContainText(/Speaks (a little|clearly|strongly)/, weighed);
  const before = await causes.textContent();
  await page.getByText(/^Other looks and fixes/).click();
  const question = page.getByRole('group', { name: /^(Do|Does|Has|Is|How|Which) / }).first();
  const asked = await question.getAttribute('aria-label');
  await question.getByRole('button').first().click();
  const answered = page.getByRole('list', { name: 'Answered so far' });
  await expect(answered).toContainText(asked ?? 'no question');
  await expect(causes).toContainText('by your readings and answers', weighed);
  await answered.getByRole('button', { name: /^Take back/ }).click();
  await expect(answered).toBeHidden();
  await expect.poll(() => causes.textContent(), weighed).toBe(before);
});

test('takes down that such films used to play well, and still names a cause that can have come since', async ({
  page,
}) => {
  await page.goto('/card/demo-programs-busy/findings');
  await expect(page.getByText(/^Other looks and fixes/)).toBeVisible(weighed);
  await page.getByText(/^Other looks and fixes/).click();
  const question = page.getByRole('group', { name: 'Has a film like this one ever played well on this machine?' });
  await question.getByRole('button', { name: 'Yes, it used to' }).click();
  await expect(page.getByRole('list', { name: 'Answered so far' })).toContainText('Yes, it used to');
  const causes = page.getByRole('region', { name: 'What causes it' });
  await expect(causes.getByRole('heading', { level: 3 }).first()).toHaveText(
    'Other programs keep the processor busy',
    weighed,
  );
});

test('shows a frame budget that agrees with what was read, before a fix and with it', deep, async ({ page }) => {
  await page.goto('/card/demo-effects-bound/findings');
  const budget = page.getByRole('region', { name: 'Where each frame’s time goes' });
  await expect(budget).toContainText('in the heaviest quarter, by your readings', weighed);
  await expect(budget).toContainText(/Drawing takes about 1\d\d ms a frame, and only 40 are there/);
  // What speaks for the first cause is a part of the same frame.
  const effects = (await budget.textContent())?.match(/effects (\d+)/)?.[1] ?? 'no figure';
  const causes = page.getByRole('region', { name: 'What causes it' });
  await expect(causes).toContainText(`It takes about ${effects} ms a frame where that is heaviest`);
  const whatIf = budget.getByRole('group', { name: 'What if' });
  // Six a second were read, and what it says of the set-up as it is holds that.
  const [, low = '', high = ''] =
    /Playing (?:([\d.]+) to )?([\d.]+) of 25/.exec((await whatIf.textContent()) ?? '') ?? [];
  expect(Number(low || high)).toBeLessThanOrEqual(6.5);
  expect(Number(high)).toBeGreaterThanOrEqual(5.5);
  await page.goto('/card/demo-effects-bound/fixes');
  await makeChange(page, lowerQuality);
  await typeSecondReading(page, '24.5');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await page
    .getByRole('navigation', { name: 'Steps' })
    .getByRole('link', { name: /Findings/ })
    .click();
  await expect(budget).toContainText(/it is usable as it is|usable, with nothing to spare/, weighed);
  await expect(budget.getByText('Before any fix it was')).toBeVisible();
  const understood = page.getByRole('region', { name: 'How well Oil Can understands your machine' });
  await expect(understood).toContainText('2 of 2 as expected', weighed);
});

test('says the same of a frame and of a fix on every page', async ({ page }) => {
  await page.goto('/card/demo-decode-bound/what-if');
  const asItIs = page.getByRole('region', { name: 'As it is now' });
  await expect(asItIs).toContainText(/decode \d+/, weighed);
  const decodeMs = (await asItIs.textContent())?.match(/decode (\d+)/)?.[1] ?? 'no figure';
  const gauge = page.getByRole('complementary', { name: 'Gauge' });
  await expect(gauge).toContainText(`Decoder${decodeMs}`);
  await page.goto('/card/demo-decode-bound/findings');
  const causes = page.getByRole('region', { name: 'What causes it' });
  await expect(causes).toContainText(`It takes about ${decodeMs} ms a frame where that is heaviest`, weighed);
  await page.goto('/card/demo-programs-busy/fixes');
  const others = page.getByRole('region', { name: 'Others worth trying' });
  await expect(others).toContainText('what each brings for what it costs, by your readings', weighed);
  await expect(others).toContainText(/\d+ to 29\.97 a second; usable about \d in 10/);
});

test('gives complaints that are no lag fixes of their own', async ({ page }) => {
  await page.goto('/card/demo-effects-bound/symptoms');
  await page.getByRole('button', { name: 'Change: What you see' }).click();
  await page.getByText('Crashes', { exact: true }).click();
  await page.goto('/card/demo-effects-bound/findings');
  const beside = page.getByRole('region', { name: 'Beside the lag' });
  await expect(beside).toContainText('The editor crashes', weighed);
  await expect(beside).toContainText('Is the memory nearly full when it happens?');
});

test('keeps what is told of the editor', async ({ page }) => {
  await page.goto('/card/demo-decode-bound/timeline');
  const editor = page.getByRole('region', { name: 'Your editor' });
  await editor.getByRole('button', { name: /Proxies of the clips/ }).click();
  await page.getByRole('option', { name: 'Made, unknown to the editor' }).click();
  await page.reload();
  await expect(editor.getByRole('button', { name: /Proxies of the clips/ })).toContainText(
    'Made, unknown to the editor',
  );
  await page.goto('/card/demo-decode-bound/findings');
  const causes = page.getByRole('region', { name: 'What causes it' });
  await expect(causes.getByRole('heading', { level: 3 }).first()).toHaveText(
    'Proxies exist and are not shown',
    weighed,
  );
});

test('prints with everything unfolded and no tinted boxes, and folds it together again', async ({ page }) => {
  await openStep(page, 'demo-effects-bound', 'findings');
  await untilConcluded(page);
  const folded = page.locator('main details:not([open])');
  const foldedCount = await folded.count();
  expect(foldedCount).toBeGreaterThan(0);
  await page.emulateMedia({ media: 'print' });
  await page.evaluate(() => window.dispatchEvent(new Event('beforeprint')));
  await expect(folded).toHaveCount(0);
  await expect(page.getByRole('navigation', { name: 'Steps' })).toBeHidden();
  await expect(page.getByRole('complementary', { name: 'Gauge' })).toBeHidden();
  const tinted = await page.locator('main section').evaluateAll((sheets) =>
    sheets.flatMap((sheet) => {
      const { backgroundColor } = getComputedStyle(sheet);
      return backgroundColor === 'rgba(0, 0, 0, 0)' || backgroundColor === 'rgb(255, 255, 255)'
        ? []
        : [backgroundColor];
    }),
  );
  expect(tinted).toEqual([]);
  await page.evaluate(() => window.dispatchEvent(new Event('afterprint')));
  await expect(folded).toHaveCount(foldedCount);
});

import type { Page } from '@playwright/test';

/** Marks what is long, or needs what `npm run verify` does not install: `npm run verify:deep` runs it. */
export const deep = { tag: '@deep' };

/** The steps of a card, as a person reads them on the rail. */
export const stepNames = [
  ['first-things', 'First things'],
  ['machine', 'Machine'],
  ['footage', 'Footage'],
  ['timeline', 'Timeline'],
  ['symptoms', 'Symptoms'],
  ['findings', 'Findings'],
  ['fixes', 'Fixes'],
  ['export-check', 'Export check'],
] as const;

/** Opens the job cards and waits until the demo cards hang there. */
export async function openCards(page: Page): Promise<void> {
  await page.goto('/');
  await page.getByRole('link', { name: 'Kiln diaries, episode 6' }).waitFor();
}

/** Opens a step of a card that this browser has. */
export async function openStep(page: Page, cardId: string, stepId: string): Promise<void> {
  await page.goto(`/card/${cardId}/${stepId}`);
  await page.getByRole('navigation', { name: 'Steps' }).waitFor({ state: 'attached' });
}

import type { JobCard } from '@/core/card';
import { loadDemoCards } from '@/demo/load-demo-cards';

/** The demo cards as they are shipped; nothing may change them. */
export const demoCards: readonly JobCard[] = await loadDemoCards();

/** One of them. Throws where there is none: a test that goes on without its card tests nothing. */
export function demoCardAt(index: number): JobCard {
  const card = demoCards[index];
  if (!card) throw new Error(`no demo card ${index}`);
  return card;
}

import { type JobCard, parseCard } from '@/core/card';

/** The demo cards' files, in the order in which they are shown. */
export const demoCardNames = ['decode-bound', 'effects-bound', 'programs-busy'] as const;

/** Loads the demo cards that ship with Oil Can; fetched only when they are wanted. Throws if one is not valid, which a test rules out. */
export async function loadDemoCards(): Promise<readonly JobCard[]> {
  const files = await Promise.all([
    import('./cards/decode-bound.json'),
    import('./cards/effects-bound.json'),
    import('./cards/programs-busy.json'),
  ]);
  return files.map((file) => {
    const parsed = parseCard(file.default);
    if (!parsed.ok) throw new Error(`loadDemoCards: ${JSON.stringify(parsed.failure)}`);
    return parsed.value;
  });
}

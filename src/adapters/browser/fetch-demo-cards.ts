import { type JobCard, parseCard } from '@/core/card';

/** Fetches the demo cards that ship with Oil Can. Throws where its own server does not give them. */
export async function fetchDemoCards(): Promise<readonly JobCard[]> {
  const answer = await fetch('/demo-cards');
  if (!answer.ok) throw new Error(`fetchDemoCards: the server answered ${answer.status}`);
  const documents: unknown = await answer.json();
  if (!Array.isArray(documents)) throw new Error('fetchDemoCards: no list of cards came');
  return documents.map((document) => {
    const parsed = parseCard(document);
    if (!parsed.ok) throw new Error(`fetchDemoCards: ${JSON.stringify(parsed.failure)}`);
    return parsed.value;
  });
}

import { type PracticeFile, parsePracticeFile } from '@/core/practice';

/** Fetches the practice file that lies beside a card. Throws where there is none, or Oil Can's own server does not give it. */
export async function fetchPractice(cardId: string): Promise<PracticeFile> {
  const answer = await fetch('/demo-practice');
  if (!answer.ok) throw new Error(`fetchPractice: the server answered ${answer.status}`);
  const documents: unknown = await answer.json();
  if (!Array.isArray(documents)) throw new Error('fetchPractice: no list of practice files came');
  for (const document of documents) {
    const parsed = parsePracticeFile(document);
    if (parsed.ok && parsed.value.cardId === cardId) return parsed.value;
  }
  throw new Error(`fetchPractice: none for ${cardId}`);
}

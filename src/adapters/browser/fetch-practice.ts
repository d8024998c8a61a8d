import { type PracticeFile, parsePracticeFile } from '@/core/practice';
import { fail, type Result, succeed } from '@/core/result';

/** Why a practice file did not come; `detail` is for the log. */
export type FetchPracticeFailure = { readonly code: 'practice-broke'; readonly detail: string };

/** Fetches the practice file that lies beside a card, from Oil Can's own server. Never rejects. */
export async function fetchPractice(cardId: string): Promise<Result<PracticeFile, FetchPracticeFailure>> {
  const broke = (detail: string) => fail({ code: 'practice-broke' as const, detail });
  let documents: unknown;
  try {
    const answer = await fetch('/demo-practice');
    if (!answer.ok) return broke(`the server answered ${answer.status}`);
    documents = await answer.json();
  } catch (error) {
    return broke(String(error));
  }
  const files = Array.isArray(documents) ? documents.map(parsePracticeFile) : [];
  const found = files.find((parsed) => parsed.ok && parsed.value.cardId === cardId);
  return found?.ok ? succeed(found.value) : broke(`no practice file for ${cardId}`);
}

import { readFile } from 'node:fs/promises';
import { type CardFailure, type JobCard, parseCardText } from '@/core/card';
import { fail, type Result } from '@/core/result';

export type CardFileFailure = CardFailure | { readonly code: 'file-unreadable'; readonly detail: string };

/** Reads and checks a card file. */
export async function readCardFile(path: string): Promise<Result<JobCard, CardFileFailure>> {
  try {
    return parseCardText(await readFile(path, 'utf8'));
  } catch (error) {
    return fail({ code: 'file-unreadable', detail: error instanceof Error ? error.message : String(error) });
  }
}

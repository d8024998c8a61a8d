import { basename } from 'node:path';
import { openFileSource } from '@/adapters/node/file-source';
import { inspectFile } from '@/adapters/shared/inspect-file';
import { type ClipFacts, findClipTraits } from '@/core/footage';
import { rationalToNumber } from '@/core/numbers/rational';
import type { CommandOutput } from './output';

/** A file's facts under the names of the command line (docs/formats.md); a video's rate is a decimal there. */
function toPublicFacts(facts: ClipFacts): object {
  const { sizeBytes: _, ...named } = facts;
  const traits = findClipTraits(facts);
  if (named.kind !== 'video') return { ...named, traits };
  const { frameRate, ...rest } = named;
  return { ...rest, frameRateFps: rationalToNumber(frameRate), traits };
}

/** One file's facts, or its failure in their place. */
async function inspectPath(path: string): Promise<{ readonly isRead: boolean; readonly row: object }> {
  const opened = await openFileSource(path).catch((error: Error) => error);
  if (opened instanceof Error)
    return {
      isRead: false,
      row: { fileName: basename(path), failure: { code: 'file-unreadable', detail: opened.message } },
    };
  const { result } = await inspectFile(opened);
  await opened.close();
  return result.ok
    ? { isRead: true, row: toPublicFacts(result.value) }
    : { isRead: false, row: { fileName: opened.fileName, failure: result.failure } };
}

/** Files in hand at once: one is worked on while others wait for the drive. */
const atOnce = 4;

/** `inspect FILE…`: the facts of each file in the order given, or its failure in its place. */
export async function inspectCommand(paths: readonly string[]): Promise<CommandOutput> {
  const answers: Awaited<ReturnType<typeof inspectPath>>[] = [];
  let next = 0;
  const work = async (): Promise<void> => {
    for (let i = next++; i < paths.length; i = next++) answers[i] = await inspectPath(paths[i] as string);
  };
  await Promise.all(Array.from({ length: atOnce }, work));
  const exitCode = answers.every(({ isRead }) => isRead) ? 0 : 1;
  return { exitCode, json: answers.map(({ row }) => row) };
}

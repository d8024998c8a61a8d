import { basename } from 'node:path';
import { openFileSource } from '@/adapters/node/file-source';
import { inspectFile } from '@/adapters/shared/inspect-file';
import { type ClipFacts, findClipTraits } from '@/core/footage';
import { rationalToNumber } from '@/core/numbers/rational';
import type { CommandOutput } from './output';

/** The clip's facts under the names of the command line (docs/formats.md). */
const toPublicFacts = ({ frameRate, sizeBytes: _, ...facts }: ClipFacts) => ({
  ...facts,
  frameRateFps: rationalToNumber(frameRate),
  traits: findClipTraits({ frameRate, sizeBytes: _, ...facts }),
});

/** `inspect FILE…`: the facts of each file, or its failure in its place. */
export async function inspectCommand(paths: readonly string[]): Promise<CommandOutput> {
  const rows: unknown[] = [];
  let hasFailure = false;
  for (const path of paths) {
    const opened = await openFileSource(path).catch((error: Error) => error);
    if (opened instanceof Error) {
      rows.push({ fileName: basename(path), failure: { code: 'file-unreadable', detail: opened.message } });
      hasFailure = true;
      continue;
    }
    const { result } = await inspectFile(opened);
    await opened.close();
    if (!result.ok) hasFailure = true;
    rows.push(result.ok ? toPublicFacts(result.value) : { fileName: opened.fileName, failure: result.failure });
  }
  return { exitCode: hasFailure ? 1 : 0, json: rows };
}

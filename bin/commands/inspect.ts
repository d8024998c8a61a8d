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

import { Input, Logging, LogLevel, UnsupportedInputFormatError } from 'mediabunny';
import type { ClipFacts, FootageFailure } from '@/core/footage';
import { fail, type Result } from '@/core/result';
import { type ByteSource, type CountingByteSource, countBytes, readBudgetBytes } from './byte-source';
import { isBudgetError } from './packet-windows';
import { readMedia } from './read-media';
import { readStill } from './read-still';
import { readableFormats } from './readable-formats';
import { createReaderSource } from './reader-source';
import { sniffBytes, sniffFile } from './sniff-file';

export interface InspectOutcome {
  readonly result: Result<ClipFacts, FootageFailure>;
  readonly bytesRead: number;
}

async function readFacts(source: CountingByteSource): Promise<Result<ClipFacts, FootageFailure>> {
  const head = await source.read(0, sniffBytes);
  const sniffed = sniffFile(head);
  if (sniffed.kind === 'foreign') return fail({ code: 'container-not-read', container: sniffed.container });
  if (sniffed.kind === 'text') return fail({ code: 'file-not-media' });
  if (sniffed.kind === 'still') return readStill(source, sniffed.format);
  // What the reader would print about a file, its row says.
  Logging.level = LogLevel.Silent;
  const input = new Input({ formats: readableFormats, source: createReaderSource(source, head) });
  try {
    return await readMedia(source, input);
  } finally {
    input.dispose();
  }
}

/** Turns what the reader threw into a coded failure; the reader throws for any malformed file. */
function describeReadError(error: unknown): FootageFailure {
  if (isBudgetError(error)) return { code: 'read-budget-exceeded', budgetBytes: readBudgetBytes };
  if (error instanceof UnsupportedInputFormatError) return { code: 'file-not-media' };
  return { code: 'file-unreadable', detail: error instanceof Error ? error.message : String(error) };
}

/**
 * Reads a file's facts by slices: at most `readBudgetBytes` of it.
 * Never rejects: whatever the bytes are, the answer is facts or a coded failure. A file that changed or went away
 * meanwhile is told as that, whatever was read of it.
 */
export async function inspectFile(file: ByteSource): Promise<InspectOutcome> {
  const source = countBytes(file, readBudgetBytes);
  if (file.sizeBytes === 0) return { result: fail({ code: 'file-empty' }), bytesRead: 0 };
  const result = await readFacts(source).catch((error: unknown) => fail(describeReadError(error)));
  const state = await file.checkState();
  const isStale = state !== 'same';
  return {
    result: isStale ? fail({ code: state === 'gone' ? 'file-gone' : 'file-changed' }) : result,
    bytesRead: source.bytesRead(),
  };
}

/** A file that is read by slices and never whole. Implementations: browser/blob-source.ts, node/file-source.ts. */
export interface ByteSource {
  readonly fileName: string;
  readonly sizeBytes: number;
  /** Bytes from `start` up to, not including, `end`; shorter at the end of the file. Rejects where reading fails. */
  readonly read: (start: number, end: number) => Promise<Uint8Array>;
  /** What has become of the file since it was opened. Never rejects. */
  readonly checkState: () => Promise<FileState>;
}

export type FileState = 'same' | 'changed' | 'gone';

/** Thrown by a counting source; the reader turns it into the failure `read-budget-exceeded`. */
export class ReadBudgetExceededError extends Error {}

/** A byte source that counts what it gave out and refuses to give more than its budget. */
export interface CountingByteSource extends ByteSource {
  readonly bytesRead: () => number;
}

/** The most that one file's facts may cost: a 20 GB file takes no more memory than a small one. */
export const readBudgetBytes = 30 * 1024 * 1024;

/** Counts the bytes read from `source`, and rejects with ReadBudgetExceededError before going over `budgetBytes`. */
export function countBytes(source: ByteSource, budgetBytes: number): CountingByteSource {
  let total = 0;
  return {
    fileName: source.fileName,
    sizeBytes: source.sizeBytes,
    checkState: source.checkState,
    bytesRead: () => total,
    read: async (start, end) => {
      const wanted = Math.max(0, Math.min(end, source.sizeBytes) - start);
      if (total + wanted > budgetBytes) throw new ReadBudgetExceededError(`${total + wanted} of ${budgetBytes} bytes`);
      total += wanted;
      return source.read(start, end);
    },
  };
}

/** A byte source that keeps what it read last. */
export interface ReadAheadSource extends ByteSource {
  /** The bytes at once where they are at hand, else null: waiting for each of many thousand parts takes longest. */
  readonly peek: (start: number, end: number) => Uint8Array | null;
}

/** Reads ahead by `windowBytes` and keeps that window, for walking structures of many small parts. */
export function readAhead(source: ByteSource, windowBytes: number): ReadAheadSource {
  let windowStart = 0;
  let window: Uint8Array = new Uint8Array();
  const peek = (start: number, end: number): Uint8Array | null => {
    const isInside = start >= windowStart && Math.min(end, source.sizeBytes) <= windowStart + window.length;
    return isInside ? window.subarray(start - windowStart, end - windowStart) : null;
  };
  return {
    ...source,
    peek,
    read: async (start, end) => {
      if (end - start > windowBytes) return source.read(start, end);
      if (peek(start, end) === null) {
        const bytes = await source.read(start, start + windowBytes);
        [window, windowStart] = [bytes, start];
      }
      return window.subarray(start - windowStart, end - windowStart);
    },
  };
}

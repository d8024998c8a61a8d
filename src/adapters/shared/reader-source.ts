import { CustomSource } from 'mediabunny';
import { type ByteSource, readAhead } from './byte-source';
import { hasBoxes } from './sniff-file';

/** How much is read at once where a container has no index of its packets. */
const readAheadBytes = 256 * 1024;

/**
 * A byte source as the container reader takes it. Where there is no index it asks for a packet or a few at a time,
 * thousands of them in MPEG-TS, and a browser answers each in about a millisecond: so those are read ahead. Of MP4 and
 * MOV it reads the index alone, wherever it stands, and reading ahead would only read media data for nothing.
 *
 * @param head the first `sniffBytes` of the file
 */
export function createReaderSource(source: ByteSource, head: Uint8Array): CustomSource {
  const { read } = hasBoxes(head) ? source : readAhead(source, readAheadBytes);
  return new CustomSource({ getSize: () => source.sizeBytes, read });
}

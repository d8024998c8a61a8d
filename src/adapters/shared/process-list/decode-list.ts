import { analyse } from 'chardet';

/** As much of a list as tells its encoding. */
const sampleBytes = 64 * 1024;

/** Whether every other byte of a sample is zero, as in UTF-16 of plain letters without a mark. */
function findUtf16(bytes: Uint8Array): 'utf-16le' | 'utf-16be' | null {
  const pairs = Math.min(2000, Math.floor(bytes.length / 2));
  if (pairs < 8) return null;
  let [evenZeros, oddZeros] = [0, 0];
  for (let i = 0; i < pairs; i++) {
    if (bytes[2 * i] === 0) evenZeros++;
    if (bytes[2 * i + 1] === 0) oddZeros++;
  }
  if (oddZeros > 0.7 * pairs && evenZeros < 0.1 * pairs) return 'utf-16le';
  return evenZeros > 0.7 * pairs && oddZeros < 0.1 * pairs ? 'utf-16be' : null;
}

function isUtf8(bytes: Uint8Array): boolean {
  try {
    new TextDecoder('utf-8', { fatal: true }).decode(bytes);
    return true;
  } catch {
    return false;
  }
}

/** A decoder by a name that may not be one here. */
function decoderOf(encoding: string): TextDecoder | null {
  try {
    return new TextDecoder(encoding);
  } catch {
    return null;
  }
}

/** The text of a list in whatever encoding its tool wrote it: with a mark, UTF-16 without one, UTF-8, or a code page. Never throws. */
export function decodeList(bytes: Uint8Array): string {
  const [a, b] = bytes;
  if (a === 0xff && b === 0xfe) return new TextDecoder('utf-16le').decode(bytes);
  if (a === 0xfe && b === 0xff) return new TextDecoder('utf-16be').decode(bytes);
  const utf16 = findUtf16(bytes);
  if (utf16) return new TextDecoder(utf16).decode(bytes);
  // A sample may end within a letter; the whole text decides.
  if (isUtf8(bytes)) return new TextDecoder('utf-8').decode(bytes);
  const likely = analyse(bytes.subarray(0, sampleBytes)).map(({ name }) => name);
  const decoder = likely.map(decoderOf).find((found) => found !== null) ?? new TextDecoder('windows-1252');
  return decoder.decode(bytes);
}

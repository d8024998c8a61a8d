/** A file as it was dropped: its name, size and the folder it came with. */
export interface DroppedFile {
  readonly name: string;
  readonly sizeBytes: number;
  readonly folder: string;
}

const endingOf = (name: string): string => (name.includes('.') ? (name.split('.').at(-1) ?? '').toLowerCase() : '');

/** Endings of files that a folder of footage holds; the rest of it is left aside without a word for each. */
const mediaEndings: ReadonlySet<string> = new Set([
  ...['mp4', 'm4v', 'mov', 'qt', 'mkv', 'webm', 'ts', 'mts', 'm2ts', 'm2t', '3gp', '3g2', 'avi', 'mxf', 'wmv', 'flv'],
  ...['mpg', 'mpeg', 'vob', 'jpg', 'jpeg', 'png', 'webp', 'heic', 'heif', 'avif', 'hif'],
  ...['wav', 'mp3', 'm4a', 'aac', 'ogg', 'oga', 'opus', 'flac'],
]);

/** Whether a file in a dropped folder is read. What is dropped by itself is always read, whatever its name. */
export const isMediaName = (name: string): boolean => !name.startsWith('.') && mediaEndings.has(endingOf(name));

/**
 * Files in the order that tells most soonest: the largest of each folder and ending first, because cameras name and
 * store alike, then the rest, largest first. O(n log n).
 */
export function orderForReading<T extends DroppedFile>(files: readonly T[]): readonly T[] {
  const bySize = [...files].sort((a, b) => b.sizeBytes - a.sizeBytes);
  const seen = new Set<string>();
  const [first, rest]: [T[], T[]] = [[], []];
  for (const file of bySize) {
    const group = `${file.folder}\n${endingOf(file.name)}`;
    (seen.has(group) ? rest : first).push(file);
    seen.add(group);
  }
  return [...first, ...rest];
}

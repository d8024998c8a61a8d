import type { ClipFacts, VideoFacts } from './types';

const stemOf = (fileName: string): string => fileName.replace(/\.[^.]*$/, '').toLowerCase();

/** The word itself, or the same with a mark before it, at the end of a name or as a folder of its own. */
const proxyWord = /(^|[ _.-])prox(y|ies)$/;

/** A name without the mark that calls it a proxy. */
const plainStemOf = (fileName: string): string => stemOf(fileName).replace(proxyWord, '');

/** Whether a file's name or the folder it lies in says that it is a proxy. */
export const isNamedAsProxy = (fileName: string, folder: string): boolean =>
  proxyWord.test(stemOf(fileName)) || folder.split(/[/\\]/).some((part) => proxyWord.test(part.toLowerCase()));

/** Lengths within two frames are the same: a proxy made of a clip may lose one at either end. */
function isSameLength(a: VideoFacts, b: VideoFacts): boolean {
  const frameMs = (1000 * a.frameRate.den) / a.frameRate.num;
  return Math.abs(a.durationMs - b.durationMs) <= 2 * frameMs;
}

/**
 * Places in the list of clips for which a larger clip of the same name and length is there: proxies beside their
 * originals. O(clips).
 */
export function findPairedProxies(clips: readonly ClipFacts[]): ReadonlySet<number> {
  const largestByStem = new Map<string, VideoFacts>();
  for (const clip of clips) {
    if (clip.kind !== 'video') continue;
    const stem = plainStemOf(clip.fileName);
    const largest = largestByStem.get(stem);
    if (!largest || clip.heightPx > largest.heightPx) largestByStem.set(stem, clip);
  }
  const paired = new Set<number>();
  clips.forEach((clip, i) => {
    if (clip.kind !== 'video') return;
    const largest = largestByStem.get(plainStemOf(clip.fileName));
    if (largest && largest.heightPx > clip.heightPx && isSameLength(largest, clip)) paired.add(i);
  });
  return paired;
}

/**
 * The place in a list of names of the original that a proxy's name pairs with: the same but for a mark that calls it a proxy, or
 * else the longest one that it begins with. Null for none. O(names).
 */
export function pairByName(originalNames: readonly string[], proxyName: string): number | null {
  const stem = plainStemOf(proxyName);
  // Originals that differ by their ending alone have it in the names of their proxies.
  const stems = originalNames.map((name) => [stemOf(name), name.toLowerCase().replace(/\.(?=[^.]*$)/, '-')]);
  const exact = stems.findIndex((own) => own.includes(stem));
  if (exact !== -1) return exact;
  const beginning = stems
    .map(([own = ''], place) => ({ place, length: own !== '' && stem.startsWith(own) ? own.length : 0 }))
    .reduce((best, row) => (row.length > best.length ? row : best), { place: -1, length: 0 });
  return beginning.place === -1 ? null : beginning.place;
}

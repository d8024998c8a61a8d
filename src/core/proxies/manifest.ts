import { _default, array, enum as enumOf, gte, int, literal, lte, maxLength, number, object, string } from 'zod/mini';
import { recipeShare } from './own-recipes';
import { bitrateGrades, keyFrameWays, type ProxyRecipe } from './recipe';

/** A file that Oil Can made in a folder, or began to make. */
export interface ManifestEntry {
  readonly name: string;
  /** `making` until the file is whole: one that is found so later was interrupted, and is no proxy. */
  readonly state: 'making' | 'made';
  readonly originalName: string;
  readonly originalSizeBytes: number;
  readonly originalModifiedMs: number;
  readonly recipe: ProxyRecipe;
  /** Of the whole file; 0 while it is made. */
  readonly sizeBytes: number;
}

/** What Oil Can made in a folder. It lies in that folder, so that it goes where the files go. */
export interface ProxyManifest {
  readonly format: 'oil-can-proxies';
  readonly version: 1;
  /** Tells folders of one name apart; empty in lists that were written before it was. */
  readonly folderId: string;
  readonly files: readonly ManifestEntry[];
}

export const manifestName = 'oil-can-proxies.json';

/** The list of a folder in which nothing was made yet. */
export const createManifest = (folderId: string): ProxyManifest => ({
  format: 'oil-can-proxies',
  version: 1,
  folderId,
  files: [],
});

const name = string().check(maxLength(1024));
const whole = int().check(gte(0));
const schema = object({
  format: literal('oil-can-proxies'),
  version: literal(1),
  folderId: _default(string().check(maxLength(80)), ''),
  files: array(
    object({
      name,
      state: enumOf(['making', 'made']),
      originalName: name,
      originalSizeBytes: whole,
      originalModifiedMs: number(),
      recipe: object({
        lines: int().check(gte(2), lte(65_536)),
        share: recipeShare,
        keyFrames: enumOf(keyFrameWays),
        grade: enumOf(bitrateGrades),
      }),
      sizeBytes: whole,
    }),
  ).check(maxLength(100_000)),
});

/** Reads a folder's list; null where it is none that this Oil Can can read. Never throws. */
export function parseManifest(text: string): ProxyManifest | null {
  try {
    const parsed = schema.safeParse(JSON.parse(text));
    return parsed.success ? parsed.data : null;
  } catch {
    return null;
  }
}

/** The list with one file's entry put in the place of the one before. */
export const withEntry = (manifest: ProxyManifest, entry: ManifestEntry): ProxyManifest => ({
  ...manifest,
  files: [...manifest.files.filter((file) => file.name !== entry.name), entry],
});

export const withoutEntry = (manifest: ProxyManifest, fileName: string): ProxyManifest => ({
  ...manifest,
  files: manifest.files.filter((file) => file.name !== fileName),
});

/** A file as it lies in the folder. */
export interface FolderFile {
  readonly name: string;
  readonly sizeBytes: number;
}

/** What lies in a folder of proxies, beside what its list says. */
export interface FolderState {
  /** Made whole, and still as large as they were made: these, and no others, Oil Can may delete. */
  readonly whole: readonly ManifestEntry[];
  /** Begun and not finished: the stray file of an interruption. */
  readonly interrupted: readonly ManifestEntry[];
  /** On the list, and not there any more. */
  readonly missing: readonly ManifestEntry[];
  /** Of another size than they were made with: somebody changed them, and nobody may delete them here. */
  readonly changed: readonly ManifestEntry[];
}

/** Holds a folder's list against its files. O(files). */
export function compareFolder({ files }: ProxyManifest, found: readonly FolderFile[]): FolderState {
  const sizeOf = new Map(found.map((file) => [file.name, file.sizeBytes]));
  const made = files.filter(({ state }) => state === 'made');
  return {
    whole: made.filter((entry) => sizeOf.get(entry.name) === entry.sizeBytes),
    interrupted: files.filter(({ state }) => state === 'making'),
    missing: made.filter((entry) => !sizeOf.has(entry.name)),
    changed: made.filter((entry) => sizeOf.has(entry.name) && sizeOf.get(entry.name) !== entry.sizeBytes),
  };
}

/** Whether an original is another one than a proxy was made of: changed since, or a different file of that name. */
export const isStale = (
  entry: ManifestEntry,
  original: { readonly sizeBytes: number; readonly modifiedMs: number },
): boolean => entry.originalSizeBytes !== original.sizeBytes || entry.originalModifiedMs !== original.modifiedMs;

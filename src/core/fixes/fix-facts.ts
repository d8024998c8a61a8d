/**
 * Facts of every fix that need none of its logic, so that a card can be checked and a put-back list written without
 * the cost model. Cheapest and most reversible first within each group; the groups are those of docs/model.md.
 */

/** A level as it stands in cards and on the command line; null for a fix without levels. */
export type FixLevel = string | number | null;

/** When a kept fix must be undone. */
export type PutBackTime = 'export' | 'end-of-day';

/** What kind of level a fix has. */
export type LevelKind = 'none' | 'all' | 'fraction' | 'height' | 'mib' | 'rate' | 'attach-way' | 'cache-kind';

/** Parts of the work that a fix belongs to. */
export const fixGroups = [
  'machine',
  'looking-with-less',
  'graphics',
  'footage',
  'memory-and-files',
  'editors-own-work',
  'way-of-working',
  'export',
  'upgrades',
] as const;
export type FixGroup = (typeof fixGroups)[number];

export interface FixFacts<Id extends string = string> {
  readonly id: Id;
  readonly group: FixGroup;
  readonly levelKind: LevelKind;
  /** The level that is meant where none is given. */
  readonly defaultLevel: FixLevel;
  readonly putBack: PutBackTime | null;
}

const row = <Id extends string>(
  group: FixGroup,
  id: Id,
  putBack: PutBackTime | null = null,
  levelKind: LevelKind = 'none',
  defaultLevel: FixLevel = null,
): FixFacts<Id> => ({ id, group, levelKind, defaultLevel, putBack });

export const fixFacts = [
  row('machine', 'close-programs', 'end-of-day', 'all', 'all'),
  row('machine', 'raise-power-mode', 'end-of-day'),
  row('machine', 'stop-startup-programs'),
  row('machine', 'assign-fast-graphics'),
  row('machine', 'update-software'),
  row('machine', 'reset-editor'),
  row('machine', 'reinstall-editor'),

  row('looking-with-less', 'lower-preview-quality', 'export', 'fraction', '1/4'),
  row('looking-with-less', 'smaller-preview-height', 'export', 'height', 540),
  row('looking-with-less', 'coarser-while-moving'),
  row('looking-with-less', 'skip-late-frames'),
  row('looking-with-less', 'play-every-frame-slowly', 'end-of-day'),
  row('looking-with-less', 'play-short-span'),
  row('looking-with-less', 'bypass-effects', 'export', 'all', 'all'),
  row('looking-with-less', 'weaken-effects', 'export'),
  row('looking-with-less', 'stop-blending', 'export'),
  row('looking-with-less', 'solo-track', 'export'),
  row('looking-with-less', 'hide-covered-clips'),
  row('looking-with-less', 'lower-working-depth', 'export'),
  row('looking-with-less', 'cheaper-scaling-filter', 'export'),
  row('looking-with-less', 'cheaper-colour-conversion', 'export'),
  row('looking-with-less', 'lower-raw-decode', 'export'),
  row('looking-with-less', 'simpler-3d-drawing', 'export'),
  row('looking-with-less', 'hide-drawings-on-picture'),
  row('looking-with-less', 'switch-off-unused-output'),
  row('looking-with-less', 'low-resolution-window'),

  row('graphics', 'turn-on-hardware-decode'),
  row('graphics', 'turn-off-hardware-decode'),
  row('graphics', 'turn-on-graphics-drawing'),
  row('graphics', 'turn-off-graphics-drawing'),
  row('graphics', 'turn-off-panel-acceleration'),
  row('graphics', 'choose-editor-graphics'),
  row('graphics', 'raise-graphics-memory'),

  row('footage', 'show-proxies', 'export'),
  row('footage', 'attach-proxies', 'export', 'attach-way', 'built-in'),
  row('footage', 'make-proxies', 'export', 'height', 540),
  row('footage', 'make-proxies-on-import', 'export'),
  row('footage', 'convert-footage'),
  row('footage', 'match-project-to-clips'),
  row('footage', 'lower-project-size', 'export', 'height', 1080),
  row('footage', 'lower-project-rate', 'export', 'rate', 25),

  row('memory-and-files', 'give-editor-memory', null, 'mib', 4096),
  row('memory-and-files', 'raise-preview-memory', null, 'mib', 4096),
  row('memory-and-files', 'favour-speed-over-memory'),
  row('memory-and-files', 'use-more-threads'),
  row('memory-and-files', 'clear-cache', null, 'cache-kind', 'all'),
  row('memory-and-files', 'cap-cache'),
  row('memory-and-files', 'cache-heavy-only'),
  row('memory-and-files', 'enlarge-cache'),
  row('memory-and-files', 'empty-cache-on-closing'),
  row('memory-and-files', 'choose-cache-format'),
  row('memory-and-files', 'free-system-drive'),
  row('memory-and-files', 'move-cache'),
  row('memory-and-files', 'move-media'),

  row('editors-own-work', 'close-source-panels'),
  row('editors-own-work', 'unlink-panel-while-timing', 'end-of-day'),
  row('editors-own-work', 'stop-thumbnails'),
  row('editors-own-work', 'keep-media-open'),
  row('editors-own-work', 'let-builds-finish'),
  row('editors-own-work', 'prerender-range', 'export'),
  row('editors-own-work', 'prerender-when-idle', 'export'),

  row('way-of-working', 'import-less'),
  row('way-of-working', 'trim-first'),
  row('way-of-working', 'effects-last', 'export'),
  row('way-of-working', 'share-one-effect'),
  row('way-of-working', 'split-timeline', 'export'),
  row('way-of-working', 'bake-section', 'export'),

  row('export', 'render-in-parts'),
  row('export', 'faster-export-settings'),
  row('upgrades', 'upgrade-drive'),
  row('upgrades', 'upgrade-memory'),
  row('upgrades', 'upgrade-graphics'),
] as const satisfies readonly FixFacts[];

export type FixId = (typeof fixFacts)[number]['id'];

/** The two ways of drawing a smaller preview. */
export const previewFixIds = {
  quality: 'lower-preview-quality',
  height: 'smaller-preview-height',
} as const satisfies Readonly<Record<string, FixId>>;

export const fixIds: readonly FixId[] = fixFacts.map(({ id }) => id);

/** The facts of a fix, or undefined: a card may name fixes of a newer Oil Can. */
export const findFixFacts = (id: string): FixFacts<FixId> | undefined => fixFacts.find((fix) => fix.id === id);

/** Fixes with which small copies come into the project. */
const copyingIds: ReadonlySet<string> = new Set<FixId>([
  'show-proxies',
  'attach-proxies',
  'make-proxies',
  'make-proxies-on-import',
]);

/** Whether a fix brings small copies into the project, so that a film could be rendered from them. */
export const bringsCopies = (id: string): boolean => copyingIds.has(id);

/** Whether people switch a fix on and off while they work: all that makes the preview lighter, and proxies. */
export const isSwitchable = (id: string): boolean =>
  findFixFacts(id)?.group === 'looking-with-less' || (bringsCopies(id) && id !== 'make-proxies-on-import');

export const attachWays = ['built-in', 'by-name', 'by-folder-swap'] as const;
export const cacheKinds = ['previews', 'analysis', 'all'] as const;

/** A quality as a fraction of full, from "1/4" or "0.3"; null where it is not below 1 and at least 1/64. */
export function qualityRatioOf(level: FixLevel): number | null {
  const [num, den = '1', ...more] = String(level).split('/');
  if (more.length > 0 || num?.trim() === '') return null;
  const ratio = Number(num) / Number(den);
  return ratio >= 1 / 64 && ratio < 1 ? ratio : null;
}

const wholeBetween = (text: string, low: number, high: number): number | null => {
  const value = Number(text);
  return text.trim() !== '' && Number.isInteger(value) && value >= low && value <= high ? value : null;
};

/** Reads a level of a kind from the command line, a field or a card; null where it is none. */
export function parseLevelOf(kind: LevelKind, text: string): FixLevel {
  switch (kind) {
    case 'none':
      return null;
    case 'all':
      return text === 'all' ? 'all' : null;
    case 'fraction':
      return qualityRatioOf(text) === null ? null : text;
    case 'height':
      return wholeBetween(text, 16, 32_768);
    case 'mib':
      return wholeBetween(text, 16, 4_194_304);
    case 'rate': {
      const value = Number(text);
      return text.trim() !== '' && value >= 1 && value <= 500 ? value : null;
    }
    case 'attach-way':
      return attachWays.find((way) => way === text) ?? null;
    case 'cache-kind':
      return cacheKinds.find((way) => way === text) ?? null;
    default:
      return kind satisfies never;
  }
}

/** Whether a fix has this level; null is right only for those without levels. Fixes that are not known pass. */
export function isLevelOf(id: string, level: FixLevel): boolean {
  const facts = findFixFacts(id);
  if (!facts) return true;
  if (facts.levelKind === 'none') return level === null;
  return level !== null && parseLevelOf(facts.levelKind, String(level)) === level;
}

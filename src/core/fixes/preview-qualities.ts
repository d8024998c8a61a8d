import type { EditorProfile } from '../card/types';
import { fail, type Result, succeed } from '../result';
import { qualityRatioOf } from './fix-facts';

/** One preview quality of the person's editor: what it is called there, and its share of full. */
export interface PreviewQuality {
  readonly name: string;
  readonly ratio: number;
}

export type QualitiesFailure =
  | { readonly code: 'qualities-too-many'; readonly most: number }
  | { readonly code: 'quality-not-smaller'; readonly name: string; readonly before: string }
  | { readonly code: 'quality-name-too-long'; readonly name: string };

/** More than any editor has. */
const mostQualities = 12;
const longestQualityName = 40;

/** A share of full from "1/3", "0.3" or "30 %"; null for a name. */
function shareOf(text: string): number | null {
  const percent = /^(\d+(?:\.\d+)?)\s*%$/.exec(text)?.[1];
  if (percent !== undefined) return Number(percent) >= 100 ? 1 : qualityRatioOf(Number(percent) / 100);
  return text === '1' || text === '1/1' ? 1 : qualityRatioOf(text);
}

/** "Middling = 1/3" names a share; "1/3" is both; of a name alone the share follows from its rank. */
function parseOne(entry: string): { readonly name: string; readonly ratio: number | null } {
  const [name = '', share, ...more] = entry.split('=').map((part) => part.trim());
  const ratio = share === undefined || more.length > 0 ? null : shareOf(share);
  return ratio === null ? { name: entry, ratio: shareOf(entry) } : { name, ratio };
}

/**
 * Reads the qualities that a person lists, best first, with commas between: "Full, 1/2, 1/3" or "High, Medium, Low = 1/8". The first
 * is full where nothing else is said, and each name alone is half of the one before it. Fails where one is not smaller than the one
 * before, or where there are too many.
 */
export function parseQualities(text: string): Result<readonly PreviewQuality[], QualitiesFailure> {
  const entries = text
    .split(/[,;\n]/)
    .map((entry) => entry.trim())
    .filter((entry) => entry !== '')
    .map(parseOne);
  if (entries.length > mostQualities) return fail({ code: 'qualities-too-many', most: mostQualities });
  const qualities: PreviewQuality[] = [];
  for (const { name, ratio } of entries) {
    if (name.length > longestQualityName) return fail({ code: 'quality-name-too-long', name });
    const before = qualities.at(-1);
    const share = ratio ?? (before ? Math.max(1 / 64, before.ratio / 2) : 1);
    if (before && share >= before.ratio) return fail({ code: 'quality-not-smaller', name, before: before.name });
    qualities.push({ name, ratio: share });
  }
  return succeed(qualities);
}

/** Shares of full that differ by less are one. */
const sameRatio = 0.005;

/** A share of full as the level of a fix: "1/3", or "0.3" where it is no part of one. */
export function levelOfRatio(ratio: number): string {
  const parts = Math.round(1 / ratio);
  return Math.abs(ratio * parts - 1) < sameRatio ? `1/${parts}` : String(Math.round(ratio * 1000) / 1000);
}

/** Where nobody said: what most editors have. */
const usualLevels = ['1/2', '1/4', '1/8'] as const;

/** The qualities that the person's editor has; none where nobody said, or where what was said cannot be read. */
function qualitiesOf({ qualities }: Pick<EditorProfile, 'qualities'>): readonly PreviewQuality[] {
  const read = parseQualities(qualities);
  return read.ok ? read.value : [];
}

/** The smaller qualities that the person's editor has, best first, as levels of a fix. */
export function qualityLevelsOf(profile: Pick<EditorProfile, 'qualities'>): readonly string[] {
  const qualities = qualitiesOf(profile);
  return qualities.length > 0
    ? qualities.filter(({ ratio }) => ratio < 1).map(({ ratio }) => levelOfRatio(ratio))
    : usualLevels;
}

/** What a quality is called in the person's editor; null where they gave it no name of its own. */
export function ownNameOf(profile: Pick<EditorProfile, 'qualities'>, ratio: number): string | null {
  const own = qualitiesOf(profile).find((quality) => Math.abs(quality.ratio - ratio) < sameRatio);
  return own && shareOf(own.name) === null ? own.name : null;
}

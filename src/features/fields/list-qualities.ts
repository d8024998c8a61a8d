import { type JobCard, levelOfRatio, ownNameOf, qualityLevelsOf } from '@/core/card';
import { qualityRatioOf } from '@/core/fixes';

/** The preview qualities to choose from: full, those of the person's editor by its own names, and the one that is set. */
export function listQualities(
  { editorProfile }: JobCard,
  setRatio: number,
): readonly { readonly value: string; readonly label: string }[] {
  const levels = qualityLevelsOf(editorProfile).map((level) => qualityRatioOf(level) ?? 1);
  const ratios = levels.some((ratio) => ratio === setRatio) ? levels : [...levels, setRatio];
  return [...new Set([1, ...ratios])]
    .sort((a, b) => b - a)
    .map((ratio) => ({
      value: String(ratio),
      label: ownNameOf(editorProfile, ratio) ?? (ratio === 1 ? 'Full' : levelOfRatio(ratio)),
    }));
}

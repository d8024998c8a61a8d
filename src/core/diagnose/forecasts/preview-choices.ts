import { type Belief, type BeliefForecast, forecastUnder } from '../../belief';
import type { FixUse } from '../../card';
import { applyFixes, type FixAtLevel, isLevelOf, previewFixIds, suggestedHeightsPx } from '../../fixes';
import { missingLinesRatio, seenHeightPx } from '../../fixes/preview-level';
import { qualityLevelsOf } from '../../fixes/preview-qualities';
import { previewHeightPx } from '../../load/preview-picture';

/** The two ways of drawing a smaller preview. */
export const previewChoiceKinds = ['quality', 'height'] as const;
export type PreviewChoiceKind = (typeof previewChoiceKinds)[number];

/** One line of the table of preview qualities and heights. */
export interface PreviewChoice {
  readonly kind: PreviewChoiceKind;
  /** Null for the full picture. */
  readonly fix: FixAtLevel | null;
  readonly drawnHeightPx: number;
  /** The share of the lines seen in the viewer that the picture lacks; 0 where nothing can be missed. */
  readonly missingRatio: number;
  readonly after: BeliefForecast;
  readonly isNow: boolean;
}

/** Qualities are those that the editor has; heights are suggested from how high the viewer is. */
const offeredBy = (belief: Belief, kind: PreviewChoiceKind): readonly (string | number)[] =>
  kind === 'quality' ? qualityLevelsOf(belief.base.setup.preview) : suggestedHeightsPx(viewerHeightPx(belief));

/**
 * What each preview quality and height would bring, the full picture first; `own` are further levels that the person
 * asked for. Levels that draw no smaller than the timeline are left out.
 */
export function listPreviewChoices(
  belief: Belief,
  inForce: readonly FixUse[],
  kind: PreviewChoiceKind,
  own: readonly (string | number)[] = [],
): readonly PreviewChoice[] {
  const id = previewFixIds[kind];
  const others = inForce.filter((fix) => fix.id !== id);
  const levelNow = inForce.find((fix) => fix.id === id)?.level ?? null;
  const levels = [...new Set([...offeredBy(belief, kind), ...own])].filter((level) => isLevelOf(id, level));
  const choiceOf = (level: string | number | null): PreviewChoice => {
    const fixes = level === null ? others : [...others, { id, level }];
    const state = applyFixes(belief.base, fixes);
    const drawnHeightPx = Math.round(previewHeightPx(state.setup.timeline, state.setup.preview));
    return {
      kind,
      fix: level === null ? null : { id, level },
      drawnHeightPx,
      missingRatio: missingLinesRatio(state, drawnHeightPx),
      after: forecastUnder(belief, fixes),
      isNow: level === levelNow,
    };
  };
  const full = choiceOf(null);
  const smaller = levels.map(choiceOf).filter(({ drawnHeightPx }) => drawnHeightPx < full.drawnHeightPx);
  return [full, ...smaller.sort((a, b) => b.drawnHeightPx - a.drawnHeightPx)];
}

/** How high the viewer is on this screen, in lines, by what is known. */
export const viewerHeightPx = (belief: Belief): number => seenHeightPx(belief.base);

import { keyOfFixes } from '../card/fixes-in-force';
import { applyFixes } from '../fixes/apply-fixes';
import { type Coefficients, compile } from '../load/compile';
import { type Extent, widestOf } from '../load/evaluate';
import type { SetupState } from '../load/types';
import type { Hypothesis } from './hypotheses';
import type { Evidence } from './weighing';

/** Evidence under one list of fixes, with the hypothesis' set-up compiled for it. */
export interface EvidenceGroup {
  readonly state: SetupState;
  readonly coefficients: Coefficients;
  readonly evidence: readonly Evidence[];
  readonly extent: Extent;
}

/** What looks at one preview: the evidence under one list of fixes, and each that looks at something else by itself. */
export type EvidenceOfOne = readonly [Evidence, ...Evidence[]];

/** Evidence put together by what it looks at, in the order in which that first appears. O(evidence × groups). */
export function groupEvidence(evidence: readonly Evidence[]): readonly EvidenceOfOne[] {
  const groups: { readonly fixesKey: string; readonly own: [Evidence, ...Evidence[]] }[] = [];
  for (const item of evidence) {
    const fixesKey = keyOfFixes(item.fixes);
    const group = groups.find((known) => known.fixesKey === fixesKey && known.own[0].lookAt === item.lookAt);
    if (group) group.own.push(item);
    else groups.push({ fixesKey, own: [item] });
  }
  return groups.map(({ own }) => own);
}

/** Groups of evidence with what each looks at compiled for a hypothesis. */
export const compileGroups = (
  { state: supposed }: Hypothesis,
  groups: readonly EvidenceOfOne[],
): readonly EvidenceGroup[] =>
  groups.map((evidence) => {
    const [{ fixes, lookAt }] = evidence;
    const asIs = applyFixes(supposed, fixes);
    const state = lookAt ? lookAt(supposed, asIs) : asIs;
    return {
      state,
      coefficients: compile(state, 'heaviest'),
      evidence,
      extent: widestOf(evidence.map(({ extent }) => extent)),
    };
  });

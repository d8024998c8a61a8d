import { assertNever } from '@/core/assert-never';
import {
  type AdviceReason,
  type NextMove,
  type Relief,
  type Stronger,
  type TrialAdvice,
  type TrialVerdict,
  takesLonger,
} from '@/core/diagnose';
import type { FixRequirement } from '@/core/fixes';
import { formatChance } from './diagnosis';
import { fixTitle } from './fix-titles';
import { formatCount, formatMinutes } from './format';
import { questionTexts } from './questions';

export const verdictTexts: Readonly<Record<TrialVerdict, string>> = {
  better: 'Better',
  'no-clear-change': 'No clear change',
  mixed: 'Better and worse',
  worse: 'Worse',
};

function reasonText(reason: AdviceReason): string {
  switch (reason) {
    case 'better':
      return 'It really helped. Keep it.';
    case 'worse':
      return 'It got worse. Undo it, and set it back in the editor.';
    case 'better-on-the-whole':
      return 'By all that is known of this card it brings more than it takes. Keep it; if you doubt it, undo it and try it once more.';
    case 'mixed':
      return 'One thing is better and another worse, and nothing else speaks for it. Undo it, and set it back in the editor.';
    case 'better-unexpectedly':
      return 'It really helped, though by all that is known it should bring nothing. Keep it; once the preview is usable, try without it first.';
    case 'worse-unexpectedly':
      return 'It got worse, though by all that is known it should help. Undo it, and set it back in the editor.';
    case 'no-clear-change':
      return 'The difference is no more than chance. Undo it: every kept change costs something.';
    case 'usable-now':
      return 'The figures tell no difference, but you say that you can edit like this now. Keep it.';
    case 'part-of-plan':
      return 'By itself it shows nothing yet; your plan needs it together with the others. Keep it for now.';
    case 'not-missed':
      return 'It is good enough so. Leave it at that: less is given up.';
    case 'missed':
      return 'It is missed. Set it in the editor as it was.';
    default:
      return assertNever(reason);
  }
}

/** Why a trial should be measured once more before anything is decided. */
function doubtText(verdict: TrialVerdict): string {
  const mayBeOff = 'One reading in ten is far off, and this one may be: measure once more before you decide.';
  switch (verdict) {
    case 'better':
      return `By all else that is known it should bring nothing. ${mayBeOff}`;
    case 'worse':
      return `By all else that is known it should help. ${mayBeOff}`;
    default:
      return `One thing got better and another worse, which is more often a slip than true. ${mayBeOff}`;
  }
}

/** What two readings of a trial speak for, and why. */
export function describeAdvice({
  verdict,
  reason,
  isDoubtful,
  atLeastRatio,
}: Pick<TrialAdvice, 'verdict' | 'reason' | 'isDoubtful' | 'atLeastRatio'>): {
  readonly label: string;
  readonly why: string;
} {
  const atLeast =
    (verdict === 'better' || verdict === 'worse') && atLeastRatio
      ? `, by at least ${Math.round(Math.abs(atLeastRatio) * 100)} %`
      : '';
  return { label: `${verdictTexts[verdict]}${atLeast}`, why: isDoubtful ? doubtText(verdict) : reasonText(reason) };
}

/** What must come before a change. */
export const requirementLines: Readonly<Record<FixRequirement, string>> = {
  save: 'Save the project.',
  restart: 'The editor has to be closed and opened again for it to act.',
  'builds-finished': 'Let the editor finish what it is building.',
};

/** How a trial stands, as a stamp. */
export const trialStampTexts = { kept: 'KEPT', undone: 'undone', open: 'on trial', abandoned: 'given up' } as const;

/** "12 minutes spent on this card". What is left nobody knows well enough to promise it. */
export const describeMinutesSpent = (spentMinutes: number): string =>
  `${formatCount(Math.round(spentMinutes), 'minute')} spent on this card`;

/** What is to be expected of a fix where nothing within reach makes the preview usable, or it should be and is not. */
export function describeRelief({ closedRatio, isHeldUsable }: Relief): string {
  if (isHeldUsable)
    return closedRatio === null
      ? 'By what is known the preview should be usable already. This helps now and then all the same, and can be undone.'
      : 'By what is known the preview should be usable already. Where it is not, this is likeliest to help.';
  return closedRatio === null
    ? 'By what is known nothing is likely to bring much here. This helps now and then all the same, and can be undone.'
    : `Nothing within reach is likely to make it usable. This closes about ${Math.round(100 * closedRatio)} % of what is missing.`;
}

/** Why something that would do more is not what is begun with. */
export function describeStronger(stronger: Stronger): string {
  const { fix, moreMinutes, isGivingUpMore } = stronger;
  const chance = formatChance(fix.after.usableProbability ?? 0);
  const reasons = [
    ...(takesLonger(stronger) ? [`takes ${formatMinutes(moreMinutes)} more`] : []),
    ...(isGivingUpMore ? ['gives up more'] : []),
  ];
  const why =
    reasons.length > 0 ? `It ${reasons.join(' and ')}, so this comes first.` : 'This tells more, so it comes first.';
  return `“${fixTitle(fix.id, fix.level)}” below is likelier to do (usable ${chance}). ${why}`;
}

/** Why a step is the next one. */
export function describeMoveReason(move: NextMove): string {
  switch (move.kind) {
    case 'ask':
      return move.test.kind === 'question'
        ? 'The answer narrows the cause down sooner than any change would.'
        : 'What it measures narrows the cause down sooner than any change would.';
    case 'try':
      if (move.relief) return describeRelief(move.relief);
      if (move.isToFindOut)
        return 'Only to find out: it shows where the time goes. We go back to a gentler one afterwards.';
      if (move.plan && move.plan.fixes.length > 1)
        return `The first of ${move.plan.fixes.length} changes that together make it usable in ${formatChance(move.plan.probability)} cases.`;
      return move.plan
        ? `By what is known this alone makes it usable in ${formatChance(move.plan.probability)} cases.`
        : 'Quick to try, and its reading shows where the time goes.';
    case 'follow-plan':
      return `Step ${move.at} of ${move.of} of the plan that you chose.`;
    case 'give-back':
      if (!move.isUsable)
        return 'It seems to bring nothing here. Take it away, measure, and leave it away if it is not missed.';
      return 'What you kept since is likely enough without it. Take it away, measure, and leave it away if it is not missed.';
    case 'ease':
      return 'A gentler level likely does as well, and gives up less. Try it.';
    case 'nothing-left':
      return 'No further step is worth its minutes.';
    default:
      return assertNever(move);
  }
}

/** A step in a few words. */
export function nameMove(move: NextMove): string {
  switch (move.kind) {
    case 'ask':
      if (move.test.kind === 'test-play') return 'look: what a clip played here measures';
      return `look: ${move.test.id in questionTexts ? questionTexts[move.test.id as keyof typeof questionTexts].question : move.test.id}`;
    case 'try':
    case 'follow-plan':
    case 'ease':
      return fixTitle(move.fix.id, move.fix.level);
    case 'give-back':
      return `give back: ${fixTitle(move.fix.id, move.fix.level)}`;
    case 'nothing-left':
      return 'none that is worth its minutes';
    default:
      return assertNever(move);
  }
}

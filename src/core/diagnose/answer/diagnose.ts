import {
  type Belief,
  type CauseBelief,
  drawLessons,
  gapUnder,
  inferPosterior,
  type PosteriorOptions,
  rangesUnder,
  rankCauses,
  sharesUnder,
  thinPosterior,
} from '../../belief';
import { type FixUse, fixesInForce, isSameFix, type JobCard, keptFixes, type Lesson, readingInForce } from '../../card';
import { isOpenEnd } from '../../causes';
import { applyFixes, findFix, fixCatalogue } from '../../fixes';
import type { Range } from '../../numbers/percentile';
import { isUsable } from '../../usable';
import { createRefusal, listCandidates } from '../moves/candidates';
import { leastScore, type NextTest, rankNextTests } from '../moves/next-tests';
import { findRelief, isHeldUsable, type Relief } from '../moves/relief';
import { findPlans, type Plan, planProbability } from '../plan/plan';
import { type AverageStages, averageStages } from './average-stages';
import { listSideLeads, type SideLead } from './side-complaints';

/** What something bought would bring, on top of what is in force. */
export interface Upgrade {
  readonly id: string;
  readonly shownFps: Range;
  readonly usableProbability: number;
}

/** Everything that is concluded from a card. Plain data: it travels from a worker. */
export interface Diagnosis extends AverageStages {
  readonly targetFps: number;
  readonly budgetMs: number;
  readonly shownFps: Range;
  readonly scrubMs: Range;
  /** How likely the preview is usable as it is set up now. */
  readonly usableProbability: number;
  readonly causes: readonly CauseBelief[];
  readonly nextTests: readonly NextTest[];
  readonly plans: readonly Plan[];
  /** Only where no plan and no next look is worth taking, and the preview is not usable. */
  readonly relief: Relief | null;
  /** Only where there is no plan. */
  readonly upgrades: readonly Upgrade[];
  /** Kept fixes that a stronger one has made needless, that make it worse, or that bring nothing where nothing is left. */
  readonly giveBack: readonly FixUse[];
  /** Kept fixes that would do at a milder level, at that level. */
  readonly milder: readonly FixUse[];
  /** Complaints that are no preview lag, each with what leads on. */
  readonly sideLeads: readonly SideLead[];
  /** Nothing in the catalogue explains what was read: an honest end, with what remains to try. */
  readonly isUnexplained: boolean;
  /** What the card taught of machine and editor. */
  readonly lessons: readonly Lesson[];
  /** The likeliest of what is believed, small: for what is asked on the page. */
  readonly posterior: Belief;
}

/** A gap that grows by less than this is no harm: less than a reading can tell. */
const harmGap = 0.05;

/** A gap that grows by less than this without a fix is nothing that the fix is kept for. */
const idleGap = 0.02;

/**
 * Kept fixes without which the preview is as likely usable, so that what was sacrificed for them can be given back;
 * those that are believed to make it worse, whatever the reading said by which they were kept; and, where nothing is
 * left to try and it is not usable, those that bring next to nothing.
 */
function findGiveBack(belief: Belief, card: JobCard, isAtAnEnd: boolean): readonly FixUse[] {
  const kept = keptFixes(card);
  if (kept.length === 0) return [];
  const now = gapUnder(belief, kept);
  const wasTried = (fix: FixUse): boolean =>
    card.trials.some(
      ({ direction, status, fix: tried }) => direction === 'give-back' && status !== 'open' && isSameFix(tried, fix),
    );
  return kept.filter((fix) => {
    if (wasTried(fix)) return false;
    const without = gapUnder(
      belief,
      kept.filter((other) => other !== fix),
    );
    const isNeedless =
      now.usableProbability >= planProbability && without.usableProbability >= now.usableProbability - 0.02;
    const isIdle = isAtAnEnd && now.usableProbability < planProbability && without.gap < now.gap + idleGap;
    return isNeedless || isIdle || without.gap < now.gap - harmGap;
  });
}

/** The mildest level of each kept fix at which the preview is still likely usable, where that is milder than it is now. */
function findMilder(belief: Belief, card: JobCard): readonly FixUse[] {
  const kept = keptFixes(card);
  if (kept.length === 0 || gapUnder(belief, kept).usableProbability < planProbability) return [];
  const isRefused = createRefusal(card);
  return kept.flatMap((fix) => {
    const others = kept.filter((other) => other !== fix);
    const levels = findFix(fix.id)?.levelsFor(applyFixes(belief.base, others)) ?? [];
    const milder = levels
      .slice(0, Math.max(0, levels.indexOf(fix.level)))
      .map((level) => ({ id: fix.id, level }))
      .find((use) => !isRefused(use) && gapUnder(belief, [...others, use]).usableProbability >= planProbability);
    return milder ? [milder] : [];
  });
}

const weighUpgrades = (belief: Belief, inForce: readonly FixUse[]): readonly Upgrade[] =>
  fixCatalogue
    .filter((fix) => fix.group === 'upgrades' && fix.levelsFor(belief.base).length > 0)
    .map(({ id, defaultLevel }) => {
      const { shownFps, usableProbability } = rangesUnder(
        belief,
        [...inForce, { id, level: defaultLevel }],
        ['shownFps'],
      );
      return { id, shownFps, usableProbability };
    })
    .sort((a, b) => b.usableProbability - a.usableProbability);

/** A plan with what the posterior expects of it: every page that asks about the same set of fixes is answered the same. */
function withFiguresOf(plan: Plan, posterior: Belief, inForce: readonly FixUse[]): Plan {
  const { shownFps, scrubMs, usableProbability } = rangesUnder(
    posterior,
    [...inForce, ...plan.fixes],
    ['shownFps', 'scrubMs'],
  );
  return { ...plan, shownFps, scrubMs, probability: usableProbability };
}

/** Above this the unexplained is the likeliest explanation. */
const unexplainedProbability = 0.5;

/** Whether the newest reading under the fixes in force says that the preview is not usable. */
function isDenied(card: JobCard): boolean {
  const reading = readingInForce(card);
  return reading !== null && !isUsable(card, reading);
}

/** The fixes under which causes are named: none where those in force have likely cured it. */
export const causeFixes = (inForce: readonly FixUse[], usableProbability: number): readonly FixUse[] =>
  isHeldUsable(usableProbability) ? [] : inForce;

/** Causes less likely than this are told in one line, and so are more than a handful. */
const leastRead = 0.12;
const mostRead = 5;

/** The causes that people read of, each with why it is believed: the first, and those that are likely enough. */
export const causesToRead = (causes: readonly CauseBelief[]): readonly CauseBelief[] =>
  causes.filter(({ probability }, i) => probability >= leastRead || i === 0).slice(0, mostRead);

/**
 * The whole answer for a card: causes, next steps and plans, from everything on it and nothing else. Where the preview
 * is likely usable with what is in force, the causes are those of the set-up before any fix; else of what is left.
 */
export const diagnose = (card: JobCard, options: PosteriorOptions = {}): Diagnosis =>
  conclude(card, inferPosterior(card, options));

/** The answer for a card of which this is believed. */
export function conclude(card: JobCard, belief: Belief): Diagnosis {
  const inForce = fixesInForce(card);
  const now = rangesUnder(belief, inForce, ['shownFps', 'scrubMs']);
  const isSolved = isHeldUsable(now.usableProbability);
  const sharesNow = sharesUnder(belief, inForce);
  const causes = rankCauses(
    isSolved && inForce.length > 0 ? sharesUnder(belief, causeFixes(inForce, now.usableProbability)) : sharesNow,
  );
  const candidates = listCandidates(card, belief, inForce);
  const plans = findPlans(belief, inForce, candidates);
  const nextTests = rankNextTests(card, belief, inForce, sharesNow, candidates);
  const isAtAnEnd = plans.length === 0 && (nextTests[0]?.score ?? 0) < leastScore;
  const { targetFps } = applyFixes(belief.base, inForce).setup;
  const top = causes[0];
  const posterior = thinPosterior(belief);
  return {
    targetFps,
    budgetMs: 1000 / targetFps,
    ...averageStages(belief, inForce),
    shownFps: now.shownFps,
    scrubMs: now.scrubMs,
    usableProbability: now.usableProbability,
    causes,
    nextTests,
    plans: plans.map((plan) => withFiguresOf(plan, posterior, inForce)),
    relief: isAtAnEnd && (!isSolved || isDenied(card)) ? findRelief(belief, inForce, candidates) : null,
    upgrades: plans.length > 0 || isSolved ? [] : weighUpgrades(belief, inForce),
    giveBack: findGiveBack(belief, card, isAtAnEnd),
    milder: findMilder(belief, card),
    sideLeads: listSideLeads(card),
    posterior,
    lessons: drawLessons(card, belief),
    isUnexplained: top !== undefined && isOpenEnd(top.id) && top.probability >= unexplainedProbability,
  };
}

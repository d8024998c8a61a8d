import type { JobCard } from '@/core/card';
import type { CauseId } from '@/core/causes';
import type { Diagnosis, Findings } from '@/core/diagnose';
import type { LaneId, StageCost, StageId } from '@/core/load';
import { formatFpsRange, formatMs, formatRate } from './format';
import { stageTexts } from './load';

/** A frame budget, with what causes the lag, or null where nothing does. */
export interface Budget extends Pick<Findings, 'budgetMs' | 'bindingLane' | 'bindingCause' | 'stages'> {
  /** Whether the newest reading of the set-up says that it is usable. */
  readonly isUsable?: boolean;
}

/** From here on a cause is clear, and from here on a preview is held for usable. */
const clearProbability = 0.75;
const usableFrom = 0.8;

/** What is believed of the causes, in a sentence before their list; `isLagging` by the newest reading of the set-up. */
export function describeCauses(
  { causes, isUnexplained, usableProbability }: Pick<Diagnosis, 'causes' | 'isUnexplained' | 'usableProbability'>,
  isLagging: boolean,
): string {
  const [first, second] = causes;
  if (!first || usableProbability > usableFrom)
    return isLagging
      ? 'By all else on this card the preview should be usable, and by your reading it is not. Something that counts is not on the card yet, or a figure on it is wrong.'
      : 'By everything on this card the preview should be usable.';
  if (isUnexplained) return 'None of the causes that Oil Can knows fits what you read.';
  const isClear = first.probability >= clearProbability;
  if (isClear && second && second.probability >= 0.5) return 'More than one thing is wrong at once.';
  if (isClear) return 'One cause stands out.';
  return 'No cause is clear yet: several would explain it. The look below tells most.';
}

/** By what the causes were weighed: only what is really there. */
export function describeEvidenceUsed({ readings, answers }: Pick<JobCard, 'readings' | 'answers'>): string {
  const hasAnswers = answers.some(({ answer }) => answer !== 'unknown');
  if (readings.length > 0) return hasAnswers ? 'by your readings and answers' : 'by your readings';
  return hasAnswers ? 'by your answers' : 'by what is on the card';
}

/** The dearest stage of the lane that binds. */
function bindingStage(budget: Budget): StageCost {
  const onLane = budget.stages.filter((stage) => stage.lane === budget.bindingLane);
  return onLane.reduce((top, stage) => (stage.ms > top.ms ? stage : top));
}

const helpsWhere: Readonly<Record<LaneId, string>> = {
  drive: 'Lowering the preview quality will not help here: the footage is read before the picture is made smaller.',
  decoder: 'Lowering the preview quality will not help here: it makes the picture smaller after decoding.',
  drawing: 'A smaller preview helps here: effects, layers and showing cost by its pixels.',
};

const stageSubjects: Readonly<Record<StageId, string>> = {
  read: 'Reading the footage takes',
  decode: 'Decoding the footage takes',
  scale: 'Scaling the picture takes',
  effects: 'The effects take',
  layers: 'The layers take',
  show: 'Showing the picture takes',
};

/** Causes that a lane's time alone does not show. */
const budgetTexts: Readonly<Partial<Record<CauseId, (laneMs: string, budgetMs: string) => string>>> = {
  'programs-busy': (laneMs, budgetMs) =>
    `The editor needs ${laneMs} ms a frame on its slowest lane, and would have ${budgetMs}; but other programs take the cores that it needs. Close those before you give up any picture.`,
};

/** Where the time goes, in two sentences under the frame budget. */
export function describeBudget(budget: Budget): string {
  const { budgetMs, bindingLane, bindingCause, stages, isUsable = false } = budget;
  const stage = bindingStage(budget);
  const laneMs = stages.filter(({ lane }) => lane === bindingLane).reduce((sum, { ms }) => sum + ms, 0);
  if (isUsable)
    return laneMs <= budgetMs
      ? `Every lane stays within the ${formatMs(budgetMs)} ms that a frame may take: it is usable as it is.`
      : `The slowest lane is about at the ${formatMs(budgetMs)} ms that a frame may take: usable, with nothing to spare.`;
  const special = bindingCause && budgetTexts[bindingCause]?.(formatMs(laneMs), formatMs(budgetMs));
  if (special) return special;
  const wholeMs = stages.reduce((sum, { ms }) => sum + ms, 0);
  if (bindingCause === null || wholeMs <= budgetMs)
    return `All lanes stay within the ${formatMs(budgetMs)} ms that a frame may take. If it lags all the same, something is in play that is not on this card yet.`;
  if (laneMs <= budgetMs)
    return `No lane alone is over the ${formatMs(budgetMs)} ms that a frame may take; together they are, because they share the same cores.`;
  const isAlone = stage.ms > 0.9 * laneMs;
  const time = isAlone
    ? `${stageSubjects[stage.id]} about ${formatMs(laneMs)} ms a frame, and only ${formatMs(budgetMs)} are there.`
    : `Drawing takes about ${formatMs(laneMs)} ms a frame, and only ${formatMs(budgetMs)} are there; ${formatMs(stage.ms)} of them go into ${stageTexts[stage.id].what}.`;
  return `${time} ${helpsWhere[bindingLane]}`;
}

/** How a typed rate lies to the expected range. */
export function describeFit(shownFps: number, findings: Findings): { readonly fits: boolean; readonly text: string } {
  const { low, high } = findings.shownFps;
  // A typed rate is good to about 15 %.
  const fits = shownFps >= low * 0.85 && shownFps <= high * 1.15;
  const expected = `The estimate expects ${formatFpsRange(findings.shownFps)} a second here; you read ${formatRate(shownFps)}.`;
  const isWithin = shownFps >= low && shownFps <= high;
  if (fits)
    return { fits, text: `${expected} ${isWithin ? 'They agree.' : 'As far as such a reading tells, they agree.'}` };
  return {
    fits,
    text:
      shownFps < low
        ? `${expected} It is slower than this card explains: look for other programs, a power mode, or an editor that decodes with one thread.`
        : `${expected} It is better than expected: the machine may be faster than described, or hardware decoding may be on.`,
  };
}

/** What would settle a cause, where one test does. */
export const settlingTests: Readonly<Record<CauseId, string>> = {
  'programs-busy': 'Close the programs marked as safe and take a reading.',
  'power-or-heat': 'Plug in, choose full speed, let it cool for five minutes and take a reading.',
  'memory-short':
    'Watch the memory figure of the system’s monitor while playing: full, with the drive busy, means yes.',
  'drive-slow': 'Copy one clip to the drive inside and play that.',
  'hardware-decode-off': 'Turn hardware decoding on, restart the editor and take a reading.',
  'graphics-drawing-off': 'Turn on drawing by the graphics and take a reading with effects.',
  'decode-heavy':
    'Lower the preview quality to 1/4: if the rate stays the same, the time goes before the picture is made smaller.',
  'effects-heavy': 'Bypass all effects: if the rate jumps, it is the effects.',
  'layers-heavy': 'Switch blending off: if the rate jumps, it is the blending.',
  'preview-too-large': 'Lower the preview quality to 1/2: if the rate rises, it is the picture’s size.',
  'system-drive-full': 'Free a tenth of the system drive and take a reading.',
  'cache-misplaced': 'Move the cache to a solid-state drive inside, and play the same stretch twice.',
  'software-stale': 'Update editor, system and graphics driver, restart, and take a reading.',
  'hardware-decode-unreliable': 'Turn hardware decoding off, restart the editor and take a reading.',
  'graphics-drawing-unreliable': 'Turn drawing on the graphics off, restart the editor and take a reading.',
  'graphics-memory-short': 'Watch the graphics memory in the system’s monitor while playing: full means yes.',
  'wrong-graphics': 'Give the editor the faster graphics, restart it and take a reading.',
  'building-previews': 'Leave it alone until its progress mark is gone, and take a reading.',
  'proxies-not-shown': 'Look for the mark that says proxies are shown; if it is missing, switch them on.',
  'panel-reads-originals': 'Close the second viewer and the scopes, and take a reading.',
  'project-mismatch': 'Set a copy of the project to the delivered size and take a reading.',
  'preview-overdone':
    'Switch off the second output, the fine filter and the great working depth, and take a reading of the same stretch.',
  'nothing-explains-it':
    'Play the project on another machine, or another project on this one: that tells which of the two it is.',
};

import type { LagKind } from '@/core/card';
import type { NextTest, PlanId } from '@/core/diagnose';

/** How sure Oil Can is, in words: a probability as people say it. */
export function describeProbability(probability: number): string {
  if (probability >= 0.95) return 'almost certain';
  if (probability >= 0.75) return 'very likely';
  if (probability >= 0.5) return 'likely';
  if (probability >= 0.25) return 'possible';
  return 'unlikely';
}

/** "9 in 10": a probability as a frequency, never as a false precision. */
export const formatChance = (probability: number): string => {
  const tenths = Math.round(probability * 10);
  if (tenths >= 10) return 'more than 9 in 10';
  return tenths <= 0 ? 'less than 1 in 10' : `about ${tenths} in 10`;
};

/** How much a step tells or helps, in words. */
export function describeWorth({ kind, bits, cureProbability }: NextTest): string {
  if (kind === 'fix' && cureProbability >= 0.1) return `cures it in ${formatChance(cureProbability)} cases`;
  if (bits >= 0.3) return 'tells much';
  return bits >= 0.08 ? 'tells something' : 'tells a little';
}

/** Ways of choosing among plans. */
export const planTexts: Readonly<Record<PlanId, { readonly label: string; readonly what: string }>> = {
  quickest: { label: 'Quickest', what: 'least of your time' },
  'best-picture': { label: 'Best picture', what: 'you still see what the film will look like' },
  'least-to-put-back': { label: 'Least to put back', what: 'little that could spoil the film if forgotten' },
};

/** Complaints that are no preview lag: one question that leads on. */
export const sideTexts: Readonly<Partial<Record<LagKind, { readonly title: string; readonly question: string }>>> = {
  crashing: { title: 'The editor crashes', question: 'Is the memory nearly full when it happens?' },
  'will-not-open': { title: 'The project will not open', question: 'Do other, smaller projects open?' },
  'black-picture': {
    title: 'The picture is black',
    question: 'Does it come back when the processor draws instead of the graphics?',
  },
  'sound-apart-from-start': {
    title: 'Sound is off by the same amount throughout',
    question: 'Does a clip say that its frame rate varies?',
  },
  'export-slow': { title: 'Only the export is slow', question: 'Is the processor at its limit while it exports?' },
};

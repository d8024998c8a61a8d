import { findQuestion } from '../../belief/questions';
import { isCardUsable, type JobCard } from '../../card';
import type { CauseId } from '../../causes';
import type { Diagnosis } from './diagnose';

/** What would have to be told or read before a cause can be named, the most telling first. */
export const needs = ['footage', 'layers', 'effects', 'reading'] as const;
export type Need = (typeof needs)[number];

/** What is said of the cause, the same on every page. */
export type NamedCause =
  /** The newest reading is usable. */
  | { readonly kind: 'usable' }
  /** By readings and answers. */
  | { readonly kind: 'diagnosed'; readonly id: CauseId; readonly probability: number }
  /** By the estimate alone, from what was stated; null where it expects a usable preview. */
  | { readonly kind: 'estimated'; readonly id: CauseId | null }
  /** Nothing but assumptions would speak for one. */
  | { readonly kind: 'unknown'; readonly needs: readonly Need[] };

/** Whether anything was read or answered that tells causes apart. */
export const hasEvidence = ({ readings, answers }: JobCard): boolean =>
  readings.length > 0 || answers.some(({ questionId }) => findQuestion(questionId) !== undefined);

const isStated = ({ timeline }: JobCard, field: JobCard['timeline']['stated'][number]): boolean =>
  timeline.stated.includes(field);

const areLayersStated = (card: JobCard): boolean => isStated(card, 'videoLayerCount') && isStated(card, 'titleCount');

/** What is missing on a card before anything can be said of a cause. */
export const listNeeds = (card: JobCard): readonly Need[] => [
  ...(card.clips.length === 0 ? (['footage'] as const) : []),
  ...(areLayersStated(card) ? [] : (['layers'] as const)),
  ...(isStated(card, 'effects') ? [] : (['effects'] as const)),
  ...(card.readings.length === 0 ? (['reading'] as const) : []),
];

/** Whether a person, a file or a measurement said what a cause rests on; without that it would be a guess upon guesses. */
const rests: Readonly<Partial<Record<CauseId, (card: JobCard) => boolean>>> = {
  'layers-heavy': areLayersStated,
  'effects-heavy': (card) => isStated(card, 'effects') && card.timeline.effects.length > 0,
  'programs-busy': ({ programs }) =>
    programs.some(({ busyCores, memoryMib }) => busyCores !== null || memoryMib !== null),
  'power-or-heat': ({ machine }) => machine.powerMode.source !== 'assumed',
  'memory-short': ({ machine, editor }) => machine.memoryMib.source !== 'assumed' || editor.memoryGivenMib !== null,
  'drive-slow': ({ machine, clips, decodeTests }) =>
    machine.footageDrive.source !== 'assumed' ||
    clips.some(({ drive }) => drive !== null) ||
    decodeTests.some(({ fileRead }) => fileRead !== null),
  'cache-misplaced': ({ machine }) => machine.cacheDrive.source !== 'assumed',
  'system-drive-full': ({ machine }) => machine.systemDriveFreePercent.source !== 'assumed',
};

/** What can be named by the estimate alone. */
function nameByEstimate(card: JobCard, causeId: CauseId | null): NamedCause {
  const missing = listNeeds(card);
  if (card.clips.length === 0) return { kind: 'unknown', needs: missing };
  if (causeId === null)
    return missing.some((need) => need !== 'reading')
      ? { kind: 'unknown', needs: missing }
      : { kind: 'estimated', id: null };
  return rests[causeId]?.(card) === false ? { kind: 'unknown', needs: missing } : { kind: 'estimated', id: causeId };
}

/**
 * The cause that is named on every page: by readings and answers where there are any, else by the estimate where what it
 * rests on was stated, else none, with what would have to be known first.
 *
 * @param diagnosis null while it is not worked out
 * @param estimateCause what `findBindingCause` names
 */
export function nameCause(
  card: JobCard,
  diagnosis: Pick<Diagnosis, 'causes'> | null,
  estimateCause: CauseId | null,
): NamedCause {
  if (isCardUsable(card)) return { kind: 'usable' };
  const first = diagnosis?.causes[0];
  if (first && card.clips.length > 0 && hasEvidence(card))
    return { kind: 'diagnosed', id: first.id, probability: first.probability };
  return nameByEstimate(card, estimateCause);
}

import { isUsable } from '../usable/reading';
import { openTrial, readingInForce, withoutWorkingSet } from './fixes-in-force';
import { isReadyToExport, listPutBack } from './put-back';
import { firstThingIds, stepIds } from './schema';
import type { JobCard, StepId } from './types';

/** A step on the rail. */
export interface StepState {
  readonly id: StepId;
  readonly isDone: boolean;
  /** The first one that is not done; exactly one step of a card is next, or none when all are done. */
  readonly isNext: boolean;
}

/** Whether the newest reading under the kept fixes, and the one on trial, is usable. */
export function isCardUsable(card: JobCard): boolean {
  const reading = readingInForce(withoutWorkingSet(card));
  return reading !== null && isUsable(card, reading);
}

/** What of a timeline tells most: how much is drawn for a frame. */
const toldTimelineFields = ['videoLayerCount', 'titleCount', 'effects'] as const;

const hasKnown = (card: JobCard): Readonly<Record<StepId, boolean>> => ({
  'first-things': firstThingIds.every((id) => card.firstThings[id] !== 'unknown'),
  machine: [card.machine.coreCount, card.machine.speedClass, card.machine.memoryMib, card.machine.graphics].every(
    (fact) => fact.source !== 'assumed',
  ),
  footage: card.clips.length > 0,
  timeline: toldTimelineFields.every((field) => card.timeline.stated.includes(field)),
  symptoms: card.readings.length > 0 && card.symptoms.moments.length > 0,
  findings: card.readings.length > 0,
  fixes: openTrial(card) === null && isCardUsable(card),
  'export-check':
    card.trials.length > 0 &&
    isCardUsable(card) &&
    isReadyToExport(card) &&
    listPutBack(card).every((line) => line.isDone || line.isOnlyALook),
});

/** Whether a person may call this step finished by saying so; the last two are finished by what happened. */
export const canFinishByHand = (id: StepId): boolean => id !== 'fixes' && id !== 'export-check';

/** Every step of the card in working order. */
export function listSteps(card: JobCard): readonly StepState[] {
  const known = hasKnown(card);
  const isDone = (id: StepId): boolean => known[id] || (canFinishByHand(id) && card.finishedSteps.includes(id));
  const nextId = stepIds.find((id) => !isDone(id));
  return stepIds.map((id) => ({ id, isDone: isDone(id), isNext: id === nextId }));
}

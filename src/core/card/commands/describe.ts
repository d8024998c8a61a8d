import type { KnownState } from '../../machine/facts';
import { fail, succeed } from '../../result';
import { statedTimelineFields } from '../schema';
import type {
  CardEditor,
  CardEffect,
  CardPreview,
  CardTimeline,
  FirstThingId,
  JobCard,
  StatedTimelineField,
  StepId,
} from '../types';
import type { CommandHandler } from './types';

/** Gives the card another title; spaces around it are dropped. */
export const renameCard: CommandHandler<{ readonly title: string }> = (card, { title }) => {
  const trimmed = title.trim();
  return trimmed === '' ? fail({ code: 'title-empty' }) : succeed({ ...card, title: trimmed });
};

/** Answers one of the first things. */
export const answerFirstThing: CommandHandler<{ readonly id: FirstThingId; readonly answer: KnownState }> = (
  card,
  { id, answer },
) => succeed({ ...card, firstThings: { ...card.firstThings, [id]: answer } });

/** States what the film is for; each part is its own, and null where it is not known. */
export const setDelivery: CommandHandler<{ readonly patch: Partial<JobCard['delivery']> }> = (card, { patch }) =>
  succeed({ ...card, delivery: { ...card.delivery, ...patch } });

/** Lowers the rate to reach, or lets it follow timeline and clips again. */
export const setTarget: CommandHandler<{ readonly targetFps: number | null }> = (card, { targetFps }) =>
  succeed({ ...card, targetFps });

const isStatable = (field: string): field is StatedTimelineField =>
  statedTimelineFields.some((statable) => statable === field);

/** The timeline with fields that count as stated from then on; the others stay what they are. */
const withStated = (timeline: CardTimeline, fields: readonly string[]): CardTimeline => {
  const stated = [...new Set([...timeline.stated, ...fields.filter(isStatable)])];
  return stated.length === timeline.stated.length ? timeline : { ...timeline, stated };
};

/** Changes fields of the timeline; those, and no others, count as stated from then on. */
export const setTimeline: CommandHandler<{ readonly patch: Partial<Omit<CardTimeline, 'stated' | 'effects'>> }> = (
  card,
  { patch },
) => succeed({ ...card, timeline: withStated({ ...card.timeline, ...patch }, Object.keys(patch)) });

/** Says that fields of the timeline are as they stand there. */
export const confirmTimeline: CommandHandler<{ readonly fields: readonly StatedTimelineField[] }> = (
  card,
  { fields },
) => {
  const timeline = withStated(card.timeline, fields);
  return succeed(timeline === card.timeline ? card : { ...card, timeline });
};

/** States how far the film is. */
export const setFilmStage: CommandHandler<{ readonly stage: JobCard['filmStage'] }> = (card, { stage }) =>
  succeed({ ...card, filmStage: stage });

/** Changes how the preview was set before any fix, or the viewer's size. */
export const setPreview: CommandHandler<{ readonly patch: Partial<CardPreview> }> = (card, { patch }) =>
  succeed({ ...card, preview: { ...card.preview, ...patch } });

/** States how the person's editor is set up, before any fix. */
export const setEditor: CommandHandler<{ readonly patch: Partial<CardEditor> }> = (card, { patch }) =>
  succeed({ ...card, editor: { ...card.editor, ...patch } });

/** States when it lags and how. */
export const setSymptoms: CommandHandler<{ readonly patch: Partial<JobCard['symptoms']> }> = (card, { patch }) =>
  succeed({ ...card, symptoms: { ...card.symptoms, ...patch } });

/** Marks a step as done with what is known. */
export const finishStep: CommandHandler<{ readonly stepId: StepId }> = (card, { stepId }) =>
  succeed(card.finishedSteps.includes(stepId) ? card : { ...card, finishedSteps: [...card.finishedSteps, stepId] });

/** Adds an effect that lies on the timeline; from then on its effects count as stated. */
export const addEffect: CommandHandler<{ readonly effect: CardEffect; readonly index?: number }> = (
  card,
  { effect, index },
) => {
  const { effects } = card.timeline;
  if (effects.some(({ id }) => id === effect.id)) return fail({ code: 'item-exists', item: 'effect', id: effect.id });
  return succeed({
    ...card,
    timeline: withStated({ ...card.timeline, effects: effects.toSpliced(index ?? effects.length, 0, effect) }, [
      'effects',
    ]),
  });
};

/** Changes on how many layers an effect lies, or how strong it is. */
export const updateEffect: CommandHandler<{
  readonly id: string;
  readonly patch: Partial<Pick<CardEffect, 'layerCount' | 'strength'>>;
}> = (card, { id, patch }) => {
  const { effects } = card.timeline;
  if (!effects.some((effect) => effect.id === id)) return fail({ code: 'item-missing', item: 'effect', id });
  const changed = effects.map((effect) => (effect.id === id ? { ...effect, ...patch } : effect));
  return succeed({ ...card, timeline: { ...card.timeline, effects: changed } });
};

/** Takes an effect off the timeline. */
export const removeEffect: CommandHandler<{ readonly id: string }> = (card, { id }) => {
  const effects = card.timeline.effects.filter((effect) => effect.id !== id);
  if (effects.length === card.timeline.effects.length) return fail({ code: 'item-missing', item: 'effect', id });
  return succeed({ ...card, timeline: { ...card.timeline, effects } });
};

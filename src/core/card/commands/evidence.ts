import { fail, succeed } from '../../result';
import { fixesInForce, isSameFix } from '../fixes-in-force';
import type { CardAnswer, FixUse } from '../types';
import type { CommandHandler } from './types';

/** Answers a question that tells causes apart, under the set-up in force; an earlier answer to it there is replaced. */
export const answerQuestion: CommandHandler<{ readonly answer: Omit<CardAnswer, 'fixes'> }> = (card, { answer }) => {
  if (card.answers.some(({ id }) => id === answer.id))
    return fail({ code: 'item-exists', item: 'answer', id: answer.id });
  const others = card.answers.filter(({ questionId }) => questionId !== answer.questionId);
  return succeed({ ...card, answers: [...others, { ...answer, fixes: fixesInForce(card) }] });
};

/** Takes an answer back; it leaves no trace in what is concluded. */
export const removeAnswer: CommandHandler<{ readonly id: string }> = (card, { id }) => {
  const answers = card.answers.filter((answer) => answer.id !== id);
  if (answers.length === card.answers.length) return fail({ code: 'item-missing', item: 'answer', id });
  return succeed({ ...card, answers });
};

/** Says that a fix at a level, or a question, is not to be offered again. */
export const refuseTest: CommandHandler<{ readonly test: FixUse }> = (card, { test }) =>
  succeed(
    card.refused.some((refused) => isSameFix(refused, test)) ? card : { ...card, refused: [...card.refused, test] },
  );

/** Lets a refused fix or question be offered again. */
export const allowTest: CommandHandler<{ readonly test: FixUse }> = (card, { test }) =>
  succeed({ ...card, refused: card.refused.filter((refused) => !isSameFix(refused, test)) });

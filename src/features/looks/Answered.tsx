'use client';

import styled from 'styled-components';
import { findQuestion } from '@/core/belief';
import type { CardAnswer, JobCard } from '@/core/card';
import { testPlayId } from '@/core/diagnose';
import { describeAnswer } from '@/messages/questions';
import { Button } from '@/ui/Button';
import { colour } from '@/ui/tokens';
import { useOpenCard } from '../shell/card/use-open-card';

const List = styled.ul`
  list-style: none;
  margin: 12px 0 0;
  padding: 10px 0 0;
  border-top: 1px solid ${colour.line};
  li { display: flex; flex-wrap: wrap; align-items: center; justify-content: space-between; gap: 2px 12px; font-size: 15px; }
`;

function AnswerLine({ answer }: { readonly answer: CardAnswer }) {
  const { run } = useOpenCard();
  const { question, given } = describeAnswer(answer.questionId, answer.answer);
  return (
    <li>
      <span>
        {question} <b>{given}</b>
      </span>
      <Button
        variant="quiet"
        aria-label={`Take back: ${question}`}
        onPress={() => run({ type: 'removeAnswer', input: { id: answer.id } })}
      >
        Take back
      </Button>
    </li>
  );
}

/** What was answered and what was skipped; each can be taken back, and is asked again where it still tells something. */
export function Answered({ card }: { readonly card: JobCard }) {
  const { run } = useOpenCard();
  const skipped = card.refused.filter(({ id }) => findQuestion(id) || id === testPlayId);
  if (card.answers.length + skipped.length === 0) return null;
  return (
    <List aria-label="Answered so far">
      {card.answers.map((answer) => (
        <AnswerLine key={answer.id} answer={answer} />
      ))}
      {skipped.map((test) => {
        const { question, given } = describeAnswer(test.id, '');
        return (
          <li key={test.id}>
            <span>
              {question} <b>{given}</b>
            </span>
            <Button
              variant="quiet"
              aria-label={`Ask again: ${question}`}
              onPress={() => run({ type: 'allowTest', input: { test } })}
            >
              Ask again
            </Button>
          </li>
        );
      })}
    </List>
  );
}

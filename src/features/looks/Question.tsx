'use client';

import { findQuestion, type QuestionId } from '@/core/belief';
import type { NextTest } from '@/core/diagnose';
import { describeWorth } from '@/messages/diagnosis';
import { formatMinutes } from '@/messages/format';
import { questionTexts } from '@/messages/questions';
import { Button } from '@/ui/Button';
import { Row, Soft } from '@/ui/layout';
import { useOpenCard } from '../shell/card/use-open-card';
import { LookBox } from './LookBox';

/** A look that tells causes apart: its question, how to find out, and a button for each answer. */
export function Question({ test }: { readonly test: NextTest }) {
  const { run } = useOpenCard();
  const text = questionTexts[test.id as QuestionId];
  const answers = findQuestion(test.id)?.answers ?? [];
  const answer = (given: string) =>
    run({
      type: 'answerQuestion',
      input: { answer: { id: crypto.randomUUID(), questionId: test.id, answer: given, takenAtMs: Date.now() } },
    });
  return (
    <LookBox>
      <h3>{text.question}</h3>
      <p>
        {text.how}{' '}
        <Soft>
          Takes {formatMinutes(test.minutes)}, {describeWorth(test)}.
        </Soft>
      </p>
      <Row role="group" aria-label={text.question}>
        {answers.map((given) => (
          <Button key={given} onPress={() => answer(given)}>
            {text.answers[given]}
          </Button>
        ))}
        <Button
          variant="quiet"
          onPress={() => run({ type: 'refuseTest', input: { test: { id: test.id, level: null } } })}
          aria-label={`Don’t know: ${text.question}`}
        >
          Don’t know
        </Button>
      </Row>
    </LookBox>
  );
}

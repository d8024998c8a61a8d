'use client';

import styled from 'styled-components';
import { findQuestion, type QuestionId } from '@/core/belief';
import { type CardAnswer, type JobCard, openTrial } from '@/core/card';
import type { Diagnosis, NextTest, Relief } from '@/core/diagnose';
import { formatChance } from '@/messages/diagnosis';
import { fixTitle } from '@/messages/fix-titles';
import { formatMinutes } from '@/messages/format';
import { questionTexts } from '@/messages/questions';
import { Button } from '@/ui/Button';
import { Disclosure } from '@/ui/Disclosure';
import { LinkButton } from '@/ui/LinkButton';
import { Row, Soft } from '@/ui/layout';
import { Sheet } from '@/ui/Sheet';
import { colour, font } from '@/ui/tokens';
import { useOpenCard } from '../shell/use-open-card';

const Look = styled.div`
  padding: 0 0 10px;
  & + & { padding-top: 10px; border-top: 1px dashed ${colour.edge}; }
  h3 { font: 650 16.5px/1.3 ${font.heading}; margin-bottom: 3px; }
  > p { margin-bottom: 8px; font-size: 15px; }
`;
const Answered = styled.ul`
  list-style: none;
  margin: 12px 0 0;
  padding: 10px 0 0;
  border-top: 1px solid ${colour.line};
  li { display: flex; flex-wrap: wrap; align-items: center; justify-content: space-between; gap: 2px 12px; font-size: 15px; }
`;

/** How much a step tells or helps, in words. */
const worthOf = ({ kind, bits, cureProbability }: NextTest): string => {
  if (kind === 'fix' && cureProbability >= 0.1) return `cures it in ${formatChance(cureProbability)} cases`;
  if (bits >= 0.3) return 'tells much';
  return bits >= 0.08 ? 'tells something' : 'tells a little';
};

/** A question with a button for each answer. */
function Question({ test }: { readonly test: NextTest }) {
  const { run } = useOpenCard();
  const text = questionTexts[test.id as QuestionId];
  const answers = findQuestion(test.id)?.answers ?? [];
  const answer = (given: string) =>
    run({
      type: 'answerQuestion',
      input: { answer: { id: crypto.randomUUID(), questionId: test.id, answer: given, takenAtMs: Date.now() } },
    });
  return (
    <Look>
      <h3>{text.question}</h3>
      <p>
        {text.how}{' '}
        <Soft>
          Takes {formatMinutes(test.minutes)}, {worthOf(test)}.
        </Soft>
      </p>
      <Row role="group" aria-label={text.question}>
        {answers.map((given) => (
          <Button key={given} onPress={() => answer(given)}>
            {text.answers[given]}
          </Button>
        ))}
        <Button
          look="quiet"
          onPress={() => run({ type: 'refuseTest', input: { test: { id: test.id, level: null } } })}
          aria-label={`Leave it out: ${text.question}`}
        >
          Leave it out
        </Button>
      </Row>
    </Look>
  );
}

/** A fix that would tell or cure; it is tried on the next step. */
function FixLook({ test, card }: { readonly test: NextTest; readonly card: JobCard }) {
  return (
    <Look>
      <h3>{fixTitle(test.id, test.level)}</h3>
      <p>
        <Soft>
          Takes {formatMinutes(test.minutes)} with a reading, {worthOf(test)}.
        </Soft>
      </p>
      <LinkButton href={`/card/${encodeURIComponent(card.id)}/fixes`}>Try it among the fixes</LinkButton>
    </Look>
  );
}

/** Where nothing within reach makes it usable: what brings it nearest. */
function ReliefLook({ relief, card }: { readonly relief: Relief; readonly card: JobCard }) {
  return (
    <Look>
      <h3>{fixTitle(relief.fix.id, relief.fix.level)}</h3>
      <p>
        Nothing within reach is likely to make it usable. This closes about {Math.round(100 * relief.closedRatio)} % of
        what is missing. <Soft>Takes {formatMinutes(relief.minutes)}.</Soft>
      </p>
      <LinkButton href={`/card/${encodeURIComponent(card.id)}/fixes`}>Try it among the fixes</LinkButton>
    </Look>
  );
}

function AnswerLine({ answer }: { readonly answer: CardAnswer }) {
  const { run } = useOpenCard();
  const text = answer.questionId in questionTexts ? questionTexts[answer.questionId as QuestionId] : null;
  const question = text?.question ?? 'A question of a newer Oil Can';
  return (
    <li>
      <span>
        {question} <b>{text?.answers[answer.answer] ?? answer.answer}</b>
      </span>
      <Button
        look="quiet"
        aria-label={`Take back: ${question}`}
        onPress={() => run({ type: 'removeAnswer', input: { id: answer.id } })}
      >
        Take back
      </Button>
    </li>
  );
}

/** What tells most next: a look or a fix, and what was answered. */
export function NextLook({ card, diagnosis }: { readonly card: JobCard; readonly diagnosis: Diagnosis }) {
  const tests = openTrial(card) ? diagnosis.nextTests.filter(({ kind }) => kind === 'question') : diagnosis.nextTests;
  const [first, ...others] = tests;
  const { relief } = diagnosis;
  if (!first && !relief && card.answers.length === 0) return null;
  const show = (test: NextTest) =>
    test.kind === 'question' ? (
      <Question key={test.id} test={test} />
    ) : (
      <FixLook key={test.id} test={test} card={card} />
    );
  return (
    <Sheet title="What tells most next" aside="most learned or cured for a minute of yours" kind="next">
      {!openTrial(card) && relief && <ReliefLook relief={relief} card={card} />}
      {first && show(first)}
      {!first && !relief && <p>No look is left that would tell more.</p>}
      {others.length > 0 && (
        <Disclosure label={`Other looks and fixes (${Math.min(6, others.length)})`}>
          {others.slice(0, 6).map(show)}
        </Disclosure>
      )}
      {card.answers.length > 0 && (
        <Answered aria-label="Answered so far">
          {card.answers.map((answer) => (
            <AnswerLine key={answer.id} answer={answer} />
          ))}
        </Answered>
      )}
    </Sheet>
  );
}

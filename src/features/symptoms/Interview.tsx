'use client';

import { lagKinds, lagMoments } from '@/core/card';
import { openQuestionIds } from '@/core/diagnose';
import { lagKindTexts, lagMomentTexts } from '@/messages/interview';
import { Button } from '@/ui/Button';
import { Row, Soft, Spaced } from '@/ui/layout';
import { Sheet } from '@/ui/Sheet';
import { Answered } from '../looks/Answered';
import { Question } from '../looks/Question';
import { SideQuestion } from '../looks/SideQuestion';
import { TakeReading } from '../readings/TakeReading';
import { useDiagnosis } from '../shell/answer/diagnosis-context';
import { useOpenCard } from '../shell/card/use-open-card';
import { ManyAnswers } from './ManyAnswers';
import { type OpenQuestion, useInterview } from './use-interview';

const listed = (ids: readonly string[], texts: Readonly<Record<string, string>>): string =>
  ids.map((id) => texts[id]?.toLowerCase()).join('; ');

/** What was said of when and how it lags, each with a way to change one's mind. */
function Said({ onAskAgain }: { readonly onAskAgain: (question: OpenQuestion) => void }) {
  const { card } = useOpenCard();
  const { moments, kinds } = card.symptoms;
  const said = [
    { id: 'moments' as const, name: 'When', text: listed(moments, lagMomentTexts) },
    { id: 'kinds' as const, name: 'What you see', text: listed(kinds, lagKindTexts) },
  ].filter(({ text }) => text !== '');
  return (
    <>
      {said.map(({ id, name, text }) => (
        <Row key={id} $isSpread>
          <span>
            <Soft>{name}:</Soft> <b>{text}</b>
          </span>
          <Button variant="quiet" aria-label={`Change: ${name}`} onPress={() => onAskAgain(id)}>
            Change
          </Button>
        </Row>
      ))}
    </>
  );
}

/** One question at a time, each the one that tells most now; skipping and changing one's mind are fine. */
export function Interview() {
  const { card, run } = useOpenCard();
  const { diagnosis } = useDiagnosis();
  const { question, goOn, askAgain } = useInterview(card, diagnosis);
  const { moments, kinds } = card.symptoms;
  const skip = (questionId: string) => {
    run({
      type: 'answerQuestion',
      input: { answer: { id: crypto.randomUUID(), questionId, answer: 'unknown', takenAtMs: Date.now() } },
    });
    goOn();
  };
  return (
    <Sheet
      title="What you see"
      aside={question ? 'one question at a time; skip what you do not know' : undefined}
      kind={question ? 'next' : 'plain'}
    >
      {question?.kind === 'moments' && (
        <ManyAnswers
          question="When does it lag?"
          options={lagMoments}
          texts={lagMomentTexts}
          chosen={moments}
          onChange={(next) => run({ type: 'setSymptoms', input: { patch: { moments: next } } })}
          onGoOn={goOn}
          onSkip={() => skip(openQuestionIds.moments)}
        />
      )}
      {question?.kind === 'kinds' && (
        <ManyAnswers
          question="What do you see?"
          options={lagKinds}
          texts={lagKindTexts}
          chosen={kinds}
          onChange={(next) => run({ type: 'setSymptoms', input: { patch: { kinds: next } } })}
          onGoOn={goOn}
          onSkip={() => skip(openQuestionIds.kinds)}
        />
      )}
      {question?.kind === 'side' && <SideQuestion lead={question.lead} />}
      {question?.kind === 'reading' && (
        <>
          <h3 style={{ fontSize: 16.5, marginBottom: 6 }}>How does it play now? A rough reading is enough.</h3>
          <TakeReading buttonLabel="Store this reading" />
        </>
      )}
      {question?.kind === 'look' && <Question test={question.test} />}
      {question === null && (
        <p>Enough to go on with: what else you could answer would tell little. The findings say what it comes to.</p>
      )}
      <Spaced $abovePx={12}>
        <Said onAskAgain={askAgain} />
        <Answered card={card} />
      </Spaced>
    </Sheet>
  );
}

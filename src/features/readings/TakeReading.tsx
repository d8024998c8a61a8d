'use client';

import { hasPracticeMachine } from '@/demo/practice-cards';
import { Disclosure } from '@/ui/Disclosure';
import { LinkButton } from '@/ui/LinkButton';
import { Row, Soft } from '@/ui/layout';
import { useOpenCard } from '../shell/card/use-open-card';
import { PracticeReading } from './PracticeReading';
import { ReadingForm } from './ReadingForm';
import { RecorderNote } from './RecorderNote';

/** The ways to a reading, where one is wanted: measured by the lag meter, by the practice machine's, or typed. */
export function TakeReading({ buttonLabel }: { readonly buttonLabel: string }) {
  const { card } = useOpenCard();
  const isPractice = hasPracticeMachine(card.id);
  const form = <ReadingForm buttonLabel={buttonLabel} />;
  return (
    <>
      <RecorderNote />
      <Row $belowPx={14}>
        <PracticeReading variant="primary" />
        <LinkButton href={`/card/${encodeURIComponent(card.id)}/meter`}>Measure it with the lag meter</LinkButton>
        <Soft>{isPractice ? 'This demo has a machine of its own.' : 'Or type what you see:'}</Soft>
      </Row>
      {isPractice ? <Disclosure label="Type a reading instead">{form}</Disclosure> : form}
    </>
  );
}

'use client';

import { useMemo } from 'react';
import styled from 'styled-components';
import { type FixUse, isSameFix, type JobCard, openTrial, withoutWorkingSet } from '@/core/card';
import { chooseStep, type Diagnosis, type NextMove, type NextTest, type Relief } from '@/core/diagnose';
import { describeWorth } from '@/messages/diagnosis';
import { fixTitle } from '@/messages/fix-titles';
import { formatMinutes } from '@/messages/format';
import { describeMoveReason, describeRelief } from '@/messages/loop';
import { Disclosure } from '@/ui/Disclosure';
import { LinkButton } from '@/ui/LinkButton';
import { Soft } from '@/ui/layout';
import { Sheet } from '@/ui/Sheet';
import { colour, font } from '@/ui/tokens';
import { Answered } from '../looks/Answered';
import { AnyLook } from '../looks/AnyLook';

const Look = styled.div`
  padding: 0 0 10px;
  & + & { padding-top: 10px; border-top: 1px dashed ${colour.edge}; }
  h3 { font: 650 16.5px/1.3 ${font.heading}; margin-bottom: 3px; }
  > p { margin-bottom: 8px; font-size: 15px; }
`;
interface FixLookProps {
  readonly card: JobCard;
  readonly fix: FixUse;
  readonly minutes: number;
  /** What it is worth, in words. */
  readonly worth: string;
}

/** A fix that would tell or cure; it is tried on the next step. */
function FixLook({ card, fix, minutes, worth }: FixLookProps) {
  return (
    <Look>
      <h3>{fixTitle(fix.id, fix.level)}</h3>
      <p>
        {worth} <Soft>Takes {formatMinutes(minutes)} with a reading.</Soft>
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
        {describeRelief(relief)} <Soft>Takes {formatMinutes(relief.minutes)}.</Soft>
      </p>
      <LinkButton href={`/card/${encodeURIComponent(card.id)}/fixes`}>Try it among the fixes</LinkButton>
    </Look>
  );
}

/** The step that is worth most now, as the gauge has it: a look, a fix, or null where the tests' own first stands. */
function firstFixOf(card: JobCard, diagnosis: Diagnosis): Extract<NextMove, { readonly minutes: number }> | null {
  if (openTrial(card)) return null;
  const move = chooseStep(withoutWorkingSet(card), diagnosis);
  return move.kind === 'try' || move.kind === 'follow-plan' ? move : null;
}

/** What tells most next: a look or a fix, and what was answered. */
export function NextLook({ card, diagnosis }: { readonly card: JobCard; readonly diagnosis: Diagnosis }) {
  const chosen = useMemo(() => firstFixOf(card, diagnosis), [card, diagnosis]);
  const { relief } = diagnosis;
  const isRelief = relief !== null && !openTrial(card);
  const tests = diagnosis.nextTests.filter(
    ({ kind, id, level }) => (!openTrial(card) || kind !== 'fix') && !(chosen && isSameFix(chosen.fix, { id, level })),
  );
  const others = chosen || isRelief ? tests : tests.slice(1);
  const [first] = tests;
  if (!first && !chosen && !relief && card.answers.length === 0) return null;
  const show = (test: NextTest) =>
    test.kind !== 'fix' ? (
      <Look key={test.id}>
        <AnyLook card={card} test={test} />
      </Look>
    ) : (
      <FixLook key={test.id} card={card} fix={test} minutes={test.minutes} worth={`It ${describeWorth(test)}.`} />
    );
  return (
    <Sheet title="What tells most next" aside="most learned or cured for a minute of yours" kind="next">
      {isRelief && <ReliefLook relief={relief} card={card} />}
      {chosen && !isRelief && (
        <FixLook card={card} fix={chosen.fix} minutes={chosen.minutes} worth={describeMoveReason(chosen)} />
      )}
      {!chosen && !isRelief && first && show(first)}
      {!first && !chosen && !relief && <p>No look is left that would tell more.</p>}
      {others.length > 0 && (
        <Disclosure label={`Other looks and fixes (${Math.min(6, others.length)})`}>
          {others.slice(0, 6).map(show)}
        </Disclosure>
      )}
      <Answered card={card} />
    </Sheet>
  );
}

'use client';

import styled from 'styled-components';
import { type JobCard, openTrial } from '@/core/card';
import type { Diagnosis, NextTest, Relief } from '@/core/diagnose';
import { describeWorth } from '@/messages/diagnosis';
import { fixTitle } from '@/messages/fix-titles';
import { formatMinutes } from '@/messages/format';
import { Disclosure } from '@/ui/Disclosure';
import { LinkButton } from '@/ui/LinkButton';
import { Soft } from '@/ui/layout';
import { Sheet } from '@/ui/Sheet';
import { colour, font } from '@/ui/tokens';
import { Answered } from '../looks/Answered';
import { Question } from '../looks/Question';

const Look = styled.div`
  padding: 0 0 10px;
  & + & { padding-top: 10px; border-top: 1px dashed ${colour.edge}; }
  h3 { font: 650 16.5px/1.3 ${font.heading}; margin-bottom: 3px; }
  > p { margin-bottom: 8px; font-size: 15px; }
`;
/** A fix that would tell or cure; it is tried on the next step. */
function FixLook({ test, card }: { readonly test: NextTest; readonly card: JobCard }) {
  return (
    <Look>
      <h3>{fixTitle(test.id, test.level)}</h3>
      <p>
        <Soft>
          Takes {formatMinutes(test.minutes)} with a reading, {describeWorth(test)}.
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

/** What tells most next: a look or a fix, and what was answered. */
export function NextLook({ card, diagnosis }: { readonly card: JobCard; readonly diagnosis: Diagnosis }) {
  const tests = openTrial(card) ? diagnosis.nextTests.filter(({ kind }) => kind === 'question') : diagnosis.nextTests;
  const [first, ...others] = tests;
  const { relief } = diagnosis;
  if (!first && !relief && card.answers.length === 0) return null;
  const show = (test: NextTest) =>
    test.kind === 'question' ? (
      <Look key={test.id}>
        <Question test={test} />
      </Look>
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
      <Answered card={card} />
    </Sheet>
  );
}

'use client';

import { useMemo } from 'react';
import styled from 'styled-components';
import { isUsable, type JobCard, readingInForce } from '@/core/card';
import type { CauseGround, CauseId } from '@/core/causes';
import { causesToRead, listCardGrounds, type StagesOfCard } from '@/core/diagnose';
import { describeProbability, formatChance } from '@/messages/diagnosis';
import { describeCauses, settlingTests } from '@/messages/findings';
import { describeGround } from '@/messages/grounds';
import { causeTexts } from '@/messages/load';
import { Disclosure } from '@/ui/Disclosure';
import { Soft } from '@/ui/layout';
import { Note } from '@/ui/Note';
import { Sheet } from '@/ui/Sheet';
import { colour, font } from '@/ui/tokens';
import type { DiagnosisState } from '../shell/diagnosis-context';
import { CauseEvidence } from './CauseEvidence';

const List = styled.ol`
  list-style: none;
  margin: 0;
  padding: 0;
`;
const Item = styled.li`
  padding: 11px 0;
  border-top: 1px solid ${colour.line};
  &:first-child { border-top: 0; padding-top: 2px; }
  h3 { font: 650 16.5px/1.3 ${font.heading}; }
  &[data-first] h3 { font-size: 19px; }
  > p { font-size: 15px; }
`;
const Head = styled.div`
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 2px 14px;
  > span { font-size: 15px; white-space: nowrap; }
`;
const Bar = styled.div`
  height: 8px;
  margin: 6px 0;
  border: 1px solid ${colour.line};
  border-radius: 4px;
  background: ${colour.inset};
  > i { display: block; height: 100%; border-radius: 4px; background: ${colour.enamel}; }
`;

/** What speaks for a cause before anything was read. */
function OnTheCard({ grounds }: { readonly grounds: readonly CauseGround[] }) {
  if (grounds.length === 0) return null;
  return (
    <p>
      <Soft>On your card:</Soft> {grounds.map(describeGround).join(' ')}
    </p>
  );
}

/** What causes the lag, and how sure that is. */
export function Causes({
  card,
  state,
  estimateCause,
  stages,
}: {
  readonly card: JobCard;
  readonly state: DiagnosisState;
  readonly estimateCause: CauseId | null;
  readonly stages: StagesOfCard;
}) {
  const { diagnosis, status } = state;
  const grounds = useMemo(() => (diagnosis ? listCardGrounds(card, diagnosis, stages) : {}), [card, diagnosis, stages]);
  if (!diagnosis)
    return (
      <Sheet title="What causes it" aside={status === 'failed' ? 'by the estimate alone' : 'working it out…'}>
        {status === 'failed' && (
          <Note>
            Weighing the causes broke off; nothing on the card is lost. Load the page again to start it once more.
          </Note>
        )}
        <p>{estimateCause ? causeTexts[estimateCause].why : 'By the estimate this preview should be usable.'}</p>
      </Sheet>
    );
  const reading = readingInForce(card);
  const shown = causesToRead(diagnosis.causes);
  const rest = diagnosis.causes.filter((cause) => !shown.includes(cause)).slice(0, 6);
  return (
    <Sheet
      title="What causes it"
      aside={status === 'running' ? 'working it out again…' : 'by your readings and answers'}
    >
      <p style={{ marginBottom: 10 }}>
        <b>{describeCauses(diagnosis, reading !== null && !isUsable(card, reading))}</b>
      </p>
      {diagnosis.isUnexplained && (
        <Note>
          What remains to try: another project on this machine, this project on another machine, and the makers’
          updates. If another project plays well, the cause lies in this one; if none does, in the machine or the
          editor.
        </Note>
      )}
      <List>
        {shown.map(({ id, probability, share }, i) => (
          <Item key={id} data-first={i === 0 || undefined}>
            <Head>
              <h3>{causeTexts[id].title}</h3>
              <span>
                <b>{describeProbability(probability)}</b> <Soft>{formatChance(probability)}</Soft>
              </span>
            </Head>
            <Bar role="img" aria-label={`${Math.round(100 * share)} % of the lag`}>
              <i style={{ width: `${Math.max(1, 100 * share)}%` }} />
            </Bar>
            <p>
              {causeTexts[id].why}{' '}
              {share >= 0.05 && <Soft>Its part of the lag: about {Math.round(100 * share)} %.</Soft>}
            </p>
            <OnTheCard grounds={grounds[id] ?? []} />
            <CauseEvidence list={state.explanation?.ofCauses[id] ?? []} card={card} />
            <p>
              <Soft>What would settle it:</Soft> {settlingTests[id]}
            </p>
          </Item>
        ))}
      </List>
      {rest.length > 0 && (
        <p style={{ marginTop: 6, fontSize: 15 }}>
          <Soft>Hardly: {rest.map(({ id }) => causeTexts[id].title.toLowerCase()).join('; ')}.</Soft>
        </p>
      )}
      <div style={{ marginTop: 10 }}>
        <Disclosure label="How is this worked out?">
          Oil Can tries every cause, alone and with one other, on thousands of machines and editors that would fit your
          card, and keeps those that agree with all your readings and answers. How likely a cause is says in how many of
          them it has at least a tenth of the lag; several can be likely at once. The bar is its part of the lag on
          average.
        </Disclosure>
      </div>
    </Sheet>
  );
}

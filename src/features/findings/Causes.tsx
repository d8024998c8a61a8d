'use client';

import Link from 'next/link';
import { useMemo } from 'react';
import styled from 'styled-components';
import type { CauseBelief } from '@/core/belief';
import { type JobCard, readingInForce, type StepId } from '@/core/card';
import type { CauseGround } from '@/core/causes';
import {
  causesToRead,
  hasEvidence,
  listCardGrounds,
  type NamedCause,
  type Need,
  type StagesOfCard,
} from '@/core/diagnose';
import { isUsable } from '@/core/usable';
import { describeProbability, formatChance } from '@/messages/diagnosis';
import { describeCauses, describeEvidenceUsed, settlingTests } from '@/messages/findings';
import { formatCount } from '@/messages/format';
import { describeGround } from '@/messages/grounds';
import { causeTexts } from '@/messages/load';
import { describeNamedCause, needTexts } from '@/messages/named-cause';
import { Disclosure } from '@/ui/Disclosure';
import { Soft } from '@/ui/layout';
import { Note } from '@/ui/Note';
import { Sheet } from '@/ui/Sheet';
import { colour, font } from '@/ui/tokens';
import type { DiagnosisState } from '../shell/answer/diagnosis-context';
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

const First = styled.p`
  margin-bottom: 10px;
`;
const NeedList = styled.ul`
  margin-top: 6px;
  li { padding: 2px 0; }
`;

/** Where each thing that is missing is told. */
const needSteps: Readonly<Record<Need, StepId>> = {
  footage: 'footage',
  layers: 'timeline',
  effects: 'timeline',
  reading: 'symptoms',
};

/** What speaks for a cause before anything was read. */
function OnTheCard({ grounds }: { readonly grounds: readonly CauseGround[] }) {
  if (grounds.length === 0) return null;
  return (
    <p>
      <Soft>On your card:</Soft> {grounds.map(describeGround).join(' ')}
    </p>
  );
}

interface CauseItemProps {
  readonly cause: CauseBelief;
  readonly isFirst: boolean;
  readonly grounds: readonly CauseGround[];
  readonly card: JobCard;
  readonly state: DiagnosisState;
}

/** One cause: how sure it is, drawn and in words, its part of the lag, and why. */
function CauseItem({ cause: { id, probability, share }, isFirst, grounds, card, state }: CauseItemProps) {
  const sure = `${describeProbability(probability)}, ${formatChance(probability)}`;
  return (
    <Item data-first={isFirst || undefined}>
      <Head>
        <h3>{causeTexts[id].title}</h3>
        <span>
          <b>{describeProbability(probability)}</b> <Soft>{formatChance(probability)}</Soft>
        </span>
      </Head>
      <Bar role="img" aria-label={`How sure: ${sure}`}>
        <i style={{ width: `${Math.max(1, 100 * probability)}%` }} />
      </Bar>
      <p>
        {causeTexts[id].why} {share >= 0.05 && <Soft>It makes about {Math.round(100 * share)} % of the lag.</Soft>}
      </p>
      <CauseEvidence list={state.explanation?.ofCauses[id] ?? []} card={card} />
      <Disclosure label="What on the card speaks for it, and what would settle it">
        <OnTheCard grounds={grounds} />
        <p>
          <Soft>What would settle it:</Soft> {settlingTests[id]}
        </p>
      </Disclosure>
    </Item>
  );
}

/** What has to be told or read first, each with a way there. */
function Needs({ card, cause }: { readonly card: JobCard; readonly cause: Extract<NamedCause, { kind: 'unknown' }> }) {
  return (
    <>
      <p>Everything that could be said now would rest on assumptions. It takes little to change that:</p>
      <NeedList>
        {cause.needs.map((need) => (
          <li key={need}>
            <Link href={`/card/${encodeURIComponent(card.id)}/${needSteps[need]}`}>{needTexts[need].todo}</Link>
          </li>
        ))}
      </NeedList>
    </>
  );
}

interface CausesProps {
  readonly card: JobCard;
  readonly state: DiagnosisState;
  /** What is named on every page. */
  readonly named: NamedCause;
  readonly stages: StagesOfCard;
}

/** What causes the lag, and how sure that is. */
export function Causes({ card, state, named, stages }: CausesProps) {
  const { diagnosis, status } = state;
  const grounds = useMemo(() => (diagnosis ? listCardGrounds(card, diagnosis, stages) : {}), [card, diagnosis, stages]);
  if (!diagnosis || !hasEvidence(card) || card.clips.length === 0)
    return (
      <Sheet
        title="What causes it"
        aside={status === 'failed' || named.kind !== 'diagnosed' ? undefined : 'working it out again…'}
      >
        {status === 'failed' && (
          <Note>
            Weighing the causes broke off; nothing on the card is lost. Load the page again to start it once more.
          </Note>
        )}
        <First>
          <b>{describeNamedCause(named).title}.</b>{' '}
          <Soft>{named.kind !== 'unknown' && describeNamedCause(named).by}</Soft>
        </First>
        {named.kind === 'unknown' && <Needs card={card} cause={named} />}
        {named.kind === 'estimated' && named.id !== null && <p>{causeTexts[named.id].why}</p>}
      </Sheet>
    );
  const reading = readingInForce(card);
  const shown = causesToRead(diagnosis.causes);
  const [first, ...others] = shown;
  const rest = diagnosis.causes.filter((cause) => !shown.includes(cause)).slice(0, 6);
  const show = (cause: CauseBelief) => (
    <CauseItem
      key={cause.id}
      cause={cause}
      isFirst={cause === first}
      grounds={grounds[cause.id] ?? []}
      card={card}
      state={state}
    />
  );
  return (
    <Sheet title="What causes it" aside={status === 'running' ? 'working it out again…' : describeEvidenceUsed(card)}>
      <First>
        <b>{describeCauses(diagnosis, reading !== null && !isUsable(card, reading))}</b>
      </First>
      {diagnosis.isUnexplained && (
        <Note>
          What remains to try: another project on this machine, this project on another machine, and the makers’
          updates. If another project plays well, the cause lies in this one; if none does, in the machine or the
          editor.
        </Note>
      )}
      <List>{first && show(first)}</List>
      {others.length > 0 && (
        <Disclosure label={`${formatCount(others.length, 'other cause')} that may play a part`}>
          <List>{others.map(show)}</List>
        </Disclosure>
      )}
      <Disclosure label="How is this worked out?">
        Oil Can tries every cause, alone and with one other, on thousands of machines and editors that would fit your
        card, and keeps those that agree with all your readings and answers. The bar says in how many of them a cause
        has at least a tenth of the lag; several can be likely at once.
        {rest.length > 0 && ` Hardly: ${rest.map(({ id }) => causeTexts[id].title.toLowerCase()).join('; ')}.`}
      </Disclosure>
    </Sheet>
  );
}

'use client';

import { useState } from 'react';
import styled from 'styled-components';
import { type CardProgram, type JobCard, listChosen } from '@/core/card';
import { isStillThere, newestRows } from '@/core/programs';
import { formatMemory, formatRate } from '@/messages/format';
import {
  closeOutcomeTexts,
  describeFreed,
  describeMachineSourceFailure,
  roleTexts,
  startupPlaces,
} from '@/messages/programs';
import { Button } from '@/ui/Button';
import { LinkButton } from '@/ui/LinkButton';
import { Row, Soft } from '@/ui/layout';
import { Note } from '@/ui/Note';
import { Tag } from '@/ui/Tag';
import { colour } from '@/ui/tokens';
import { useOpenCard } from '../shell/card/use-open-card';
import { useProgramSampling } from './use-program-sampling';

/** As often as the helper takes a sample, and a little more. */
const sampleMs = 2600;

const List = styled.ul`
  margin: 4px 0 10px;
  li { display: grid; grid-template-columns: minmax(0, 1fr) auto; gap: 2px 14px; padding: 6px 0; border-top: 1px solid ${colour.line}; }
  li:first-child { border-top: 0; }
  small { grid-column: 1 / -1; font-size: 14.5px; color: ${colour.inkSoft}; }
`;

/** What a program takes, as short as can be: "1.5 cores, 640 MB". */
const describeTaken = ({ busyCores, memoryMib }: CardProgram): string =>
  [
    ...(busyCores === null ? [] : [`${formatRate(busyCores)} cores`]),
    ...(memoryMib === null ? [] : [formatMemory(Math.round(memoryMib))]),
  ].join(', ');

/** What a second look found: what came free, what came back, and where that is stopped. */
export function CleanUpResult({ card }: { readonly card: JobCard }) {
  const { programsCheck } = card;
  if (!programsCheck) return null;
  const back = card.programs.filter(({ outcome }) => outcome === 'back');
  const still = card.programs.filter(({ outcome }) => outcome === 'still');
  const names = (programs: readonly CardProgram[]): string => programs.map(({ name }) => `“${name}”`).join(', ');
  return (
    <div role="status">
      <Note kind={still.length + back.length === 0 ? 'good' : 'info'}>
        <p>
          <b>{describeFreed(programsCheck.freedCores, programsCheck.freedMib)} came free.</b>
          {still.length > 0 && ` Still running: ${names(still)}.`}
          {back.length > 0 && ` Came back by itself: ${names(back)}.`}
        </p>
        {still.length + back.length > 0 && (
          <p>
            <Soft>
              They count as not closed until a look says otherwise. What starts by itself is switched off here:{' '}
              {Object.values(startupPlaces).join('. ')}.
            </Soft>
          </p>
        )}
        {programsCheck.started.length > 0 && <p>New since the first look: {programsCheck.started.join(', ')}.</p>}
      </Note>
    </div>
  );
}

/** The chosen programs with what to do about each, and the second look that says what is really gone. */
export function CleanUpCheck({ card }: { readonly card: JobCard }) {
  const { run } = useOpenCard();
  const { at, isSampling, failure, sample } = useProgramSampling();
  const chosen = listChosen(card);
  const toPrograms = `/card/${encodeURIComponent(card.id)}/programs`;
  const [isChecking, setChecking] = useState(false);
  const check = async () => {
    setChecking(true);
    // What was closed this very moment may still stand in a sample that was taken before: it is looked at once more.
    for (let tryIndex = 0; tryIndex < 2; tryIndex++) {
      if (tryIndex > 0) await new Promise((resolve) => setTimeout(resolve, sampleMs));
      const now = await sample();
      if (!now) break;
      const checked = run({ type: 'checkPrograms', input: { rows: newestRows(now), takenAtMs: Date.now() } });
      if (!checked.ok || !checked.value.programs.some(({ outcome }) => isStillThere(outcome))) break;
    }
    setChecking(false);
  };
  if (chosen.length === 0)
    return (
      <Row $belowPx={12}>
        <Soft>No program is chosen yet.</Soft>
        <LinkButton href={toPrograms}>See what runs</LinkButton>
      </Row>
    );
  return (
    <>
      <List aria-label="Programs to close or pause">
        {chosen.map((program) => (
          <li key={program.id}>
            <span>
              <b>{program.name}</b> {program.outcome && <Tag>{closeOutcomeTexts[program.outcome]}</Tag>}
            </span>
            <span>{describeTaken(program)}</span>
            <small>{roleTexts[program.role].what}</small>
          </li>
        ))}
      </List>
      <CleanUpResult card={card} />
      {failure && <Note kind="alarm">{describeMachineSourceFailure(failure)}</Note>}
      <Row $belowPx={12}>
        {at && card.programsSeen && (
          <Button onPress={check} isDisabled={isSampling || isChecking}>
            {isSampling || isChecking ? 'Looking…' : card.programsCheck ? 'Look once more' : 'Look what is gone'}
          </Button>
        )}
        <LinkButton href={toPrograms}>Change the choice</LinkButton>
      </Row>
    </>
  );
}

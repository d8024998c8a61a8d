'use client';

import styled from 'styled-components';
import type { FixDefinition } from '@/core/fixes';
import { requirementLines } from '@/messages/loop';
import { Button } from '@/ui/Button';
import { Spaced } from '@/ui/layout';
import { Note } from '@/ui/Note';
import { useOpenCard } from '../shell/card/use-open-card';

const List = styled.ul`
  margin: 0;
  padding-left: 20px;
  list-style: disc;
`;

/** What must come before a change; where it closes or clears something and nobody said that the project is saved, a warning. */
export function ComesFirst({ fix }: { readonly fix: FixDefinition }) {
  const { card, run } = useOpenCard();
  if (fix.requires.length === 0) return null;
  const isUnsaved = card.firstThings.saved !== 'yes';
  return (
    <Note kind={isUnsaved ? 'alarm' : 'info'}>
      <b>{isUnsaved ? 'First: your project may not be saved.' : 'First'}</b>
      <List>
        {fix.requires.map((id) => (
          <li key={id}>{requirementLines[id]}</li>
        ))}
      </List>
      {isUnsaved && (
        <Spaced $abovePx={8}>
          <Button onPress={() => run({ type: 'answerFirstThing', input: { id: 'saved', answer: 'yes' } })}>
            It is saved
          </Button>
        </Spaced>
      )}
    </Note>
  );
}

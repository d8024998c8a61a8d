'use client';

import { useState } from 'react';
import { type JobCard, smallProgramsId } from '@/core/card';
import { weightOf } from '@/core/programs';
import { Button } from '@/ui/Button';
import { Paragraph, Row, Soft } from '@/ui/layout';
import { Sheet } from '@/ui/Sheet';
import { useOpenCard } from '../shell/card/use-open-card';

/** Programs that could be the editor: what is not known to be something else, the largest first. */
const candidatesOf = ({ programs }: JobCard) =>
  programs
    .filter(
      ({ role, id, source }) =>
        (role === 'unknown' || role === 'creative') && id !== smallProgramsId && source !== 'typed',
    )
    .toSorted((a, b) => weightOf(b) - weightOf(a));

const shownFirst = 6;

/** Asks which program on the list is the person's editor, so that it is never offered and its memory is known. */
export function EditorQuestion() {
  const { card, run } = useOpenCard();
  const [isPutOff, setPutOff] = useState(false);
  const [areAllShown, setAllShown] = useState(false);
  const candidates = candidatesOf(card);
  if (isPutOff || candidates.length === 0 || card.programs.some(({ role }) => role === 'editor')) return null;
  const shown = areAllShown ? candidates : candidates.slice(0, shownFirst);
  return (
    <Sheet title="Which of these is your editor?" kind="next">
      <Paragraph $belowPx={10}>
        <Soft>It is never offered to be closed, and is remembered.</Soft>
      </Paragraph>
      <Row>
        {shown.map(({ id, name }) => (
          <Button
            key={id}
            onPress={() => run({ type: 'updateProgram', input: { id, patch: { role: 'editor', canClose: 'no' } } })}
          >
            {name}
          </Button>
        ))}
        {shown.length < candidates.length && (
          <Button variant="quiet" onPress={() => setAllShown(true)}>
            {candidates.length - shown.length} more
          </Button>
        )}
        <Button variant="quiet" onPress={() => setPutOff(true)}>
          It does not run now
        </Button>
      </Row>
    </Sheet>
  );
}

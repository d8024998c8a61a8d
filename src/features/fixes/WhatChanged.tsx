'use client';

import type { JobCard } from '@/core/card';
import { chooseStep, type Diagnosis, type NextMove } from '@/core/diagnose';
import { describeProbability, formatChance } from '@/messages/diagnosis';
import { causeTexts } from '@/messages/load';
import { nameMove } from '@/messages/loop';
import { FactList } from '@/ui/lists';
import { Note } from '@/ui/Note';
import { Sheet } from '@/ui/Sheet';
import type { Conclusion } from '../shell/answer/diagnosis-context';

const nameCause = ({ causes }: Diagnosis): string => {
  const [first] = causes;
  return first ? `${causeTexts[first.id].title} (${describeProbability(first.probability)})` : 'nothing should bind';
};

interface WhatChangedProps {
  readonly before: Conclusion;
  readonly card: JobCard;
  readonly diagnosis: Diagnosis;
  readonly move: NextMove | null;
}

/** What the newest reading, answer or ended trial changed of what is believed, and of the next step. */
export function WhatChanged({ before, card, diagnosis, move }: WhatChangedProps) {
  const pairs = [
    { name: 'likely cause', from: nameCause(before.diagnosis), to: nameCause(diagnosis) },
    {
      name: 'usable now',
      from: formatChance(before.diagnosis.usableProbability),
      to: formatChance(diagnosis.usableProbability),
    },
    {
      name: 'next step',
      from: nameMove(chooseStep(before.card, before.diagnosis)),
      to: nameMove(move ?? chooseStep(card, diagnosis)),
    },
  ];
  if (pairs.every(({ from, to }) => from === to))
    return (
      <Note>
        The newest reading bears out what was believed before: {pairs[0]?.to.toLowerCase()}. Next step as before.
      </Note>
    );
  return (
    <Sheet title="What that changed" aside="by all readings and answers together">
      <FactList $nameWidth="minmax(96px, auto)">
        {pairs.map(({ name, from, to }) => (
          <div key={name}>
            <dt>{name}</dt>
            <dd>
              {from === to ? (
                <>{to}, as before</>
              ) : (
                <>
                  <s>{from}</s> → <b>{to}</b>
                </>
              )}
            </dd>
          </div>
        ))}
      </FactList>
    </Sheet>
  );
}

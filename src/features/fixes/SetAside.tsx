'use client';

import styled from 'styled-components';
import { type JobCard, keyOfFix } from '@/core/card';
import { findFix } from '@/core/fixes';
import { fixTitle } from '@/messages/fix-titles';
import { Button } from '@/ui/Button';
import { Sheet } from '@/ui/Sheet';
import { colour } from '@/ui/tokens';
import { useOpenCard } from '../shell/card/use-open-card';

const List = styled.ul`
  li { display: flex; flex-wrap: wrap; align-items: center; justify-content: space-between; gap: 2px 12px; padding: 2px 0; }
  small { color: ${colour.inkSoft}; font-size: 14.5px; }
`;

/** What is not offered any more: what the editor lacks, and what was put off. Each can be had back. */
export function SetAside({ card }: { readonly card: JobCard }) {
  const { run } = useOpenCard();
  const lacks = card.editorProfile.lacks.filter((id) => findFix(id));
  const putOff = card.refused.filter(({ id }) => findFix(id));
  if (lacks.length + putOff.length === 0) return null;
  return (
    <Sheet title="Not offered" aside="because you said so">
      <List>
        {lacks.map((id) => {
          const title = fixTitle(id, findFix(id)?.defaultLevel ?? null);
          return (
            <li key={id}>
              <span>
                {title} <small>your editor has no such thing</small>
              </span>
              <Button
                variant="quiet"
                aria-label={`It has after all: ${title}`}
                onPress={() => run({ type: 'setEditorLacks', input: { fixId: id, isLacking: false } })}
              >
                It has after all
              </Button>
            </li>
          );
        })}
        {putOff.map((test) => {
          const title = fixTitle(test.id, test.level);
          return (
            <li key={keyOfFix(test)}>
              <span>
                {title} <small>put off</small>
              </span>
              <Button
                variant="quiet"
                aria-label={`Offer again: ${title}`}
                onPress={() => run({ type: 'allowTest', input: { test } })}
              >
                Offer again
              </Button>
            </li>
          );
        })}
      </List>
    </Sheet>
  );
}

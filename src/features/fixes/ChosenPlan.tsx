'use client';

import styled from 'styled-components';
import { isSameFix, type JobCard, keptFixes, keyOfFix } from '@/core/card';
import { remainingPlan } from '@/core/diagnose';
import { fixTitle } from '@/messages/fix-titles';
import { Button } from '@/ui/Button';
import { Sheet } from '@/ui/Sheet';
import { colour } from '@/ui/tokens';
import { useOpenCard } from '../shell/card/use-open-card';

const List = styled.ol`
  margin: 0 0 8px;
  padding-left: 22px;
  list-style: decimal;
  li[data-done] { color: ${colour.inkSoft}; }
`;

/** The plan that the person chose, with how far it has come. */
export function ChosenPlan({ card }: { readonly card: JobCard }) {
  const { run } = useOpenCard();
  if (card.chosenPlan.length === 0) return null;
  const kept = keptFixes(card);
  const left = remainingPlan(card);
  const stateOf = (fix: (typeof left)[number]): string => {
    if (kept.some((other) => isSameFix(other, fix))) return 'kept';
    return left.some((other) => isSameFix(other, fix)) ? 'to try' : 'left out';
  };
  return (
    <Sheet
      title="Your plan"
      aside={
        <Button variant="quiet" onPress={() => run({ type: 'choosePlan', input: { fixes: [] } })}>
          Drop the plan
        </Button>
      }
    >
      <List>
        {card.chosenPlan.map((fix) => (
          <li key={keyOfFix(fix)} data-done={stateOf(fix) === 'to try' ? undefined : true}>
            {fixTitle(fix.id, fix.level)} <small>({stateOf(fix)})</small>
          </li>
        ))}
      </List>
    </Sheet>
  );
}

'use client';

import { useMemo } from 'react';
import styled from 'styled-components';
import type { OpenCard } from '@/adapters/browser/card-store';
import { type JobCard, knownMachineOf, type Lesson } from '@/core/card';
import { formatCount, formatMemory } from '@/messages/format';
import { Button } from '@/ui/Button';
import { Soft } from '@/ui/layout';
import { TextField } from '@/ui/TextField';
import { useCards } from '../shell/card/store-context';
import { useOpenCard } from '../shell/card/use-open-card';
import { useNotify } from '../shell/notices/notices';
import { NewParts } from './NewParts';

const Box = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: end;
  margin-bottom: 14px;
  > div:first-child { flex: 0 1 260px; }
`;

const isOfEditorAlone = ({ of }: Lesson): boolean => of.every((part) => part === 'editor');

const nameOf = ({ machineProfile, machine }: JobCard): string =>
  machineProfile.name || `${formatCount(machine.coreCount.value, 'core')}, ${formatMemory(machine.memoryMib.value)}`;

/** Machines of other cards, the newest copy of each. */
function useOtherMachines(card: JobCard): readonly OpenCard[] {
  const { cards } = useCards();
  return useMemo(() => {
    const newestFirst = [...cards.values()]
      .filter(
        ({ card: { id, machineProfile } }) => id !== card.id && !id.startsWith('demo-') && machineProfile.id !== '',
      )
      .toSorted((a, b) => b.card.updatedAtMs - a.card.updatedAtMs);
    const own = JSON.stringify(knownMachineOf(card));
    return newestFirst.filter(
      ({ card: other }, i) =>
        newestFirst.findIndex((open) => open.card.machineProfile.id === other.machineProfile.id) === i &&
        JSON.stringify(knownMachineOf(other)) !== own,
    );
  }, [cards, card]);
}

/** What the person calls this machine, and other machines of theirs to take over; each card has its own copy. */
export function KnownMachines({ card }: { readonly card: JobCard }) {
  const { run } = useOpenCard();
  const notify = useNotify();
  const others = useOtherMachines(card);
  const { machineProfile } = card;
  const takeOver = ({ card: other, answer }: OpenCard) => {
    const before = { known: knownMachineOf(card), lessons: card.lessons };
    const taught = answer?.summary.lessons ?? [];
    const lessons = [...card.lessons.filter(isOfEditorAlone), ...taught.filter((lesson) => !isOfEditorAlone(lesson))];
    if (!run({ type: 'takeMachine', input: { known: knownMachineOf(other), lessons } }).ok) return;
    notify({
      kind: 'info',
      text: `This card now has “${nameOf(other)}”.`,
      action: { label: 'Undo', run: () => run({ type: 'takeMachine', input: before }) },
    });
  };
  return (
    <Box>
      <TextField
        label="What you call this machine"
        value={machineProfile.name}
        placeholder="such as: the old laptop"
        onCommit={(name) =>
          run({ type: 'nameMachine', input: { id: machineProfile.id || crypto.randomUUID(), name: name.slice(0, 80) } })
            .ok
        }
      />
      {others.map((other) => (
        <Button key={other.card.machineProfile.id} onPress={() => takeOver(other)}>
          {other.card.machineProfile.id === machineProfile.id ? 'Take over what changed on' : 'It is'} “
          {nameOf(other.card)}”
        </Button>
      ))}
      {others.length === 0 && machineProfile.name !== '' && <Soft>The next card takes it over.</Soft>}
      <NewParts card={card} />
    </Box>
  );
}

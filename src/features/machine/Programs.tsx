'use client';

import { Plus } from 'lucide-react';
import styled from 'styled-components';
import type { CardProgram } from '@/core/card';
import { type KnownState, knownStates } from '@/core/machine';
import { knownStateTexts } from '@/messages/machine';
import { Button } from '@/ui/Button';
import { NumberField } from '@/ui/NumberField';
import { SegmentedField } from '@/ui/SegmentedField';
import { Sheet } from '@/ui/Sheet';
import { TextField } from '@/ui/TextField';
import { colour } from '@/ui/tokens';
import { useNotify } from '../shell/notices';
import { useOpenCard } from '../shell/use-open-card';

const Item = styled.li`
  display: grid;
  grid-template-columns: minmax(120px, 1fr) 118px 112px auto auto;
  gap: 8px 12px;
  align-items: end;
  padding: 10px 0;
  border-top: 1px solid ${colour.line};
  &:first-child { border-top: 0; }
  @media (max-width: 900px) { grid-template-columns: 1fr 1fr; }
`;
const Lead = styled.p`
  margin-bottom: 8px;
  font-size: 15px;
  color: ${colour.inkSoft};
`;

const newProgram = (): CardProgram => ({
  id: crypto.randomUUID(),
  name: 'A program',
  busyCores: 0.5,
  memoryMib: 300,
  canClose: 'yes',
});

/** Programs that run beside the editor, typed from the system's own monitor. */
export function Programs() {
  const { card, run } = useOpenCard();
  const notify = useNotify();
  const remove = (program: CardProgram) => {
    const index = card.programs.indexOf(program);
    if (!run({ type: 'removeProgram', input: { id: program.id } }).ok) return;
    notify({
      kind: 'info',
      text: `Removed “${program.name}” from the card.`,
      action: { label: 'Undo', run: () => run({ type: 'addProgram', input: { program, index } }) },
    });
  };
  return (
    <Sheet
      title="Other programs that run"
      aside={
        <Button look="quiet" onPress={() => run({ type: 'addProgram', input: { program: newProgram() } })}>
          <Plus size={16} aria-hidden="true" /> Add a program
        </Button>
      }
    >
      <Lead>
        {card.programs.length === 0
          ? 'None named yet. Open the system’s monitor while the preview plays, and add what keeps the processor busy besides the editor.'
          : 'While the preview plays, from the system’s own monitor. 100 % is one core; “may close” means that nothing is lost by it.'}
      </Lead>
      <ul>
        {card.programs.map((program) => (
          <Item key={program.id}>
            <TextField
              label="Program"
              value={program.name}
              onCommit={(name) =>
                run({ type: 'updateProgram', input: { id: program.id, patch: { name: name.trim() } } }).ok
              }
            />
            <NumberField
              label="Processor"
              unit="%"
              minValue={0}
              maxValue={25_600}
              value={Math.round(program.busyCores * 100)}
              onChange={(percent) =>
                run({ type: 'updateProgram', input: { id: program.id, patch: { busyCores: (percent ?? 0) / 100 } } })
              }
            />
            <NumberField
              label="Memory"
              unit="MB"
              minValue={0}
              maxValue={4_194_304}
              value={program.memoryMib}
              onChange={(memoryMib) =>
                run({ type: 'updateProgram', input: { id: program.id, patch: { memoryMib: memoryMib ?? 0 } } })
              }
            />
            <SegmentedField<KnownState>
              label="May close"
              options={knownStates.map((value) => ({
                value,
                label: value === 'unknown' ? '?' : knownStateTexts[value],
              }))}
              value={program.canClose}
              onChange={(canClose) => run({ type: 'updateProgram', input: { id: program.id, patch: { canClose } } })}
            />
            <Button look="danger" aria-label={`Remove ${program.name}`} onPress={() => remove(program)}>
              Remove
            </Button>
          </Item>
        ))}
      </ul>
    </Sheet>
  );
}

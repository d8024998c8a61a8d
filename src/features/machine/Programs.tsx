'use client';

import { Plus } from 'lucide-react';
import { useState } from 'react';
import styled from 'styled-components';
import { type CardProgram, createProgram } from '@/core/card';
import { type KnownState, knownStates, type ProgramPercent, programPercents } from '@/core/machine';
import { formatCount } from '@/messages/format';
import { knownStateTexts, programPercentTexts } from '@/messages/machine';
import { Button } from '@/ui/Button';
import { Spaced } from '@/ui/layout';
import { SegmentedField } from '@/ui/SegmentedField';
import { Sheet } from '@/ui/Sheet';
import { TextField } from '@/ui/TextField';
import { colour } from '@/ui/tokens';
import { useFocusNext } from '@/ui/use-focus-next';
import { FactField } from '../fields/FactField';
import { NumberField } from '../fields/NumberField';
import { ProcessorShareField } from '../fields/ProcessorShareField';
import { useOpenCard } from '../shell/card/use-open-card';
import { useNotify } from '../shell/notices/notices';

const Item = styled.li`
  display: grid;
  grid-template-columns: minmax(120px, 1fr) 168px 112px auto auto;
  gap: 8px 12px;
  align-items: start;
  padding: 10px 0;
  border-top: 1px solid ${colour.line};
  &:first-child { border-top: 0; }
  > button { margin-top: 25px; }
  @media (max-width: 1240px) { grid-template-columns: 1fr 1fr; > button { margin-top: 0; justify-self: start; } }
`;
const Lead = styled.p`
  margin-bottom: 8px;
  font-size: 15px;
  color: ${colour.inkSoft};
`;

const nameOf = ({ name }: CardProgram): string => name || 'a program without a name';

/** Programs that run beside the editor, typed from the system's own monitor. */
export function Programs() {
  const { card, run } = useOpenCard();
  const { machine } = card;
  // What a list says is not typed over: it is looked at again.
  const programs = card.programs.filter(({ source }) => source === 'typed');
  const listedCount = card.programs.length - programs.length;
  const notify = useNotify();
  const [addedId, setAddedId] = useState<string | null>(null);
  const { ref: heading, focusNext } = useFocusNext<HTMLDivElement>();
  const percentOf = machine.programPercent.value;
  const set = (id: string, patch: Partial<Omit<CardProgram, 'id'>>) =>
    run({ type: 'updateProgram', input: { id, patch } });
  const add = () => {
    const program = createProgram(crypto.randomUUID());
    if (run({ type: 'addProgram', input: { program } }).ok) setAddedId(program.id);
  };
  const remove = (program: CardProgram) => {
    const index = card.programs.indexOf(program);
    if (!run({ type: 'removeProgram', input: { id: program.id } }).ok) return;
    focusNext();
    notify({
      kind: 'info',
      text: `Removed “${nameOf(program)}” from the card.`,
      action: { label: 'Undo', run: () => run({ type: 'addProgram', input: { program, index } }) },
    });
  };
  const setPercent = (value: ProgramPercent) =>
    run({ type: 'setMachine', input: { facts: { programPercent: { value, source: 'typed' } } } });
  return (
    <Sheet
      title="Other programs that run"
      aside={
        <Button variant="quiet" onPress={add}>
          <Plus size={16} aria-hidden="true" /> Add a program
        </Button>
      }
    >
      <div ref={heading} tabIndex={-1}>
        <Lead>
          {programs.length === 0 && listedCount > 0
            ? `${formatCount(listedCount, 'program')} from the list of what runs; none typed.`
            : programs.length === 0
              ? 'None named yet. Open the system’s monitor while the preview plays, and add what keeps the processor busy besides the editor.'
              : 'While the preview plays, from the system’s own monitor. Leave empty what you have not looked up; “may close” means that nothing is lost by it.'}
        </Lead>
      </div>
      {programs.length > 0 && (
        <FactField source={machine.programPercent.source} name="What 100 % is" onConfirm={() => setPercent(percentOf)}>
          <SegmentedField<ProgramPercent>
            label="In this system’s list of programs, 100 % is"
            value={percentOf}
            options={programPercents.map((value) => ({ value, label: programPercentTexts[value] }))}
            onChange={setPercent}
          />
        </FactField>
      )}
      <Spaced as="ul">
        {programs.map((program) => (
          <Item key={program.id} aria-label={nameOf(program)}>
            <TextField
              label="Program"
              value={program.name}
              hasFocus={program.id === addedId}
              onCommit={(name) => set(program.id, { name: name.trim().slice(0, 120) }).ok}
            />
            <ProcessorShareField
              label="Processor"
              percentOf={percentOf}
              coreCount={machine.coreCount.value}
              busyCores={program.busyCores}
              onChange={(busyCores) => set(program.id, { busyCores })}
            />
            <NumberField
              label="Memory"
              unit="MB"
              minValue={0}
              maxValue={4_194_304}
              value={program.memoryMib}
              onChange={(memoryMib) => set(program.id, { memoryMib })}
            />
            <SegmentedField<KnownState>
              label="May close"
              options={knownStates.map((value) => ({
                value,
                label: value === 'unknown' ? '?' : knownStateTexts[value],
              }))}
              value={program.canClose}
              onChange={(canClose) => set(program.id, { canClose })}
            />
            <Button variant="danger" aria-label={`Remove ${nameOf(program)}`} onPress={() => remove(program)}>
              Remove
            </Button>
          </Item>
        ))}
      </Spaced>
    </Sheet>
  );
}

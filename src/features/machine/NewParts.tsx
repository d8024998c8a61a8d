'use client';

import { useState } from 'react';
import type { JobCard } from '@/core/card';
import { type MachinePart, machineParts } from '@/core/machine';
import { machinePartTexts } from '@/messages/machine';
import { Button } from '@/ui/Button';
import { CheckField } from '@/ui/CheckField';
import { Disclosure } from '@/ui/Disclosure';
import { Soft } from '@/ui/layout';
import { useOpenCard } from '../shell/card/use-open-card';
import { useNotify } from '../shell/notices/notices';

/** Says that parts of the machine are new: what was found out of the old ones no longer counts. */
export function NewParts({ card }: { readonly card: JobCard }) {
  const { run } = useOpenCard();
  const notify = useNotify();
  const [parts, setParts] = useState<readonly MachinePart[]>([]);
  const forget = () => {
    const { machine, drives, machineTest, decodeTests, lessons } = card;
    if (!run({ type: 'changeParts', input: { parts } }).ok) return;
    setParts([]);
    notify({
      kind: 'info',
      text: 'What was found out of the old parts no longer counts. Measure again.',
      action: {
        label: 'Undo',
        run: () => run({ type: 'restoreMachine', input: { machine, drives, machineTest, decodeTests, lessons } }),
      },
    });
  };
  return (
    <Disclosure label="Something was changed in it">
      {machineParts.map((part) => (
        <CheckField
          key={part}
          isSelected={parts.includes(part)}
          onChange={(isNew) => setParts(isNew ? [...parts, part] : parts.filter((old) => old !== part))}
        >
          {machinePartTexts[part].label}: <Soft>{machinePartTexts[part].what}</Soft>
        </CheckField>
      ))}
      <Button isDisabled={parts.length === 0} onPress={forget}>
        These are new
      </Button>
      {card.readings.length > 0 && (
        <Soft as="p">
          Readings on this card are of the machine as it was: start a new card for it as it is now. A part that is to
          cure this lag is among the fixes, where what it brings is measured.
        </Soft>
      )}
    </Disclosure>
  );
}

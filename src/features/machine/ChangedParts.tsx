'use client';

import type { JobCard } from '@/core/card';
import type { PartChange } from '@/core/machine';
import { describePartChange } from '@/messages/machine';
import { Button } from '@/ui/Button';
import { Note } from '@/ui/Note';
import { useOpenCard } from '../shell/card/use-open-card';

interface ChangedPartsProps {
  readonly card: JobCard;
  readonly changes: readonly PartChange[];
  readonly onTaken: () => void;
}

/** Parts that were read as others than they were known to be; what was typed stays until it is taken over here. */
export function ChangedParts({ card, changes, onTaken }: ChangedPartsProps) {
  const { run } = useOpenCard();
  if (changes.length === 0) return null;
  const kept = changes.filter(
    ({ key }) => card.machine[key].source === 'typed' || card.machine[key].source === 'imported',
  );
  const takeOver = () => {
    const facts = Object.fromEntries(kept.map(({ key, now }) => [key, { value: now, source: 'read' }]));
    if (run({ type: 'setMachine', input: { facts } }).ok) onTaken();
  };
  return (
    <Note>
      Something was changed, or was not as stated. {changes.map(describePartChange).join(' ')}
      {card.readings.length > 0 && ' Readings from before are of the machine as it was.'}{' '}
      {kept.length > 0 && (
        <Button variant="quiet" onPress={takeOver}>
          Take over what was read
        </Button>
      )}
    </Note>
  );
}

'use client';

import { useMemo, useState } from 'react';
import type { Belief } from '@/core/belief';
import { type FixUse, fixesInForce, type JobCard, type WorkingSet } from '@/core/card';
import { fixCatalogue, isSwitchable } from '@/core/fixes';
import { fixTitle } from '@/messages/fix-titles';
import { Button } from '@/ui/Button';
import { CheckField } from '@/ui/CheckField';
import { Row, Soft, Spaced, Stack } from '@/ui/layout';
import { TextField } from '@/ui/TextField';
import { useOpenCard } from '../shell/card/use-open-card';

/**
 * Preview fixes that can be made here: as the set has them, else at the level in force, else at the one that is meant
 * where none is given.
 */
function listChoices(card: JobCard, posterior: Belief, ofSet: readonly FixUse[]): readonly FixUse[] {
  const inForce = fixesInForce(card);
  return fixCatalogue
    .filter(({ id }) => isSwitchable(id) && !card.editorProfile.lacks.includes(id))
    .flatMap((fix) => {
      const held = [...ofSet, ...inForce].find(({ id }) => id === fix.id);
      if (held) return [held];
      const levels = fix.levelsFor(posterior.base);
      const level = levels.find((each) => each === fix.defaultLevel) ?? levels[0];
      return level === undefined ? [] : [{ id: fix.id, level }];
    });
}

interface SetFormProps {
  readonly card: JobCard;
  readonly posterior: Belief;
  /** The set as it stands: an empty one for a new set. */
  readonly set: WorkingSet;
  readonly saveLabel: string;
  readonly onSaved: () => void;
  readonly onCancel: (() => void) | null;
}

/** The name of a working set, and the preview fixes that belong to it. */
export function SetForm({ card, posterior, set, saveLabel, onSaved, onCancel }: SetFormProps) {
  const { run } = useOpenCard();
  const [name, setName] = useState(set.name);
  const [chosen, setChosen] = useState(set.fixes);
  const choices = useMemo(() => listChoices(card, posterior, set.fixes), [card, posterior, set.fixes]);
  const save = () => {
    if (run({ type: 'saveWorkingSet', input: { set: { ...set, name, fixes: chosen } } }).ok) onSaved();
  };
  return (
    <Stack $gapPx={10} $abovePx={8}>
      <Spaced $mostPx={320}>
        <TextField
          label="Name of the set"
          value={name}
          onCommit={(typed) => {
            setName(typed.slice(0, 60));
            return true;
          }}
        />
      </Spaced>
      <div>
        {choices.map((fix) => (
          <CheckField
            key={fix.id}
            isSelected={chosen.some(({ id }) => id === fix.id)}
            onChange={(isOn) => setChosen((now) => [...now.filter(({ id }) => id !== fix.id), ...(isOn ? [fix] : [])])}
          >
            {fixTitle(fix.id, fix.level)}
          </CheckField>
        ))}
        {choices.length === 0 && <Soft>No preview fix can be made on this card.</Soft>}
      </div>
      <Row>
        <Button variant={onCancel ? 'primary' : 'plain'} onPress={save} isDisabled={name.trim() === ''}>
          {saveLabel}
        </Button>
        {onCancel && (
          <Button variant="quiet" onPress={onCancel}>
            Leave it as it was
          </Button>
        )}
      </Row>
    </Stack>
  );
}

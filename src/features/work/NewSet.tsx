'use client';

import { useMemo, useState } from 'react';
import type { Belief } from '@/core/belief';
import { type FixUse, fixesInForce, type JobCard } from '@/core/card';
import { applyFixes, fixCatalogue, isSwitchable } from '@/core/fixes';
import { fixTitle } from '@/messages/fix-titles';
import { Button } from '@/ui/Button';
import { CheckField } from '@/ui/CheckField';
import { Disclosure } from '@/ui/Disclosure';
import { Row, Soft, Stack } from '@/ui/layout';
import { TextField } from '@/ui/TextField';
import { useOpenCard } from '../shell/use-open-card';

/** Preview fixes that can be made here, at the level in force or the one that is meant where none is given. */
function listChoices(card: JobCard, sketch: Belief): readonly FixUse[] {
  const inForce = fixesInForce(card);
  const state = applyFixes(sketch.base, []);
  return fixCatalogue
    .filter(({ id }) => isSwitchable(id) && !card.editorProfile.lacks.includes(id))
    .flatMap((fix) => {
      const held = inForce.find(({ id }) => id === fix.id);
      if (held) return [held];
      const levels = fix.levelsFor(state);
      const level = levels.find((each) => each === fix.defaultLevel) ?? levels[0];
      return level === undefined ? [] : [{ id: fix.id, level }];
    });
}

/** A working set of one's own: a name and the preview fixes that belong to it. */
export function NewSet({ card, sketch }: { readonly card: JobCard; readonly sketch: Belief }) {
  const { run } = useOpenCard();
  const [name, setName] = useState('');
  const [chosen, setChosen] = useState<readonly FixUse[]>([]);
  const choices = useMemo(() => listChoices(card, sketch), [card, sketch]);
  const add = () => {
    if (!run({ type: 'saveWorkingSet', input: { set: { id: crypto.randomUUID(), name, fixes: chosen } } }).ok) return;
    setName('');
    setChosen([]);
  };
  return (
    <Disclosure label="A set of your own">
      <Stack $gapPx={10} style={{ paddingTop: 8 }}>
        <div style={{ maxWidth: 320 }}>
          <TextField
            label="Name of the set"
            value={name}
            onCommit={(typed) => {
              setName(typed.slice(0, 60));
              return true;
            }}
          />
        </div>
        <div>
          {choices.map((fix) => (
            <CheckField
              key={fix.id}
              isSelected={chosen.some(({ id }) => id === fix.id)}
              onChange={(isOn) =>
                setChosen((now) => [...now.filter(({ id }) => id !== fix.id), ...(isOn ? [fix] : [])])
              }
            >
              {fixTitle(fix.id, fix.level)}
            </CheckField>
          ))}
          {choices.length === 0 && <Soft>No preview fix can be made on this card.</Soft>}
        </div>
        <Row>
          <Button onPress={add} isDisabled={name.trim() === ''}>
            Add this set
          </Button>
        </Row>
      </Stack>
    </Disclosure>
  );
}

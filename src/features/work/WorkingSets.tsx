'use client';

import { useMemo, useState } from 'react';
import styled from 'styled-components';
import type { JobCard, WorkingSet } from '@/core/card';
import { type Diagnosis, suggestSets, workingSetKinds } from '@/core/diagnose';
import { workingSetTexts } from '@/messages/working';
import { Sheet } from '@/ui/Sheet';
import { useOpenCard } from '../shell/card/use-open-card';
import { useNotify } from '../shell/notices/notices';
import { NewSet } from './NewSet';
import { SetBox, SetCard } from './SetCard';
import { SetForm } from './SetForm';

const Grid = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 220px), 1fr));
  gap: 12px;
  margin-bottom: 12px;
`;

/** Named groups of preview fixes, because people move to and fro all day. */
export function WorkingSets({ card, diagnosis }: { readonly card: JobCard; readonly diagnosis: Diagnosis }) {
  const { run } = useOpenCard();
  const notify = useNotify();
  const [changedId, setChangedId] = useState<string | null>(null);
  const suggested = useMemo(() => suggestSets(card, diagnosis.plans), [card, diagnosis]);
  const shipped = workingSetKinds.map((kind): WorkingSet => {
    // One that is in use stays as it was when it was switched to.
    const used = card.workingSets.find(({ id }) => id === kind && id === card.workingSetId);
    return used ?? { id: kind, name: workingSetTexts[kind].label, fixes: suggested[kind] };
  });
  const own = card.workingSets.filter(({ id }) => !workingSetKinds.some((kind) => kind === id));
  const use = (set: WorkingSet) => {
    if (!run({ type: 'saveWorkingSet', input: { set } }).ok) return;
    run({ type: 'useWorkingSet', input: { id: set.id } });
  };
  const remove = (set: WorkingSet) => {
    if (!run({ type: 'removeWorkingSet', input: { id: set.id } }).ok) return;
    notify({
      kind: 'info',
      text: `Deleted the set “${set.name}”.`,
      action: { label: 'Undo', run: () => run({ type: 'saveWorkingSet', input: { set } }) },
    });
  };
  const tellChanged = (before: WorkingSet) => {
    setChangedId(null);
    notify({
      kind: 'info',
      text: `Changed the set “${before.name}”.`,
      action: { label: 'Undo', run: () => run({ type: 'saveWorkingSet', input: { set: before } }) },
    });
  };
  const form = (set: WorkingSet) => (
    <SetBox key={set.id} aria-label={`Change ${set.name}`}>
      <SetForm
        card={card}
        posterior={diagnosis.posterior}
        set={set}
        saveLabel="Save the set"
        onSaved={() => tellChanged(set)}
        onCancel={() => setChangedId(null)}
      />
    </SetBox>
  );
  const show = (set: WorkingSet, what: string, isOwn: boolean) => (
    <SetCard
      key={set.id}
      card={card}
      posterior={diagnosis.posterior}
      set={set}
      what={what}
      onUse={() => use(set)}
      onLeave={() => run({ type: 'useWorkingSet', input: { id: null } })}
      own={isOwn ? { onChange: () => setChangedId(set.id), onDelete: () => remove(set) } : null}
    />
  );
  return (
    <Sheet title="Working sets" aside="switch in the editor, then say so here">
      <Grid>
        {workingSetKinds.map((kind, i) => {
          const set = shipped[i];
          return set ? show(set, workingSetTexts[kind].what, false) : null;
        })}
        {own.map((set) =>
          set.id === changedId && set.id !== card.workingSetId ? form(set) : show(set, 'your own', true),
        )}
      </Grid>
      <NewSet card={card} posterior={diagnosis.posterior} />
    </Sheet>
  );
}

'use client';

import { useState } from 'react';
import type { Belief } from '@/core/belief';
import type { JobCard, WorkingSet } from '@/core/card';
import { Disclosure } from '@/ui/Disclosure';
import { SetForm } from './SetForm';

const emptySet = (): WorkingSet => ({ id: crypto.randomUUID(), name: '', fixes: [] });

/** A working set of one's own: after it is added, the form is empty for the next. */
export function NewSet({ card, posterior }: { readonly card: JobCard; readonly posterior: Belief }) {
  const [set, setSet] = useState(emptySet);
  return (
    <Disclosure label="A set of your own">
      <SetForm
        key={set.id}
        card={card}
        posterior={posterior}
        set={set}
        saveLabel="Add this set"
        onSaved={() => setSet(emptySet())}
        onCancel={null}
      />
    </Disclosure>
  );
}

'use client';

import { useMemo } from 'react';
import type { JobCard } from '@/core/card';
import { type Diagnosis, findRoomLeft } from '@/core/diagnose';
import { describeRoom } from '@/messages/working';
import { Note } from '@/ui/Note';
import { useDiagnosis } from '../shell/answer/diagnosis-context';
import { useOpenCard } from '../shell/card/use-open-card';
import { SheetBoundary } from '../shell/frame/SheetBoundary';
import { ToolPage } from '../shell/frame/ToolPage';
import { FixPicker } from './FixPicker';
import { Presets } from './Presets';
import { PreviewTable } from './PreviewTable';
import { SetResult } from './SetResult';
import { useWhatIfSet } from './use-what-if-set';

function WhatIfSheets({ card, diagnosis }: { readonly card: JobCard; readonly diagnosis: Diagnosis }) {
  const { posterior, plans, targetFps } = diagnosis;
  const set = useWhatIfSet(card, posterior);
  const room = useMemo(() => findRoomLeft(posterior, set.chosen), [posterior, set.chosen]);
  return (
    <>
      <Presets plans={plans} set={set} />
      <SheetBoundary title="With the set below">
        <SetResult card={card} set={set} targetFps={targetFps} />
      </SheetBoundary>
      {room && <Note>{describeRoom(room)}</Note>}
      <SheetBoundary title="The preview’s picture">
        <PreviewTable posterior={posterior} set={set} />
      </SheetBoundary>
      <SheetBoundary title="Fixes in the set">
        <FixPicker card={card} posterior={posterior} set={set} />
      </SheetBoundary>
    </>
  );
}

/** Any set of fixes at once: what it would bring and cost, without touching the card. */
export function WhatIfTool() {
  const { card } = useOpenCard();
  const { diagnosis, status } = useDiagnosis();
  return (
    <ToolPage title="What if" lead="Any set of fixes at once: what it would bring, and what it would cost you.">
      {diagnosis ? (
        <WhatIfSheets card={card} diagnosis={diagnosis} />
      ) : (
        <Note kind={status === 'failed' ? 'alarm' : 'info'}>
          {status === 'failed'
            ? 'Weighing the causes broke off, so nothing can be asked of them. Load the page again.'
            : 'Weighing the causes first…'}
        </Note>
      )}
    </ToolPage>
  );
}

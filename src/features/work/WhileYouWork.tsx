'use client';

import { Note } from '@/ui/Note';
import { useDiagnosis } from '../shell/answer/diagnosis-context';
import { useOpenCard } from '../shell/card/use-open-card';
import { SheetBoundary } from '../shell/frame/SheetBoundary';
import { ToolPage } from '../shell/frame/ToolPage';
import { WaysOfWorking } from './WaysOfWorking';
import { WorkingSets } from './WorkingSets';

/** For the days of editing: what to switch to and fro, and what keeps the project light. */
export function WhileYouWork() {
  const { card } = useOpenCard();
  const { diagnosis, status } = useDiagnosis();
  return (
    <ToolPage
      title="While you work"
      lead="Cut light, look closely now and then, and keep the project from growing heavy."
    >
      {diagnosis ? (
        <>
          <SheetBoundary title="Working sets">
            <WorkingSets card={card} diagnosis={diagnosis} />
          </SheetBoundary>
          <SheetBoundary title="A way of working that stays light">
            <WaysOfWorking card={card} diagnosis={diagnosis} />
          </SheetBoundary>
        </>
      ) : (
        <Note kind={status === 'failed' ? 'alarm' : 'info'}>
          {status === 'failed'
            ? 'Weighing the causes broke off, so nothing can be expected of a set. Load the page again.'
            : 'Weighing the causes first…'}
        </Note>
      )}
    </ToolPage>
  );
}

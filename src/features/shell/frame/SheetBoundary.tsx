'use client';

import type { ReactNode } from 'react';
import { ErrorBoundary } from 'react-error-boundary';
import { describeBreak } from '@/messages/breaks';
import { Button } from '@/ui/Button';
import { Row } from '@/ui/layout';
import { Note } from '@/ui/Note';
import { Sheet } from '@/ui/Sheet';
import { useExportCard } from '../card/use-export-card';
import { useOpenCard } from '../card/use-open-card';

/** A sheet that may break by itself: the others go on, and nothing of the card is lost. */
export function SheetBoundary({ title, children }: { readonly title: string; readonly children: ReactNode }) {
  const { card } = useOpenCard();
  const exportCard = useExportCard();
  return (
    <ErrorBoundary
      resetKeys={[card]}
      fallbackRender={({ error, resetErrorBoundary }) => (
        <Sheet title={title}>
          <Note kind="alarm">
            <p>{describeBreak('sheet', error)}</p>
            <Row>
              <Button onPress={resetErrorBoundary}>Try it again</Button>
              <Button onPress={() => exportCard(card)}>Export card</Button>
            </Row>
          </Note>
        </Sheet>
      )}
    >
      {children}
    </ErrorBoundary>
  );
}

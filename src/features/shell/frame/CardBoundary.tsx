'use client';

import type { ReactNode } from 'react';
import { ErrorBoundary } from 'react-error-boundary';
import type { JobCard } from '@/core/card';
import { describeBreak } from '@/messages/breaks';
import { Button } from '@/ui/Button';
import { LinkButton } from '@/ui/LinkButton';
import { Row } from '@/ui/layout';
import { Note } from '@/ui/Note';
import { useExportCard } from '../card/use-export-card';

interface CardBoundaryProps {
  readonly card: JobCard;
  /** The page that is shown: another one is drawn afresh. */
  readonly page: string;
  readonly children: ReactNode;
}

/** What is shown of a card where a whole page of it breaks: what happened, the card to take away, and the way on. */
export function CardBoundary({ card, page, children }: CardBoundaryProps) {
  const exportCard = useExportCard();
  return (
    <ErrorBoundary
      resetKeys={[page]}
      fallbackRender={({ error, resetErrorBoundary }) => (
        <Note kind="alarm">
          <p>{describeBreak('page', error)}</p>
          <Row>
            <Button variant="primary" onPress={resetErrorBoundary}>
              Try it again
            </Button>
            <Button onPress={() => exportCard(card)}>Export card</Button>
            <LinkButton href="/">To the job cards</LinkButton>
          </Row>
        </Note>
      )}
    >
      {children}
    </ErrorBoundary>
  );
}

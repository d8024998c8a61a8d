'use client';

import type { ReactNode } from 'react';
import type { JobCard } from '@/core/card';
import { describeBreak } from '@/messages/breaks';
import { Button } from '@/ui/Button';
import { LinkButton } from '@/ui/LinkButton';
import { Row } from '@/ui/layout';
import { Note } from '@/ui/Note';
import { useExportCard } from '../card/use-export-card';
import { Boundary } from './Boundary';

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
    <Boundary
      resetKey={page}
      fallback={(error, onRetry) => (
        <Note kind="alarm">
          <p>{describeBreak('page', error)}</p>
          <Row>
            <Button look="primary" onPress={onRetry}>
              Try it again
            </Button>
            <Button onPress={() => exportCard(card)}>Export card</Button>
            <LinkButton href="/">To the job cards</LinkButton>
          </Row>
        </Note>
      )}
    >
      {children}
    </Boundary>
  );
}

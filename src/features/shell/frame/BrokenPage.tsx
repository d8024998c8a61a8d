'use client';

import { describeBreak } from '@/messages/breaks';
import { Button } from '@/ui/Button';
import { LonePage, Row } from '@/ui/layout';

/** A page that could not be shown at all: what happened, what was kept, and the way on. It needs nothing but itself. */
export function BrokenPage({ error, onRetry }: { readonly error: unknown; readonly onRetry: () => void }) {
  return (
    <LonePage>
      <h1>Something broke</h1>
      <p role="alert">{describeBreak('all', error)}</p>
      <Row>
        <Button variant="primary" onPress={onRetry}>
          Try it again
        </Button>
        <a href="/">To the job cards</a>
      </Row>
    </LonePage>
  );
}

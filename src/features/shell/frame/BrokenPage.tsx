'use client';

import styled from 'styled-components';
import { describeBreak } from '@/messages/breaks';
import { Button } from '@/ui/Button';
import { Row } from '@/ui/layout';

const Main = styled.main`
  max-width: 620px;
  margin: 80px auto;
  padding: 0 20px;
  h1 { font-size: 28px; margin-bottom: 8px; }
  p { margin-bottom: 16px; }
`;

/** A page that could not be shown at all: what happened, what was kept, and the way on. It needs nothing but itself. */
export function BrokenPage({ error, onRetry }: { readonly error: unknown; readonly onRetry: () => void }) {
  return (
    <Main>
      <h1>Something broke</h1>
      <p role="alert">{describeBreak('all', error)}</p>
      <Row>
        <Button variant="primary" onPress={onRetry}>
          Try it again
        </Button>
        <a href="/">To the job cards</a>
      </Row>
    </Main>
  );
}

'use client';

import { Square } from 'lucide-react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { Row } from '@/ui/layout';
import type { FootageState } from './footage-state';

const Box = styled.div`
  margin-bottom: 12px;
  [role='status'] { min-width: 0; flex: 1; overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
`;

/** How far the reading of dropped files has come, and the way to stop it. */
export function ReadingProgress({ state, onStop }: { readonly state: FootageState; readonly onStop: () => void }) {
  if (state.status !== 'running') return null;
  return (
    <Box>
      <Row $isOneLine>
        <span role="status">
          Reading {Math.min(state.doneCount + 1, state.fileCount)} of {state.fileCount}: {state.current}
        </span>
        <Button onPress={onStop}>
          <Square size={16} aria-hidden="true" /> Stop
        </Button>
      </Row>
      <progress aria-label="Files read" max={state.fileCount} value={state.doneCount} />
    </Box>
  );
}

'use client';

import { FilePlus2, Square } from 'lucide-react';
import { useMemo, useRef, useState } from 'react';
import styled from 'styled-components';
import { listClipCosts } from '@/core/diagnose';
import { describeFootageFailure } from '@/messages/footage';
import { formatWait } from '@/messages/format';
import { Button } from '@/ui/Button';
import { Row } from '@/ui/layout';
import { Note } from '@/ui/Note';
import { Sheet } from '@/ui/Sheet';
import { colour } from '@/ui/tokens';
import { StepPage } from '../shell/StepPage';
import { useOpenCard } from '../shell/use-open-card';
import { ClipTable } from './ClipTable';
import type { NotTaken } from './footage-state';
import { useFootageState } from './use-footage-state';

const Zone = styled.div`
  padding: 26px 20px;
  margin-bottom: 12px;
  text-align: center;
  border: 2px dashed ${colour.edge};
  border-radius: 8px;
  p { margin-bottom: 12px; color: ${colour.inkSoft}; }
  &[data-full] { padding: 10px 16px; text-align: left; > div { justify-content: space-between; } p { margin: 0; } }
`;
const DropArea = styled.div`
  &[data-over] ${Zone} { border-color: ${colour.enamel}; background: ${colour.inset}; }
`;
const Progress = styled.div`
  margin-bottom: 12px;
  progress { width: 100%; height: 10px; accent-color: ${colour.oil}; }
`;

const describeNotTaken = (reason: NotTaken): string =>
  reason.code === 'already-there'
    ? 'A file of this name and size is on the card already.'
    : describeFootageFailure(reason);

/** The footage step: drop files anywhere on it, see what they are and what they cost here. */
export function Footage() {
  const { card } = useOpenCard();
  const { state, addFiles, stop, dismiss, removeClip } = useFootageState();
  const [isOver, setIsOver] = useState(false);
  const fileInput = useRef<HTMLInputElement>(null);
  const costs = useMemo(() => listClipCosts(card), [card]);
  const heaviest = [...costs].filter((row) => row.isOverBudget).sort((a, b) => b.rankingMs - a.rankingMs);
  const nameOf = (clipId: string): string => card.clips.find((clip) => clip.id === clipId)?.facts.fileName ?? '';
  const isFull = card.clips.length > 0;

  return (
    <DropArea
      data-over={isOver || undefined}
      onDragOver={(event) => {
        event.preventDefault();
        setIsOver(true);
      }}
      onDragLeave={() => setIsOver(false)}
      onDrop={(event) => {
        event.preventDefault();
        setIsOver(false);
        addFiles([...event.dataTransfer.files]);
      }}
    >
      <StepPage stepId="footage">
        <Zone data-full={isFull || undefined}>
          <input
            ref={fileInput}
            type="file"
            accept="video/*,.mkv,.mts,.mov"
            multiple
            hidden
            aria-label="Choose video files"
            onChange={(event) => {
              addFiles([...(event.target.files ?? [])]);
              event.target.value = '';
            }}
          />
          <Row style={{ justifyContent: isFull ? 'space-between' : 'center' }}>
            <p>
              {isFull
                ? 'Drop more files anywhere on this page.'
                : 'Drop the clips of this project anywhere on this page: MP4, MOV, MKV, WebM or TS.'}
            </p>
            <Button look={isFull ? 'plain' : 'primary'} onPress={() => fileInput.current?.click()}>
              <FilePlus2 size={18} aria-hidden="true" /> Choose files
            </Button>
          </Row>
        </Zone>
        {state.status === 'running' && (
          <Progress>
            <Row style={{ justifyContent: 'space-between' }}>
              <span role="status">
                Reading {state.current}, {state.doneCount + 1} of {state.fileCount}
              </span>
              <Button onPress={stop}>
                <Square size={16} aria-hidden="true" /> Stop
              </Button>
            </Row>
            <progress aria-label="Files read" max={state.fileCount} value={state.doneCount} />
          </Progress>
        )}
        {state.notTaken.length > 0 && (
          <Note kind="alarm">
            <ul>
              {state.notTaken.map((file, i) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: the list only grows at its end
                <li key={i}>
                  <b>{file.fileName}</b>: {describeNotTaken(file.reason)}
                </li>
              ))}
            </ul>
            <Button look="quiet" onPress={dismiss}>
              Understood
            </Button>
          </Note>
        )}
        {isFull && (
          <Sheet
            title="Clips"
            aside={
              heaviest.length > 0
                ? `${heaviest.length} of ${card.clips.length} over the budget`
                : 'all within the budget'
            }
          >
            {heaviest.length > 0 && (
              <p style={{ marginBottom: 10 }}>
                Heaviest here:{' '}
                {heaviest.slice(0, 3).map((row, i) => (
                  <span key={row.clipId}>
                    {i > 0 && ', '}
                    <b>{nameOf(row.clipId)}</b>
                  </span>
                ))}
                . A jump into the first takes about {formatWait(heaviest[0]?.scrubMs ?? 0)}.
              </p>
            )}
            <ClipTable clips={card.clips} costs={costs} onRemove={removeClip} />
          </Sheet>
        )}
      </StepPage>
    </DropArea>
  );
}

'use client';

import { useEffect, useState } from 'react';
import styled from 'styled-components';
import { keptState } from '@/core/diagnose';
import { describeMeterFailure } from '@/messages/meter';
import { Note } from '@/ui/Note';
import { Sheet } from '@/ui/Sheet';
import { colour } from '@/ui/tokens';
import { ReadingList } from '../readings/ReadingList';
import { useOpenCard } from '../shell/use-open-card';
import { MeterResultSheet } from './MeterResultSheet';
import { type Chosen, RecordingSheet } from './RecordingSheet';
import { useRecording } from './use-recording';

const Head = styled.div`
  margin-bottom: 14px;
  h1 { font-size: 28px; }
  p { margin-top: 2px; color: ${colour.inkSoft}; }
`;

const DropArea = styled.div`
  min-height: calc(100vh - 120px);
`;

const everything: Chosen = { fromSec: null, toSec: null, part: null };

/** Measures what a preview really shows, from a recording of the screen. */
export function LagMeter() {
  const { card } = useOpenCard();
  const { state, measure, stop, clear } = useRecording();
  const [file, setFile] = useState<File | null>(null);
  const [chosen, setChosen] = useState<Chosen>(everything);
  const [isOver, setOver] = useState(false);
  const clipFps = keptState(card).setup.targetFps;
  useEffect(() => {
    document.title = `Lag meter · ${card.title} · Oil Can`;
  }, [card.title]);
  const begin = (recording: File, { fromSec, toSec, part }: Chosen) =>
    measure(recording, {
      region: part,
      clipFps,
      fromMs: (fromSec ?? 0) * 1000,
      toMs: toSec === null ? null : toSec * 1000,
    });
  const take = (recording: File) => {
    setFile(recording);
    setChosen(everything);
    begin(recording, everything);
  };
  const failure =
    state.status === 'failed'
      ? state.failure
      : state.status === 'done' && !state.measured.reading.result.ok
        ? state.measured.reading.result.failure
        : null;
  const result =
    state.status === 'done' && state.measured.reading.result.ok ? state.measured.reading.result.value : null;
  return (
    <DropArea
      data-over={isOver || undefined}
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(event) => {
        event.preventDefault();
        setOver(false);
        const [dropped] = event.dataTransfer.files;
        if (dropped) take(dropped);
      }}
    >
      <Head>
        <h1>Lag meter</h1>
        <p>Counts the new pictures that a preview really shows, from a recording of the screen.</p>
      </Head>
      {failure && (
        <Note kind={failure.code === 'recording-stopped' ? 'info' : 'alarm'}>
          <p>{describeMeterFailure(failure)}</p>
        </Note>
      )}
      {result && (
        <MeterResultSheet
          result={result}
          onKept={() => {
            clear();
            setFile(null);
          }}
        />
      )}
      <RecordingSheet
        file={file}
        state={state}
        chosen={chosen}
        onFile={take}
        onChoose={(patch) => setChosen((current) => ({ ...current, ...patch }))}
        onMeasure={() => file && begin(file, chosen)}
        onStop={stop}
      />
      {card.readings.length > 0 && (
        <Sheet title="Readings on this card">
          <ReadingList />
        </Sheet>
      )}
    </DropArea>
  );
}

'use client';

import { useEffect, useState } from 'react';
import styled from 'styled-components';
import { canShareWindow } from '@/adapters/browser/share-window';
import type { MeasuredReading, Reading, TappedReading } from '@/core/card';
import { keptState } from '@/core/diagnose';
import type { MeterReading } from '@/core/meter';
import { hasPracticeMachine } from '@/demo/practice-cards';
import { describeMeterFailure } from '@/messages/meter';
import { Button } from '@/ui/Button';
import { DropArea } from '@/ui/DropArea';
import { Row, Soft } from '@/ui/layout';
import { Note } from '@/ui/Note';
import { SegmentedField } from '@/ui/SegmentedField';
import { Sheet } from '@/ui/Sheet';
import { colour } from '@/ui/tokens';
import { PracticeReading } from '../readings/PracticeReading';
import { ReadingForm } from '../readings/ReadingForm';
import { ReadingHistory } from '../readings/ReadingHistory';
import { RecorderNote } from '../readings/RecorderNote';
import { useOpenCard } from '../shell/card/use-open-card';
import { useHeadingFocus } from '../shell/frame/use-heading-focus';
import { MeterResultSheet } from './MeterResultSheet';
import { type Chosen, RecordingSheet } from './RecordingSheet';
import { type CaptureChoice, ShareSheet } from './ShareSheet';
import { TapResultSheet } from './TapResultSheet';
import { TapSheet } from './TapSheet';
import { useCapture } from './use-capture';
import { useRecording } from './use-recording';
import { useWatch, useWatchableFixes, type WatchedFix } from './use-watch';
import { WatchResultSheet } from './WatchResultSheet';

const Head = styled.div`
  margin-bottom: 14px;
  h1 { font-size: 28px; }
  p { margin: 2px 0 12px; color: ${colour.inkSoft}; }
`;

const ways = [
  { value: 'share' as const, label: 'Share the window' },
  { value: 'recording' as const, label: 'Drop a recording' },
  { value: 'tap' as const, label: 'Tap along' },
  { value: 'type' as const, label: 'Type it' },
];
type Way = (typeof ways)[number]['value'];

const everything: Chosen = { fromSec: null, toSec: null, region: null, isFilmed: false };
const playing = { doing: 'playing', lengthSec: 15, region: null } as const;
/** Time to go to the editor and press play. */
const countInMs = 4000;

/** A result on the screen: a measurement, with what it was taken from. */
interface Shown {
  readonly reading: MeterReading;
  readonly source: MeasuredReading['source'];
  readonly doing: Reading['doing'];
  readonly ownLoadRatio: number | null;
}

/** Measures what a preview really shows, in one of four ways, and compares. */
export function LagMeter() {
  const { card } = useOpenCard();
  const heading = useHeadingFocus();
  const recording = useRecording();
  const capture = useCapture();
  const [way, setWay] = useState<Way>('share');
  const [file, setFile] = useState<File | null>(null);
  const [chosen, setChosen] = useState<Chosen>(everything);
  const [chosenCapture, setChosenCapture] = useState<Omit<CaptureChoice, 'fix'>>(playing);
  /** Not chosen yet: what comes next on this card. */
  const [chosenFix, setChosenFix] = useState<WatchedFix | undefined>(undefined);
  const watchableFixes = useWatchableFixes(chosenCapture.doing === 'switching');
  const choice = { ...chosenCapture, fix: chosenFix === undefined ? (watchableFixes[0] ?? null) : chosenFix };
  /** What the person did while it was measured: the choice may be for the next time by now. */
  const [measured, setMeasured] = useState<Pick<CaptureChoice, 'doing' | 'fix'>>({ doing: 'playing', fix: null });
  const [tapped, setTapped] = useState<TappedReading | null>(null);
  const clipFps = keptState(card).setup.targetFps;
  const isWatched = measured.doing === 'switching';
  const watch = useWatch(capture, isWatched, clipFps, countInMs);
  useEffect(() => {
    document.title = `Lag meter · ${card.title} · Oil Can`;
  }, [card.title]);
  const begin = (of: File, { fromSec, toSec, region, isFilmed }: Chosen) =>
    recording.measure(of, {
      region,
      clipFps,
      isFilmed,
      fromMs: (fromSec ?? 0) * 1000,
      toMs: toSec === null ? null : toSec * 1000,
    });
  const take = (dropped: File) => {
    setWay('recording');
    setFile(dropped);
    // Whoever films does so again; the region and the span are another recording's.
    const all = { ...everything, isFilmed: chosen.isFilmed };
    setChosen(all);
    begin(dropped, all);
  };
  const beginFilmed = (of: File) => {
    const filmed = { ...chosen, isFilmed: true };
    setChosen(filmed);
    begin(of, filmed);
  };
  const measureShared = () => {
    setMeasured(choice);
    const { region, doing, lengthSec } = choice;
    if (doing === 'switching') watch.begin({ region, clipFps });
    else capture.measure({ region, clipFps, countInMs, lengthMs: lengthSec * 1000, isOpenEnded: false });
  };
  const { state } = way === 'share' ? capture : recording;
  const isAbout = way === 'share' || way === 'recording';
  const shown: Shown | null =
    way === 'share' && capture.state.status === 'done' && measured.doing !== 'switching'
      ? {
          reading: capture.state.value.reading,
          source: 'window',
          doing: measured.doing,
          ownLoadRatio: capture.state.value.ownLoadRatio,
        }
      : way === 'recording' && recording.state.status === 'done'
        ? { reading: recording.state.value.reading, source: 'recording', doing: 'playing', ownLoadRatio: null }
        : null;
  const failure =
    isAbout && state.status === 'failed'
      ? state.failure
      : shown && !shown.reading.result.ok
        ? shown.reading.result.failure
        : null;
  return (
    <DropArea
      isPage
      onDrop={({ dataTransfer }) => {
        const [dropped] = dataTransfer.files;
        if (dropped) take(dropped);
      }}
    >
      <Head>
        <h1 ref={heading} tabIndex={-1}>
          Lag meter
        </h1>
        <p>Counts the new pictures that your preview really shows, and tells whether a change helped.</p>
        <RecorderNote />
        <SegmentedField label="Take a reading" options={ways} value={way} onChange={setWay} />
        {hasPracticeMachine(card.id) && (
          <Row $abovePx={12}>
            <Soft>This demo has a machine of its own:</Soft>
            <PracticeReading />
          </Row>
        )}
      </Head>
      {failure && (
        <Note kind={failure.code === 'recording-stopped' || failure.code === 'capture-stopped' ? 'info' : 'alarm'}>
          <p>{describeMeterFailure(failure)}</p>
        </Note>
      )}
      {shown?.reading.result.ok && (
        <MeterResultSheet
          key={`${shown.source} ${shown.reading.result.value.shownFps}`}
          result={shown.reading.result.value}
          source={shown.source}
          doing={shown.doing}
          ownLoadRatio={shown.ownLoadRatio}
          // The window stays shared, and the recording chosen: another stretch of it is another reading.
          onKept={shown.source === 'window' ? capture.clear : recording.clear}
          onFilmed={
            file && shown.source === 'recording' && shown.reading.result.value.reason === 'looks-filmed'
              ? () => beginFilmed(file)
              : undefined
          }
        />
      )}
      {way === 'share' && watch.outcome && (
        <WatchResultSheet outcome={watch.outcome} fix={measured.fix} onAgain={measureShared} />
      )}
      {way === 'share' && !canShareWindow() && (
        <Sheet title="Share the editor’s window" aside="not in this browser">
          <p>{describeMeterFailure({ code: 'capture-unsupported' })}</p>
          <Row $abovePx={12}>
            <Button variant="primary" onPress={() => setWay('recording')}>
              Drop a recording
            </Button>
            <Button onPress={() => setWay('tap')}>Tap along</Button>
            <Button onPress={() => setWay('type')}>Type it</Button>
          </Row>
        </Sheet>
      )}
      {way === 'share' && canShareWindow() && (
        <ShareSheet
          capture={capture}
          choice={choice}
          onChoose={({ fix, ...patch }) => {
            if (fix !== undefined) setChosenFix(fix);
            setChosenCapture((current) => ({ ...current, ...patch }));
          }}
          onMeasure={measureShared}
          watchableFixes={watchableFixes}
          watch={isWatched ? watch : null}
          targetFps={clipFps}
        />
      )}
      {way === 'recording' && (
        <RecordingSheet
          file={file}
          state={recording.state}
          chosen={chosen}
          onFile={take}
          onChoose={(patch) => setChosen((current) => ({ ...current, ...patch }))}
          onMeasure={() => file && begin(file, chosen)}
          onStop={recording.stop}
        />
      )}
      {way === 'tap' &&
        (tapped ? (
          <TapResultSheet tapped={tapped} onKept={() => setTapped(null)} />
        ) : (
          <TapSheet onTapped={setTapped} />
        ))}
      {way === 'type' && (
        <Sheet title="Type what you see" aside="what your editor shows, or how it feels">
          <ReadingForm />
        </Sheet>
      )}
      <ReadingHistory />
    </DropArea>
  );
}

'use client';

import { Play, Square, Trash2 } from 'lucide-react';
import { assertNever } from '@/core/assert-never';
import { type CardClip, isPlayable } from '@/core/card';
import type { VideoFacts } from '@/core/footage';
import { findNearestClip } from '@/core/test-play';
import { formatMoment } from '@/messages/format';
import { describeTestPlayFailure, describeTestPlayProgress } from '@/messages/test-play';
import { Button } from '@/ui/Button';
import { Row, Soft, Spaced } from '@/ui/layout';
import { Note } from '@/ui/Note';
import { Sheet } from '@/ui/Sheet';
import { useFilePicker } from '@/ui/use-file-picker';
import { useOpenCard } from '../shell/card/use-open-card';
import { useNotify } from '../shell/notices/notices';
import { findFile, rememberFile } from './session-files';
import { TestPlayResult } from './TestPlayResult';
import { useTestPlay } from './use-test-play';

interface TestPlayPanelProps {
  readonly clip: CardClip;
  readonly facts: VideoFacts;
  readonly onOpen: (clipId: string) => void;
}

/** Plays a clip for real: read, decoded here in hardware and in software, at full and smaller heights, then 20 jumps. */
export function TestPlayPanel({ clip, facts, onOpen }: TestPlayPanelProps) {
  const { card, run } = useOpenCard();
  const notify = useNotify();
  const { state, start, stop } = useTestPlay(clip, facts);
  const tests = card.decodeTests.filter((test) => test.clipId === clip.id);
  const newest = tests.at(-1);
  const isUnplayable = clip.browserAnswer?.hardware === 'codec-unknown';
  const isOnlyRead = newest?.runs.length === 0;
  const isTooSmall = state.status === 'failed' && state.failure.code === 'codec-not-decoded';
  const nearest =
    isUnplayable || isOnlyRead || isTooSmall ? findNearestClip(facts, card.clips.filter(isPlayable)) : null;
  const picker = useFilePicker({
    label: `Choose ${facts.fileName} to play it`,
    accept: 'video/*,.mkv,.mts,.mov',
    onFiles: ([file]) => {
      if (!file) return;
      rememberFile(clip.id, file);
      start(file);
    },
  });
  const begin = () => {
    const file = findFile(clip.id);
    if (file) start(file);
    else picker.open();
  };
  const remove = () => {
    if (!newest) return;
    const index = card.decodeTests.indexOf(newest);
    if (!run({ type: 'removeDecodeTest', input: { id: newest.id } }).ok) return;
    notify({
      kind: 'info',
      text: 'Deleted the test-play. The estimates are as if it had never been.',
      action: { label: 'Undo', run: () => run({ type: 'addDecodeTest', input: { test: newest, index } }) },
    });
  };
  return (
    <Sheet title="Test-play" aside={newest ? formatMoment(newest.takenAtMs) : 'not played yet'}>
      {picker.input}
      {state.status === 'running' && (
        <div>
          <Row $isSpread $isOneLine>
            <span role="status">{describeTestPlayProgress(state.progress ?? { phase: 'loading' })}</span>
            <Button onPress={stop}>
              <Square size={16} aria-hidden="true" /> Stop
            </Button>
          </Row>
          <progress aria-label="Test-play" max={1} value={shareOf(state.progress ?? { phase: 'loading' })} />
          <Soft>Other work on this computer lowers what is measured: leave it alone for these seconds.</Soft>
        </div>
      )}
      {state.status === 'failed' && (
        <Note kind={state.failure.code === 'test-stopped' ? 'info' : 'alarm'}>
          <p>{describeTestPlayFailure(state.failure)}</p>
        </Note>
      )}
      {newest && state.status !== 'running' && <TestPlayResult test={newest} />}
      {(isUnplayable || isOnlyRead) && state.status !== 'failed' && (
        <Spaced $abovePx={newest ? 12 : 0} $belowPx={newest ? 12 : 10}>
          <Note>
            <p>{describeTestPlayFailure({ code: 'codec-not-decoded', codec: facts.codec })}</p>
          </Note>
        </Spaced>
      )}
      {nearest && (
        <Row $belowPx={10}>
          <span>The clip most like it that can be played here:</span>
          <Button onPress={() => onOpen(nearest.id)}>{nearest.facts.fileName}</Button>
        </Row>
      )}
      {state.status !== 'running' && !isTooSmall && (
        <>
          {!newest && (
            <p>
              {isUnplayable
                ? 'Its file can still be read here, which measures the drive that it lies on.'
                : 'Reads pieces of this very file, decodes it for some seconds, then moves to 20 places in it. What is found is kept as a measurement of this machine, and the estimates follow.'}
            </p>
          )}
          <Row $abovePx={12}>
            <Button variant={newest ? 'plain' : 'primary'} onPress={begin}>
              <Play size={17} aria-hidden="true" /> {describeStart(isUnplayable || isOnlyRead, newest !== undefined)}
            </Button>
            {newest && (
              <Button variant="danger" onPress={remove}>
                <Trash2 size={17} aria-hidden="true" /> Delete this test
              </Button>
            )}
          </Row>
          {!findFile(clip.id) && (
            <Soft as="p" $abovePx={6}>
              You will be asked for the file: nothing of it is stored, so it is only at hand while this page stays open.
            </Soft>
          )}
        </>
      )}
    </Sheet>
  );
}

/** What the button that begins says. */
const describeStart = (canOnlyRead: boolean, isAgain: boolean): string => {
  if (canOnlyRead) return isAgain ? 'Read it again' : 'Read this clip';
  return isAgain ? 'Play it again' : 'Test-play this clip';
};

/** How much of a test-play is over, 0 to 1. Reading is the first tenth, runs take most of the time, jumps the last fifth. */
function shareOf(progress: Parameters<typeof describeTestPlayProgress>[0]): number {
  switch (progress.phase) {
    case 'loading':
      return 0;
    case 'reading':
      return (0.1 * progress.pieceIndex) / progress.pieceCount;
    case 'decoding':
      return 0.1 + (0.7 * progress.runIndex) / progress.runCount;
    case 'scrubbing':
      return 0.8 + (0.2 * progress.jumpIndex) / progress.jumpCount;
    default:
      return assertNever(progress);
  }
}

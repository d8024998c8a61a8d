'use client';

import { ArrowLeftRight, PictureInPicture2, Square, Undo2 } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import styled from 'styled-components';
import { type CaptureProgress, runningFps } from '@/core/meter';
import { formatFps, formatRate } from '@/messages/format';
import { describeSetup } from '@/messages/watch';
import { Button } from '@/ui/Button';
import { Row, Soft } from '@/ui/layout';
import { Note } from '@/ui/Note';
import { font } from '@/ui/tokens';
import { LoadBars } from '../programs/LoadBars';
import { useLiveLoad } from '../programs/use-live-load';
import { useProgramSampling } from '../programs/use-program-sampling';
import { usePadWindow } from '../shell/frame/use-pad-window';
import { listenToPad } from './listen-to-pad';
import { PadFrame } from './PadFrame';
import { RateStrip } from './RateStrip';
import type { WatchControls, WatchedFix } from './use-watch';

const Now = styled.p`
  font: 700 26px/1.2 ${font.heading};
  font-variant-numeric: tabular-nums;
`;

/** What to say of the rate just now; the last two seconds. */
function describeNow(progress: CaptureProgress | null): string {
  if (!progress) return 'Beginning';
  if (progress.phase === 'counting-in') return `Begins in ${Math.ceil(progress.leftMs / 1000)}`;
  if (progress.isQuiet) return 'Nothing new for two seconds';
  return progress.isRegionKnown ? `${formatRate(runningFps(progress))} a second` : 'Looking for the picture';
}

interface WatchPadProps {
  readonly pad: Window;
  readonly now: string;
  readonly setup: string;
  readonly onPress: (atMs: number) => void;
  readonly onEnd: () => void;
}

/** The small window in front of the editor: the rate, which set-up stands, and any key for a switch. */
function WatchPad({ pad, now, setup, onPress, onEnd }: WatchPadProps) {
  const press = useRef(onPress);
  press.current = onPress;
  useEffect(() => {
    const endListening = listenToPad(pad, (atMs) => press.current(atMs));
    pad.focus();
    return endListening;
  }, [pad]);
  return (
    <PadFrame pad={pad}>
      <b role="status">{now}</b>
      <p>{setup}</p>
      <p>Press any key here each time you have switched.</p>
      <Button variant="quiet" onPress={onEnd}>
        End and compare
      </Button>
    </PadFrame>
  );
}

/** Processor and memory by program beside the rate, where this computer can be looked at. */
function WatchedLoad() {
  const { at, sample } = useProgramSampling();
  const seen = useLiveLoad(sample, at === 'this-computer');
  return at === 'this-computer' && seen ? <LoadBars seen={seen} /> : null;
}

interface WatchViewProps {
  readonly watch: WatchControls;
  readonly progress: CaptureProgress | null;
  readonly fix: WatchedFix;
  readonly targetFps: number;
  readonly onEnd: () => void;
}

/** The rate as it is now, which set-up stands, and one press for each switch. */
export function WatchView({ watch, progress, fix, targetFps, onEnd }: WatchViewProps) {
  const { pad, open, close } = usePadWindow('Watching');
  const [isBlocked, setBlocked] = useState(false);
  const now = describeNow(progress);
  const setup = `${describeSetup(watch.setup, fix)}.`;
  const isMeasuring = progress?.phase === 'measuring';
  return (
    <>
      <Now role="status">{now}</Now>
      <p>
        {isMeasuring
          ? `${setup} Play on, switch the setting, and press each time you have switched.`
          : 'Go to your editor and press play on the stretch that lags, as it is now.'}
      </p>
      <RateStrip state={watch.state} targetFps={targetFps} />
      <Soft>The last minute. Tinted: with the change. Dashed: the {formatFps(targetFps)} a second that are meant.</Soft>
      {isBlocked && (
        <Note kind="alarm">
          <p>The browser opened no small window. Allow it for this page, or press here.</p>
        </Note>
      )}
      <Row $abovePx={12} $belowPx={10}>
        <Button
          variant="primary"
          isDisabled={!isMeasuring}
          onPress={() => watch.press(performance.timeOrigin + performance.now())}
        >
          <ArrowLeftRight size={17} aria-hidden="true" /> I have switched it
        </Button>
        <Button onPress={onEnd} isDisabled={!isMeasuring}>
          <Square size={16} aria-hidden="true" /> End and compare
        </Button>
        <Button variant="quiet" onPress={async () => (pad ? close() : setBlocked(!(await open())))}>
          <PictureInPicture2 size={16} aria-hidden="true" /> {pad ? 'Close the small window' : 'In a small window'}
        </Button>
        {watch.state.presses.length > 0 && (
          <Button variant="quiet" onPress={watch.takeBack}>
            <Undo2 size={16} aria-hidden="true" /> Take the last press back
          </Button>
        )}
      </Row>
      <WatchedLoad />
      {pad && <WatchPad pad={pad} now={now} setup={setup} onPress={watch.press} onEnd={onEnd} />}
    </>
  );
}

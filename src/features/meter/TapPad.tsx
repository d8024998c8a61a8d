'use client';

import { useEffect, useRef, useState } from 'react';
import type { Press } from '@/core/meter';
import { Button } from '@/ui/Button';
import { listenToPad } from './listen-to-pad';
import { PadFrame } from './PadFrame';
import { noTaps, reduceTaps, type TapAction } from './tap-state';

const countInMs = 3000;

interface TapPadProps {
  /** The small window that it is drawn into. */
  readonly pad: Window;
  readonly lengthMs: number;
  readonly onDone: (presses: readonly Press[]) => void;
  readonly onStop: () => void;
}

/** Counts in, then takes each press of any key or of the pad itself: short for a stutter, held for a freeze. */
export function TapPad({ pad, lengthMs, onDone, onStop }: TapPadProps) {
  const [nowMs, setNowMs] = useState(0);
  const [count, setCount] = useState(0);
  const [isDown, setDown] = useState(false);
  const done = useRef(onDone);
  done.current = onDone;
  useEffect(() => {
    const nowSince1970Ms = (): number => pad.performance.timeOrigin + pad.performance.now();
    const startMs = nowSince1970Ms();
    let taps = noTaps(lengthMs);
    const sinceStart = (atMs = nowSince1970Ms()): number => atMs - startMs - countInMs;
    const hear = (action: TapAction) => {
      taps = reduceTaps(taps, action);
      setDown(taps.downAtMs !== null);
      setCount(taps.presses.length);
    };
    // The small window's own clock: the page's is slowed while the page is hidden.
    const timer = pad.setInterval(() => {
      setNowMs(nowSince1970Ms() - startMs);
      if (sinceStart() < lengthMs) return;
      pad.clearInterval(timer);
      hear({ type: 'up', atMs: sinceStart() });
      done.current(taps.presses);
    }, 100);
    const endListening = listenToPad(
      pad,
      (atMs) => hear({ type: 'down', atMs: sinceStart(atMs) }),
      (atMs) => hear({ type: 'up', atMs: sinceStart(atMs) }),
    );
    pad.focus();
    return () => {
      pad.clearInterval(timer);
      endListening();
    };
  }, [pad, lengthMs]);
  const isCountingIn = nowMs < countInMs;
  const leftSec = Math.ceil((isCountingIn ? countInMs - nowMs : countInMs + lengthMs - nowMs) / 1000);
  return (
    <PadFrame pad={pad} isDown={isDown}>
      <b role="status">{isCountingIn ? `Begins in ${leftSec}` : `${count} so far`}</b>
      <p>
        {isCountingIn
          ? 'Press play in your editor, then press into this window.'
          : `Space at each stutter; hold it while the picture stands still. ${leftSec} s to go.`}
      </p>
      <Button variant="quiet" onPress={onStop}>
        Stop
      </Button>
    </PadFrame>
  );
}

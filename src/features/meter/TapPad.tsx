'use client';

import { useEffect, useRef, useState } from 'react';
import { createPortal } from 'react-dom';
import styled, { StyleSheetManager } from 'styled-components';
import type { Press } from '@/core/meter';
import { Button } from '@/ui/Button';
import { GlobalStyle } from '@/ui/GlobalStyle';
import { colour, font } from '@/ui/tokens';
import { noTaps, reduceTaps, type TapAction } from './tap-state';

const Pad = styled.main`
  display: grid;
  gap: 10px;
  align-content: center;
  justify-items: center;
  min-height: 100vh;
  padding: 14px;
  text-align: center;
  background: ${colour.paper};
  b { font: 700 34px/1.1 ${font.heading}; font-variant-numeric: tabular-nums; }
  &[data-down] { background: ${colour.oilWash}; }
`;

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
    const startMs = pad.performance.now();
    let taps = noTaps(lengthMs);
    const sinceStart = (atMs = pad.performance.now()): number => atMs - startMs - countInMs;
    const hear = (action: TapAction) => {
      taps = reduceTaps(taps, action);
      setDown(taps.downAtMs !== null);
      setCount(taps.presses.length);
    };
    // By when a key went down and up, not by when a busy machine came round to saying so.
    const press = ({ timeStamp }: Event) => hear({ type: 'down', atMs: sinceStart(timeStamp) });
    const release = ({ timeStamp }: Event) => hear({ type: 'up', atMs: sinceStart(timeStamp) });
    const isForPad = (event: Event): boolean => !(event.target as Element | null)?.closest?.('button');
    const keyDown = (event: KeyboardEvent) => {
      if (event.key === 'Tab' || event.key === 'Escape' || !isForPad(event)) return;
      event.preventDefault();
      if (!event.repeat) press(event);
    };
    const pointerDown = (event: PointerEvent) => isForPad(event) && press(event);
    // The small window's own clock: the page's is slowed while the page is hidden.
    const timer = pad.setInterval(() => {
      setNowMs(pad.performance.now() - startMs);
      if (sinceStart() < lengthMs) return;
      pad.clearInterval(timer);
      hear({ type: 'up', atMs: sinceStart() });
      done.current(taps.presses);
    }, 100);
    const { document: page } = pad;
    page.addEventListener('keydown', keyDown);
    page.addEventListener('keyup', release);
    page.addEventListener('pointerdown', pointerDown);
    page.addEventListener('pointerup', release);
    pad.focus();
    return () => {
      pad.clearInterval(timer);
      page.removeEventListener('keydown', keyDown);
      page.removeEventListener('keyup', release);
      page.removeEventListener('pointerdown', pointerDown);
      page.removeEventListener('pointerup', release);
    };
  }, [pad, lengthMs]);
  const isCountingIn = nowMs < countInMs;
  const leftSec = Math.ceil((isCountingIn ? countInMs - nowMs : countInMs + lengthMs - nowMs) / 1000);
  return createPortal(
    <StyleSheetManager target={pad.document.head}>
      <GlobalStyle />
      <Pad data-down={isDown || undefined}>
        <b role="status">{isCountingIn ? `Begins in ${leftSec}` : `${count} so far`}</b>
        <p>
          {isCountingIn
            ? 'Press play in your editor, then press into this window.'
            : `Space at each stutter; hold it while the picture stands still. ${leftSec} s to go.`}
        </p>
        <Button look="quiet" onPress={onStop}>
          Stop
        </Button>
      </Pad>
    </StyleSheetManager>,
    pad.document.body,
  );
}

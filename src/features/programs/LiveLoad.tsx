'use client';

import { Pause, PictureInPicture2, Play } from 'lucide-react';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import { createPortal } from 'react-dom';
import styled, { StyleSheetManager } from 'styled-components';
import { formatMemory, formatRate } from '@/messages/format';
import { describeMachineSourceFailure, pressureTexts } from '@/messages/programs';
import { Button } from '@/ui/Button';
import { GlobalStyle } from '@/ui/GlobalStyle';
import { Row, Soft, Spaced } from '@/ui/layout';
import { Note } from '@/ui/Note';
import { Sheet } from '@/ui/Sheet';
import { colour } from '@/ui/tokens';
import { usePadWindow } from '../shell/frame/use-pad-window';
import { LoadBars, percentOf } from './LoadBars';
import { hasComputePressure, useComputePressure } from './use-compute-pressure';
import { useLiveLoad } from './use-live-load';
import { useProgramSampling } from './use-program-sampling';

const LoadChart = dynamic(() => import('@/ui/charts/LoadChart').then((module) => module.LoadChart), { ssr: false });

const Pad = styled.main`
  min-height: 100vh;
  padding: 12px 14px;
  background: ${colour.paper};
  font-size: 14.5px;
`;

/** Where nothing on this computer can be looked at: the browser's own word of how hard the processor works. */
function PressureOnly() {
  const [isOn, setOn] = useState(false);
  const state = useComputePressure(isOn);
  if (!hasComputePressure()) return null;
  return (
    <Sheet title="Live load" aside="of the computer that this browser runs on">
      <Row>
        <Button onPress={() => setOn(!isOn)}>
          {isOn ? <Pause size={16} aria-hidden="true" /> : <Play size={16} aria-hidden="true" />}
          {isOn ? 'Pause' : 'Watch it live'}
        </Button>
        <span role="status">{state ? pressureTexts[state] : isOn ? 'Waiting for the browser to say…' : ''}</span>
      </Row>
    </Sheet>
  );
}

/** What keeps the machine busy right now, while the person scrubs and plays; also in a small window in front. */
export function LiveLoad() {
  const { at, failure, sample } = useProgramSampling();
  const [isOn, setOn] = useState(false);
  const { pad, open, close } = usePadWindow('Load');
  const [isBlocked, setBlocked] = useState(false);
  const seen = useLiveLoad(sample, isOn);
  if (at === null) return <PressureOnly />;
  const now = seen?.course.moments.at(-1);
  return (
    <Sheet
      title="Live load"
      aside={
        seen && now
          ? `${formatMemory(Math.round(now.memoryFreeMib))} of memory left; looking takes ${formatRate(100 * seen.ownBusyCores)} % of a core`
          : 'while you scrub and play'
      }
    >
      <Row>
        <Button onPress={() => setOn(!isOn)}>
          {isOn ? <Pause size={16} aria-hidden="true" /> : <Play size={16} aria-hidden="true" />}
          {isOn ? 'Pause' : seen ? 'Go on' : 'Watch it live'}
        </Button>
        <Button
          variant="quiet"
          onPress={async () => {
            if (pad) return close();
            setOn(true);
            setBlocked(!(await open()));
          }}
        >
          <PictureInPicture2 size={16} aria-hidden="true" /> {pad ? 'Close the small window' : 'In a small window'}
        </Button>
        {!seen && <Soft>A chart of the last half minute, by program.</Soft>}
      </Row>
      {isBlocked && (
        <Spaced $abovePx={12}>
          <Note kind="alarm">The browser opened no small window. Allow it for this page.</Note>
        </Spaced>
      )}
      {failure && isOn && (
        <Spaced $abovePx={12}>
          <Note kind="alarm">{describeMachineSourceFailure(failure)}</Note>
        </Spaced>
      )}
      {seen && (
        <Spaced $abovePx={12}>
          <LoadChart
            all={{
              name: 'all of it',
              points: seen.course.moments.map(({ secondsAgo, busyCores }) => ({
                secondsAgo,
                percent: percentOf(busyCores, seen),
              })),
            }}
            lines={seen.course.names.map((name, i) => ({
              name,
              points: seen.course.moments.map(({ secondsAgo, busyCoresByName }) => ({
                secondsAgo,
                percent: percentOf(busyCoresByName[i] ?? 0, seen),
              })),
            }))}
          />
        </Spaced>
      )}
      {pad &&
        createPortal(
          <StyleSheetManager target={pad.document.head}>
            <GlobalStyle />
            <Pad aria-label="Load">{seen ? <LoadBars seen={seen} /> : <p>Looking…</p>}</Pad>
          </StyleSheetManager>,
          pad.document.body,
        )}
    </Sheet>
  );
}

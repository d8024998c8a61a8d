'use client';

import { useEffect, useRef, useState } from 'react';
import styled from 'styled-components';
import { nextShownMs, type PracticePattern, practicePatterns } from '@/core/meter';
import { formatRate } from '@/messages/format';
import { practicePatternTexts } from '@/messages/meter';
import { FieldGrid } from '@/ui/layout';
import { SegmentedField } from '@/ui/SegmentedField';
import { colour } from '@/ui/tokens';
import { NumberField } from '../fields/NumberField';

const Page = styled.main`
  max-width: 820px;
  margin: 0 auto;
  padding: 18px 20px 30px;
  h1 { font-size: 24px; margin-bottom: 2px; }
  > p { color: ${colour.inkSoft}; margin-bottom: 12px; max-width: 75ch; }
`;
const Viewer = styled.div`
  border: 1px solid ${colour.line};
  background: ${colour.inset};
  padding: 12px;
  margin-bottom: 14px;
  canvas { display: block; width: 100%; height: auto; }
  p { margin-top: 8px; color: ${colour.inkSoft}; font-size: 15px; }
`;

const Rail = styled.div`
  position: relative;
  height: 14px;
  margin-top: 10px;
  overflow: hidden;
  background: ${colour.line};
  div { position: absolute; top: 0; bottom: 0; width: 3px; background: ${colour.ink}; }
`;

const size = { widthPx: 640, heightPx: 360 } as const;
/** Clay, glaze and slip: discs that swing over a drawn bench. */
const discs = [
  { radius: 0.16, fill: '#B4552D', speed: [0.9, 1.3], phase: [0.2, 1.1] },
  { radius: 0.11, fill: '#3E6C7A', speed: [1.4, 0.8], phase: [2.4, 0.3] },
  { radius: 0.2, fill: '#D8B26A', speed: [0.6, 1.1], phase: [4.1, 2.2] },
  { radius: 0.08, fill: '#EFE6D2', speed: [1.7, 1.5], phase: [1.3, 5.2] },
] as const;

function drawPicture(context: CanvasRenderingContext2D, atMs: number): void {
  const { widthPx, heightPx } = size;
  context.fillStyle = '#4A4038';
  context.fillRect(0, 0, widthPx, heightPx);
  context.fillStyle = '#5B5046';
  for (let x = -60; x < widthPx; x += 90) context.fillRect(x + ((atMs / 25) % 90), 0, 34, heightPx);
  for (const { radius, fill, speed, phase } of discs) {
    context.fillStyle = fill;
    context.beginPath();
    context.arc(
      widthPx * (0.5 + 0.38 * Math.sin(phase[0] + (speed[0] * atMs) / 1000)),
      heightPx * (0.5 + 0.36 * Math.sin(phase[1] + (speed[1] * atMs) / 1000)),
      radius * heightPx,
      0,
      2 * Math.PI,
    );
    context.fill();
  }
}

/** Milliseconds in which the playhead crosses its rail. */
const railMs = 20_000;
/** What was drawn is told over so many of the last milliseconds: as long as the meter usually measures. */
const countedMs = 15_000;

/** What this page really drew: on a busy machine less than it was told to. */
function describeDrawn(atMs: readonly number[]): string {
  const [first = 0, last = 0] = [atMs[0], atMs.at(-1)];
  const fps = last > first ? ((atMs.length - 1) * 1000) / (last - first) : 0;
  return `This page drew ${formatRate(fps)} pictures a second over the last fifteen seconds.`;
}

const shownPatterns = practicePatterns.map((value) => ({ value, label: practicePatternTexts[value] }));

/** Plays a drawn scene with a stutter that is known, so that anybody can try the lag meter on it. */
export function PracticeWindow({
  firstFps,
  firstPattern,
}: {
  readonly firstFps: number;
  readonly firstPattern: PracticePattern;
}) {
  const picture = useRef<HTMLCanvasElement>(null);
  const playhead = useRef<HTMLDivElement>(null);
  const drawn = useRef<HTMLParagraphElement>(null);
  const [fps, setFps] = useState(firstFps);
  const [pattern, setPattern] = useState<PracticePattern>(firstPattern);
  useEffect(() => {
    const context = picture.current?.getContext('2d');
    if (!context) return;
    let handle = 0;
    let shownAtMs = 0;
    let startMs: number | null = null;
    let drawnAtMs: number[] = [];
    const draw = (nowMs: number): void => {
      startMs ??= nowMs;
      const atMs = nowMs - startMs;
      // The playhead moves on whatever the picture does, as playheads do.
      if (playhead.current) playhead.current.style.left = `${100 * ((atMs / railMs) % 1)}%`;
      if (atMs >= shownAtMs) {
        drawPicture(context, atMs);
        drawnAtMs = [...drawnAtMs.filter((ms) => atMs - ms <= countedMs), atMs];
        if (drawn.current && atMs >= countedMs) drawn.current.textContent = describeDrawn(drawnAtMs);
        // After a pause of the page it goes on from now, and does not catch up.
        while (shownAtMs <= atMs) shownAtMs = nextShownMs(pattern, fps, shownAtMs);
      }
      handle = requestAnimationFrame(draw);
    };
    handle = requestAnimationFrame(draw);
    return () => cancelAnimationFrame(handle);
  }, [fps, pattern]);
  return (
    <Page>
      <h1>Practice window</h1>
      <p>
        Stands in for an editor: its preview shows as many new pictures a second as you set here. Share this window with
        the lag meter, or record it, and see whether the meter finds the same.
      </p>
      <Viewer>
        <canvas ref={picture} width={size.widthPx} height={size.heightPx} aria-label="The preview" role="img" />
        <Rail>
          <div ref={playhead} />
        </Rail>
        <p ref={drawn}>Counting what this page really draws, for fifteen seconds.</p>
      </Viewer>
      <FieldGrid $leastPx={260}>
        <NumberField
          label="New pictures a second"
          unit="a second"
          minValue={0.5}
          maxValue={60}
          fractionDigits={1}
          value={fps}
          onChange={(value) => setFps(value ?? firstFps)}
        />
        <SegmentedField label="How they come" options={shownPatterns} value={pattern} onChange={setPattern} />
      </FieldGrid>
    </Page>
  );
}

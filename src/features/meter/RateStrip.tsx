'use client';

import styled from 'styled-components';
import type { SwitchPress, WatchedSetup } from '@/core/meter';
import { formatFps } from '@/messages/format';
import { colour } from '@/ui/tokens';
import { drawnMs, type WatchState } from './watch-state';

const Frame = styled.div`
  height: 96px;
  margin: 10px 0 4px;
  border: 1px solid ${colour.line};
  border-radius: 4px;
  background: ${colour.inset};
  overflow: hidden;
  svg { display: block; width: 100%; height: 100%; }
  rect { fill: ${colour.oilWash}; }
  polyline { fill: none; stroke: ${colour.ink}; stroke-width: 2; vector-effect: non-scaling-stroke; }
  line { stroke: ${colour.inkSoft}; stroke-width: 1; vector-effect: non-scaling-stroke; }
  line[data-press] { stroke: ${colour.oil}; stroke-width: 2; }
`;

const size = { width: 600, height: 96 } as const;

/** When the change stood, as far as it is drawn. */
function changedSpans(presses: readonly SwitchPress[], nowMs: number): readonly (readonly [number, number])[] {
  return presses.flatMap(({ atMs, to }, i) =>
    to === ('changed' satisfies WatchedSetup) ? [[atMs, presses[i + 1]?.atMs ?? nowMs] as const] : [],
  );
}

/** The rate of the last minute as a line, with each press; tinted while the change stood. */
export function RateStrip({ state, targetFps }: { readonly state: WatchState; readonly targetFps: number }) {
  const { rates, presses } = state;
  const nowMs = rates.at(-1)?.atMs ?? 0;
  const top = 1.15 * Math.max(targetFps, ...rates.map(({ fps }) => fps));
  const xOf = (atMs: number): number => size.width * (1 - (nowMs - atMs) / drawnMs);
  const yOf = (fps: number): number => size.height * (1 - fps / top);
  const since = presses.filter(({ atMs }) => nowMs - atMs <= drawnMs);
  return (
    <Frame role="img" aria-label={`The rate over the last minute, against ${formatFps(targetFps)} a second`}>
      <svg viewBox={`0 0 ${size.width} ${size.height}`} preserveAspectRatio="none" aria-hidden="true">
        {changedSpans(presses, nowMs).map(([fromMs, toMs]) => (
          <rect
            key={fromMs}
            x={Math.max(0, xOf(fromMs))}
            y={0}
            width={Math.max(0, xOf(toMs) - Math.max(0, xOf(fromMs)))}
            height={size.height}
          />
        ))}
        <line x1={0} x2={size.width} y1={yOf(targetFps)} y2={yOf(targetFps)} strokeDasharray="6 4" />
        {since.map(({ atMs }) => (
          <line key={atMs} data-press x1={xOf(atMs)} x2={xOf(atMs)} y1={0} y2={size.height} />
        ))}
        <polyline points={rates.map(({ atMs, fps }) => `${xOf(atMs)},${yOf(fps)}`).join(' ')} />
      </svg>
    </Frame>
  );
}

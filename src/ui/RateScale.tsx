'use client';

import styled from 'styled-components';
import { colour } from './tokens';

const Track = styled.div`
  position: relative;
  height: 12px;
  margin: 12px 0 4px;
  border: 1px solid ${colour.line};
  border-radius: 6px;
  background: ${colour.inset};
  > i { position: absolute; top: -1px; bottom: -1px; border-radius: 6px; transition: left 200ms, width 200ms; }
  > .usable { background: ${colour.good}; opacity: 0.35; border-radius: 0 6px 6px 0; }
  > .shown { left: 0; background: ${colour.alarm}; }
  > .shown[data-good] { background: ${colour.good}; }
  > .band { background: repeating-linear-gradient(90deg, ${colour.inkSoft} 0 2px, transparent 2px 5px); opacity: 0.75; }
  > u { position: absolute; top: -5px; bottom: -5px; width: 3px; background: ${colour.ink}; }
`;

interface RateScaleProps {
  readonly targetFps: number;
  readonly usableFps: number;
  readonly shownFps: number | null;
  /** A range to draw where nothing was measured. */
  readonly expected?: { readonly low: number; readonly high: number };
}

/** Shown rate against the target: what is usable is marked at the right end. Decorative; the figures stand beside it. */
export function RateScale({ targetFps, usableFps, shownFps, expected }: RateScaleProps) {
  const percent = (fps: number): string => `${Math.min(100, (100 * fps) / targetFps)}%`;
  const isGood = shownFps !== null && shownFps >= usableFps;
  return (
    <Track aria-hidden="true">
      <i className="usable" style={{ left: percent(usableFps), right: 0 }} />
      {shownFps === null && expected && (
        <i
          className="band"
          style={{
            left: percent(expected.low),
            width: `max(4px, calc(${percent(expected.high)} - ${percent(expected.low)}))`,
          }}
        />
      )}
      {shownFps !== null && (
        <>
          <i className="shown" data-good={isGood || undefined} style={{ width: percent(shownFps) }} />
          <u style={{ left: `calc(${percent(shownFps)} - 2px)` }} />
        </>
      )}
    </Track>
  );
}

'use client';

import { type KeyboardEvent, type PointerEvent, useRef, useState } from 'react';
import styled from 'styled-components';
import type { PictureRegion } from '@/core/meter';
import { colour } from '@/ui/tokens';

const Area = styled.div<{ readonly $spareBelowPx: number }>`
  position: absolute;
  inset: 0 0 ${({ $spareBelowPx }) => $spareBelowPx}px;
  cursor: crosshair;
  touch-action: none;
`;
const Frame = styled.div`
  position: absolute;
  /* Dragging begins inside it as anywhere; keys reach it all the same. */
  pointer-events: none;
  border: 3px dashed ${colour.oil};
  outline: 1px solid ${colour.ink};
  &:focus-visible { outline: 3px solid ${colour.enamel}; outline-offset: 2px; }
`;

/** A region that is drawn smaller than this was a press, not a drag. */
const leastPx = 16;

interface RegionPickerProps {
  readonly region: PictureRegion | null;
  readonly size: { readonly widthPx: number; readonly heightPx: number };
  /** What is left free below for the controls of a recording; the region may reach into it by keys and figures. */
  readonly spareBelowPx: number;
  readonly onChange: (region: PictureRegion) => void;
}

/** A region moved or resized by so much, kept within the picture. */
function shifted(
  region: PictureRegion,
  size: RegionPickerProps['size'],
  change: Partial<PictureRegion>,
): PictureRegion {
  const widthPx = Math.max(leastPx, Math.min(size.widthPx, change.widthPx ?? region.widthPx));
  const heightPx = Math.max(leastPx, Math.min(size.heightPx, change.heightPx ?? region.heightPx));
  return {
    widthPx,
    heightPx,
    xPx: Math.max(0, Math.min(size.widthPx - widthPx, change.xPx ?? region.xPx)),
    yPx: Math.max(0, Math.min(size.heightPx - heightPx, change.yPx ?? region.yPx)),
  };
}

/**
 * The region that is measured, over the picture: drawn anew by dragging, moved by arrow keys, resized by arrow keys with
 * Shift.
 */
export function RegionPicker({ region, size, spareBelowPx, onChange }: RegionPickerProps) {
  const area = useRef<HTMLDivElement>(null);
  const [drawn, setDrawn] = useState<PictureRegion | null>(null);
  const from = useRef<{ readonly xPx: number; readonly yPx: number } | null>(null);
  const placeOf = (event: PointerEvent): { readonly xPx: number; readonly yPx: number } => {
    // The whole picture, controls included.
    const box = area.current?.parentElement?.getBoundingClientRect();
    if (!box) return { xPx: 0, yPx: 0 };
    const within = (ratio: number, whole: number): number => Math.round(Math.max(0, Math.min(1, ratio)) * whole);
    return {
      xPx: within((event.clientX - box.left) / box.width, size.widthPx),
      yPx: within((event.clientY - box.top) / box.height, size.heightPx),
    };
  };
  const finish = () => {
    if (drawn && Math.min(drawn.widthPx, drawn.heightPx) >= leastPx) onChange(drawn);
    from.current = null;
    setDrawn(null);
  };
  const byKey = (event: KeyboardEvent) => {
    if (!region) return;
    const step = Math.max(1, Math.round(size.widthPx / 100));
    const [dx, dy] =
      event.key === 'ArrowLeft'
        ? [-step, 0]
        : event.key === 'ArrowRight'
          ? [step, 0]
          : event.key === 'ArrowUp'
            ? [0, -step]
            : event.key === 'ArrowDown'
              ? [0, step]
              : [0, 0];
    if (dx === 0 && dy === 0) return;
    event.preventDefault();
    onChange(
      event.shiftKey
        ? shifted(region, size, { widthPx: region.widthPx + dx, heightPx: region.heightPx + dy })
        : shifted(region, size, { xPx: region.xPx + dx, yPx: region.yPx + dy }),
    );
  };
  const shown = drawn ?? region;
  const percent = (value: number, whole: number): string => `${(100 * value) / whole}%`;
  return (
    <>
      <Area
        ref={area}
        $spareBelowPx={spareBelowPx}
        onPointerDown={(event) => {
          from.current = placeOf(event);
          event.currentTarget.setPointerCapture(event.pointerId);
        }}
        onPointerMove={(event) => {
          if (!from.current) return;
          const to = placeOf(event);
          setDrawn({
            xPx: Math.min(from.current.xPx, to.xPx),
            yPx: Math.min(from.current.yPx, to.yPx),
            widthPx: Math.abs(to.xPx - from.current.xPx),
            heightPx: Math.abs(to.yPx - from.current.yPx),
          });
        }}
        onPointerUp={finish}
        onPointerCancel={finish}
      />
      {shown && (
        <Frame
          role="img"
          tabIndex={0}
          aria-label="The part that is measured"
          aria-description="Arrow keys move it, with Shift they resize it."
          onKeyDown={byKey}
          style={{
            left: percent(shown.xPx, size.widthPx),
            top: percent(shown.yPx, size.heightPx),
            width: percent(shown.widthPx, size.widthPx),
            height: percent(shown.heightPx, size.heightPx),
          }}
        />
      )}
    </>
  );
}

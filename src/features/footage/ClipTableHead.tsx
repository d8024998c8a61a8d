'use client';

import type { Header } from '@tanstack/react-table';
import { ArrowDown, ArrowUp } from 'lucide-react';
import type { KeyboardEvent } from 'react';
import styled from 'styled-components';
import type { ClipRow } from '@/core/diagnose';
import { colour } from '@/ui/tokens';
import { type clipTableFeatures, isFigureColumn } from './clip-columns';

const Head = styled.th`
  button {
    display: flex;
    align-items: center;
    gap: 4px;
    width: 100%;
    padding: 7px 10px;
    border: 0;
    background: none;
    font-weight: 600;
    text-align: inherit;
    cursor: pointer;
    /* A long name takes two lines: it must not lie over its neighbour. */
    line-height: 1.2;
    white-space: normal;
  }
  &[data-figure] button { justify-content: flex-end; }
  button:hover { color: ${colour.ink}; }
  svg { flex: none; }
`;
const Grip = styled.span`
  position: absolute;
  top: 4px;
  right: -4px;
  bottom: 4px;
  z-index: 2;
  width: 9px;
  cursor: col-resize;
  touch-action: none;
  &::after { content: ''; position: absolute; inset: 0 4px; background: ${colour.line}; }
  &:hover::after { background: ${colour.edge}; }
`;

const keyStepPx = 16;
const widestPx = 800;

interface ClipTableHeadProps {
  readonly header: Header<typeof clipTableFeatures, ClipRow>;
  readonly sorted: false | 'asc' | 'desc';
  readonly widthPx: number;
  readonly onSetWidth: (widthPx: number) => void;
}

/** A column's head: press to sort, drag its edge or use the arrow keys on it to change the width. */
export function ClipTableHead({ header, sorted, widthPx, onSetWidth }: ClipTableHeadProps) {
  const { column } = header;
  const name = String(column.columnDef.header);
  const leastPx = column.columnDef.minSize ?? 40;
  const isFigure = isFigureColumn(column.id);
  const Arrow = sorted === 'asc' ? ArrowUp : ArrowDown;
  const startDrag = header.getResizeHandler();
  const onKeyDown = (event: KeyboardEvent) => {
    const step = { ArrowLeft: -keyStepPx, ArrowRight: keyStepPx }[event.key];
    if (step === undefined) return;
    event.preventDefault();
    onSetWidth(Math.min(widestPx, Math.max(leastPx, widthPx + step)));
  };
  return (
    <Head
      scope="col"
      aria-label={name}
      data-figure={isFigure || undefined}
      aria-sort={sorted === false ? 'none' : sorted === 'asc' ? 'ascending' : 'descending'}
    >
      <button type="button" onClick={() => column.toggleSorting(sorted === false ? isFigure : sorted === 'asc')}>
        {name}
        {sorted !== false && <Arrow size={14} aria-hidden="true" />}
      </button>
      <Grip
        role="separator"
        aria-orientation="vertical"
        aria-label={`Width of ${name}`}
        aria-valuenow={Math.round(widthPx)}
        aria-valuemin={leastPx}
        aria-valuemax={widestPx}
        tabIndex={0}
        onMouseDown={startDrag}
        onTouchStart={startDrag}
        onKeyDown={onKeyDown}
      />
    </Head>
  );
}

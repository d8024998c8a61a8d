'use client';

import { useEffect, useRef } from 'react';
import styled from 'styled-components';
import { colour } from '@/ui/tokens';
import { chartHeightPx, chartWidthPx, drawTestChart } from './draw-test-chart';

const Picture = styled.canvas`
  display: block;
  width: ${chartWidthPx}px;
  height: ${chartHeightPx}px;
  max-width: 100%;
  border: 1px solid ${colour.line};
  border-radius: 4px;
`;

/** A drawn test picture as a preview of so many of the viewer's lines shows it, at the viewer's size on screen. */
export function TestChart({ drawnRatio, label }: { readonly drawnRatio: number; readonly label: string }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    if (canvas.current) drawTestChart(canvas.current, drawnRatio, window.devicePixelRatio);
  }, [drawnRatio]);
  return <Picture ref={canvas} role="img" aria-label={label} />;
}

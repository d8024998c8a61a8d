'use client';

import { useEffect, useRef } from 'react';
import styled from 'styled-components';
import { colour } from '@/ui/tokens';
import { type ChartArea, drawTestChart, type ViewedPicture, wholeChart } from './draw-test-chart';

const Picture = styled.canvas`
  display: block;
  max-width: 100%;
  border: 1px solid ${colour.line};
  border-radius: 4px;
`;

interface TestChartProps {
  readonly drawnRatio: number;
  readonly label: string;
  /** The part of the chart to show; all of it without. */
  readonly area?: ChartArea;
  /** A real picture in its place. */
  readonly viewed?: ViewedPicture | null;
}

/** A drawn test picture, or a real one, as a preview of so many of the viewer's lines shows it, at the viewer's size on screen. */
export function TestChart({ drawnRatio, label, area = wholeChart, viewed = null }: TestChartProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    if (canvas.current) drawTestChart(canvas.current, area, drawnRatio, window.devicePixelRatio, viewed);
  }, [area, drawnRatio, viewed]);
  const { widthPx, heightPx } = area;
  return <Picture ref={canvas} role="img" aria-label={label} style={{ width: widthPx, height: heightPx }} />;
}

'use client';

import {
  CategoryScale,
  Chart,
  type ChartData,
  type ChartOptions,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  Tooltip,
} from 'chart.js';
import { Line } from 'react-chartjs-2';
import styled from 'styled-components';
import { DataTable } from '../DataTable';
import { Disclosure } from '../Disclosure';
import { chartFont, useThemeColours } from './theme-colours';

Chart.register(CategoryScale, LinearScale, LineController, LineElement, PointElement, Tooltip);

export interface ReadingPoint {
  readonly label: string;
  readonly fps: number;
}

interface ReadingsChartProps {
  readonly points: readonly ReadingPoint[];
  readonly targetFps: number;
  readonly formatFps: (fps: number) => string;
}

const Frame = styled.div`
  position: relative;
  height: 200px;
`;

const lineLength = 18;
const mostLines = 3;

/** A label in lines that stand beside each other without being turned. */
function inLines(label: string): string[] {
  const lines: string[] = [];
  for (const word of label.split(' ')) {
    const last = lines.at(-1);
    if (last !== undefined && `${last} ${word}`.length <= lineLength) lines[lines.length - 1] = `${last} ${word}`;
    else lines.push(word);
  }
  return lines.length > mostLines ? [...lines.slice(0, mostLines - 1), `${lines[mostLines - 1]} …`] : lines;
}

/** The readings of a card in order, against the target; the figures are one press away as a table. */
export function ReadingsChart({ points, targetFps, formatFps }: ReadingsChartProps) {
  const colours = useThemeColours();
  const labels = points.map((point) => inLines(point.label));
  const data: ChartData<'line'> = {
    labels,
    datasets: [
      {
        label: 'shown',
        data: points.map((point) => point.fps),
        borderColor: colours.enamel,
        backgroundColor: colours.enamel,
        borderWidth: 2,
        pointRadius: 5,
      },
      {
        label: 'target',
        data: points.map(() => targetFps),
        borderColor: colours.good,
        borderDash: [6, 5],
        borderWidth: 1.5,
        pointRadius: 0,
      },
    ],
  };
  const options: ChartOptions<'line'> = {
    animation: false,
    maintainAspectRatio: false,
    scales: {
      x: {
        offset: true,
        ticks: { color: colours.ink, maxRotation: 0, font: chartFont },
        grid: { display: false },
        border: { color: colours.line },
      },
      y: {
        min: 0,
        suggestedMax: targetFps * 1.1,
        title: { display: true, text: 'frames a second', color: colours.ink, font: chartFont },
        ticks: { color: colours.ink, font: chartFont },
        grid: { color: colours.line },
        border: { color: colours.line },
      },
    },
  };
  return (
    <>
      <Frame>
        <Line data={data} options={options} aria-label="Readings in order, against the target" role="img" />
      </Frame>
      <Disclosure label="The figures as a table">
        <DataTable>
          <thead>
            <tr>
              <th scope="col">Reading</th>
              <th scope="col" data-figure>
                Shown, frames a second
              </th>
            </tr>
          </thead>
          <tbody>
            {points.map((point, i) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: readings are only ever added at the end
              <tr key={i}>
                <th scope="row">{point.label}</th>
                <td data-figure>{formatFps(point.fps)}</td>
              </tr>
            ))}
          </tbody>
        </DataTable>
      </Disclosure>
    </>
  );
}

'use client';

import {
  Chart,
  type ChartData,
  type ChartOptions,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
} from 'chart.js';
import { Line } from 'react-chartjs-2';
import styled from 'styled-components';
import { DataTable, TableFrame } from '../DataTable';
import { Disclosure } from '../Disclosure';
import { colour } from '../tokens';
import { chartFont, useThemeColours } from './theme-colours';

Chart.register(LinearScale, LineController, LineElement, PointElement);

const Frame = styled.div`
  position: relative;
  height: 180px;
`;

const About = styled.p`
  margin: 2px 0 8px;
  color: ${colour.inkSoft};
`;

interface IntervalsChartProps {
  /** Between new pictures, in order. */
  readonly intervalsMs: readonly number[];
  readonly deadlineMs: number;
  /** Upper edge of the drawing: what is longer is drawn there, hollow. */
  readonly topMs: number;
  /** What is usual, and what is drawn at the edge. */
  readonly about: string;
  readonly formatMs: (ms: number) => string;
}

/** Rows of the table: how many intervals are how long against the deadline. */
const bands = [
  { upTo: 1.25, label: 'in time' },
  { upTo: 2.5, label: 'late by one picture' },
  { upTo: 5, label: 'late by two to four' },
  { upTo: Number.POSITIVE_INFINITY, label: 'longer' },
] as const;

/** Every interval between new pictures over time, against the deadline; their distribution as a table. */
export function IntervalsChart({ intervalsMs, deadlineMs, topMs, about, formatMs }: IntervalsChartProps) {
  const colours = useThemeColours();
  let atMs = 0;
  const points = intervalsMs.map((ms) => {
    atMs += ms;
    return { x: atMs / 1000, y: Math.min(ms, topMs) };
  });
  const endSec = atMs / 1000;
  const data: ChartData<'line', { x: number; y: number }[]> = {
    datasets: [
      {
        label: 'interval',
        data: points,
        borderColor: colours.enamel,
        backgroundColor: colours.enamel,
        borderWidth: 1,
        pointRadius: intervalsMs.map((ms) => (ms > topMs ? 5 : 2)),
        pointStyle: intervalsMs.map((ms) => (ms > topMs ? 'triangle' : 'circle')),
        clip: 8,
      },
      {
        label: 'deadline',
        data: [
          { x: 0, y: deadlineMs },
          { x: endSec, y: deadlineMs },
        ],
        borderColor: colours.good,
        borderDash: [6, 5],
        borderWidth: 1.5,
        pointRadius: 0,
      },
    ],
  };
  const axis = { ticks: { color: colours.ink, font: chartFont }, border: { color: colours.line } };
  const options: ChartOptions<'line'> = {
    animation: false,
    maintainAspectRatio: false,
    parsing: false,
    plugins: { tooltip: { enabled: false } },
    scales: {
      x: {
        ...axis,
        type: 'linear',
        min: 0,
        max: endSec,
        grid: { display: false },
        title: { display: true, text: 'seconds', color: colours.ink, font: chartFont },
      },
      y: {
        ...axis,
        min: 0,
        max: topMs,
        grid: { color: colours.line },
        title: { display: true, text: 'milliseconds', color: colours.ink, font: chartFont },
      },
    },
  };
  const counts = bands.map(({ upTo, label }, i) => {
    const from = i === 0 ? 0 : (bands[i - 1]?.upTo ?? 0);
    const count = intervalsMs.filter((ms) => ms > from * deadlineMs && ms <= upTo * deadlineMs).length;
    return { label, from, upTo, count };
  });
  return (
    <>
      <h3>How long each picture stood</h3>
      <About>{about}</About>
      <Frame>
        <Line data={data} options={options} role="img" aria-label="How long each picture stood, over time" />
      </Frame>
      <Disclosure label="The figures as a table">
        <TableFrame>
          <DataTable>
            <thead>
              <tr>
                <th scope="col">Interval</th>
                <th scope="col" data-figure>
                  From, ms
                </th>
                <th scope="col" data-figure>
                  To, ms
                </th>
                <th scope="col" data-figure>
                  Count
                </th>
              </tr>
            </thead>
            <tbody>
              {counts.map(({ label, from, upTo, count }) => (
                <tr key={label}>
                  <th scope="row">{label}</th>
                  <td data-figure>{formatMs(from * deadlineMs)}</td>
                  <td data-figure>{Number.isFinite(upTo) ? formatMs(upTo * deadlineMs) : 'any'}</td>
                  <td data-figure>{count}</td>
                </tr>
              ))}
            </tbody>
          </DataTable>
        </TableFrame>
      </Disclosure>
    </>
  );
}

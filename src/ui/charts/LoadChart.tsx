'use client';

import {
  Chart,
  type ChartData,
  type ChartOptions,
  Filler,
  Legend,
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

Chart.register(Filler, Legend, LinearScale, LineController, LineElement, PointElement, Tooltip);

/** One line of a load chart: shares of the whole machine in per cent, by seconds ago. */
export interface LoadLine {
  readonly name: string;
  readonly points: readonly { readonly secondsAgo: number; readonly percent: number }[];
}

const Frame = styled.div`
  position: relative;
  height: 190px;
`;

/** Lines are told apart by their dashes as well as by their colours. */
const dashes: readonly (readonly number[])[] = [[], [6, 3], [2, 3], [10, 3, 2, 3], [14, 4]];

/** How busy a machine was over the last half minute: all of it as a filled line, the largest programs as lines of their own. */
export function LoadChart({ all, lines }: { readonly all: LoadLine; readonly lines: readonly LoadLine[] }) {
  const colours = useThemeColours();
  const toData = ({ points }: LoadLine) => points.map(({ secondsAgo, percent }) => ({ x: -secondsAgo, y: percent }));
  const strokes = [colours.enamel, colours.good, colours.ink];
  const data: ChartData<'line', { x: number; y: number }[]> = {
    datasets: [
      ...lines.map((line, i) => ({
        label: line.name,
        data: toData(line),
        borderColor: strokes[i % strokes.length],
        borderDash: [...(dashes[i % dashes.length] ?? [])],
        borderWidth: 2,
        pointRadius: 0,
      })),
      {
        label: all.name,
        data: toData(all),
        borderColor: colours.ink,
        backgroundColor: colours.line,
        fill: true,
        borderWidth: 1,
        pointRadius: 0,
      },
    ],
  };
  const options: ChartOptions<'line'> = {
    animation: false,
    maintainAspectRatio: false,
    parsing: false,
    scales: {
      x: {
        type: 'linear',
        max: 0,
        suggestedMin: -30,
        title: { display: true, text: 'seconds ago', color: colours.ink, font: chartFont },
        ticks: { color: colours.ink, font: chartFont, callback: (value) => Math.abs(Number(value)) },
        grid: { display: false },
      },
      y: {
        min: 0,
        max: 100,
        title: { display: true, text: '% of the machine', color: colours.ink, font: chartFont },
        ticks: { color: colours.ink, font: chartFont, stepSize: 25 },
        grid: { color: colours.line },
      },
    },
    plugins: {
      legend: { display: true, position: 'bottom', labels: { color: colours.ink, font: chartFont, boxHeight: 1 } },
    },
  };
  return (
    <>
      <Frame>
        <Line data={data} options={options} role="img" aria-label="Load of the processor over the last half minute" />
      </Frame>
      <Disclosure label="The figures as a table">
        <DataTable>
          <thead>
            <tr>
              <th scope="col">Seconds ago</th>
              <th scope="col" data-figure>
                {all.name}, %
              </th>
              {lines.map(({ name }) => (
                <th key={name} scope="col" data-figure>
                  {name}, %
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {all.points.map(({ secondsAgo, percent }, i) => (
              <tr key={secondsAgo}>
                <td>{Math.round(secondsAgo)}</td>
                <td data-figure>{Math.round(percent)}</td>
                {lines.map(({ name, points }) => (
                  <td key={name} data-figure>
                    {Math.round(points[i]?.percent ?? 0)}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </DataTable>
      </Disclosure>
    </>
  );
}

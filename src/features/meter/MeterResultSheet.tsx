'use client';

import { useMemo, useState } from 'react';
import styled from 'styled-components';
import type { MeasuredReading, Reading } from '@/core/card';
import { type MeterResult, scaleIntervals } from '@/core/meter';
import { medianOf } from '@/core/numbers/percentile';
import { paceOf, toMeasuredReading } from '@/core/readings';
import { formatMs, formatRate, formatWait } from '@/messages/format';
import {
  confidenceReasonTexts,
  confidenceTexts,
  describeIntervals,
  describeOwnLoad,
  describeShown,
  paceTexts,
} from '@/messages/meter';
import { Button } from '@/ui/Button';
import { IntervalsChart } from '@/ui/charts/IntervalsChart';
import { Disclosure } from '@/ui/Disclosure';
import { Row, Soft, Spaced } from '@/ui/layout';
import { FigureList } from '@/ui/lists';
import { Sheet } from '@/ui/Sheet';
import { font } from '@/ui/tokens';
import { NumberField } from '../fields/NumberField';
import { KeepReading } from './KeepReading';

const Shown = styled.p`
  font: 700 30px/1.2 ${font.heading};
  font-variant-numeric: tabular-nums;
  margin-bottom: 2px;
`;

interface MeterResultSheetProps {
  readonly result: MeterResult;
  readonly source: MeasuredReading['source'];
  readonly doing: Reading['doing'];
  /** Share of one core that measuring took; null where it did not run beside the editor. */
  readonly ownLoadRatio: number | null;
  readonly onKept: () => void;
  /** Measures it again as filmed; given where it looks so and nobody has said it. */
  readonly onFilmed?: (() => void) | undefined;
}

const sumOf = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0);

type Figures = readonly (readonly [string, string])[];

function listFigures(result: MeterResult, doing: Reading['doing']): Figures {
  if (doing === 'scrubbing')
    return [
      ['Usual wait for a new picture', formatWait(medianOf(result.intervalsMs))],
      ['Longest wait', formatWait(result.longestFreezeMs)],
      ['Slowest second', `${formatRate(result.slowestSecondFps)} a second`],
    ];
  return [
    ['Slowest second', `${formatRate(result.slowestSecondFps)} a second`],
    ['Longest time without a new picture', formatWait(result.longestFreezeMs)],
    ['Freezes a minute', formatRate(result.freezesPerMinute)],
  ];
}

/** What few ask for. */
function listMoreFigures(result: MeterResult): Figures {
  return [
    ['In its worst moments', `${formatRate(result.worstOnePercentFps)} a second`],
    ['Before the first new picture', formatWait(result.startDelayMs)],
    [
      `Settled at ${formatRate(result.settledFps)} a second`,
      result.settledAfterMs < 300 ? 'at once' : `after ${formatWait(result.settledAfterMs)}`,
    ],
  ];
}

const FigureRow = ({ figures }: { readonly figures: Figures }) => (
  <FigureList $leastPx={190} $abovePx={14} $belowPx={14}>
    {figures.map(([name, value]) => (
      <div key={name}>
        <dt>{name}</dt>
        <dd>{value}</dd>
      </div>
    ))}
  </FigureList>
);

/** What the preview showed, and the way to keep it as a reading. */
export function MeterResultSheet(props: MeterResultSheetProps) {
  const { result, source, doing, ownLoadRatio, onKept, onFilmed } = props;
  const [stretchSec, setStretchSec] = useState<number | null>(null);
  const scale = useMemo(() => scaleIntervals(result.intervalsMs, result.deadlineMs), [result]);
  const pace = paceOf(sumOf(result.intervalsMs), stretchSec === null ? null : stretchSec * 1000);
  const figures = {
    how: 'metered' as const,
    doing,
    measured: toMeasuredReading(result, { source, pace, ownLoadRatio }),
    shownFps: doing === 'playing' ? Math.round(result.shownFps * 100) / 100 : null,
    scrubMs: doing === 'scrubbing' ? Math.round(medianOf(result.intervalsMs)) : null,
  };
  return (
    <Sheet title="What it showed" aside={`Oil Can is ${confidenceTexts[result.confidence]}`}>
      <Shown>{describeShown(result)}</Shown>
      <Soft>
        {doing === 'scrubbing' && 'New pictures while you scrubbed. '}
        {confidenceReasonTexts[result.reason]} {ownLoadRatio !== null && describeOwnLoad(ownLoadRatio)}
      </Soft>
      {onFilmed && (
        <Row $abovePx={10}>
          <Button onPress={onFilmed}>It was filmed: measure it as that</Button>
        </Row>
      )}
      <FigureRow figures={listFigures(result, doing)} />
      <IntervalsChart
        intervalsMs={result.intervalsMs}
        deadlineMs={result.deadlineMs}
        topMs={scale.topMs}
        about={describeIntervals(scale, result.deadlineMs)}
        formatMs={formatMs}
      />
      {doing === 'playing' && (
        <Disclosure label="More figures">
          <FigureRow figures={listMoreFigures(result)} />
        </Disclosure>
      )}
      <KeepReading figures={figures} described={describeShown(result)} onKept={onKept}>
        {doing === 'playing' && (
          <Spaced $mostPx={420}>
            <NumberField
              label="If it played to its end: the stretch’s length on the timeline"
              unit="s"
              minValue={0.1}
              maxValue={36_000}
              fractionDigits={1}
              value={stretchSec}
              onChange={setStretchSec}
            />
            <p role="status">{pace === 'unknown' ? '' : paceTexts[pace]}</p>
          </Spaced>
        )}
      </KeepReading>
    </Sheet>
  );
}

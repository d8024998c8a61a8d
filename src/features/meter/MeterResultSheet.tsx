'use client';

import { useState } from 'react';
import styled from 'styled-components';
import { complaintOf, createReading } from '@/core/card';
import type { KnownState } from '@/core/machine';
import type { MeterResult } from '@/core/meter';
import { formatFps, formatMs, formatWait } from '@/messages/format';
import { confidenceReasonTexts, confidenceTexts, describeShown } from '@/messages/meter';
import { Button } from '@/ui/Button';
import { IntervalsChart } from '@/ui/charts/IntervalsChart';
import { Row, Soft } from '@/ui/layout';
import { SegmentedField } from '@/ui/SegmentedField';
import { Sheet } from '@/ui/Sheet';
import { colour, font } from '@/ui/tokens';
import { useNotify } from '../shell/notices';
import { useOpenCard } from '../shell/use-open-card';

const Shown = styled.p`
  font: 700 30px/1.2 ${font.heading};
  font-variant-numeric: tabular-nums;
  margin-bottom: 2px;
`;
const Figures = styled.dl`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(190px, 1fr));
  gap: 10px 18px;
  margin: 14px 0;
  dt { color: ${colour.inkSoft}; font-size: 14.5px; }
  dd { font-variant-numeric: tabular-nums; font-weight: 600; }
`;
const Keep = styled.div`
  margin-top: 16px;
  padding-top: 14px;
  border-top: 1px solid ${colour.line};
`;

const verdicts = [
  { value: 'yes' as const, label: 'Yes' },
  { value: 'no' as const, label: 'No' },
];

/** What the recorded preview showed, and the way to keep it as a reading. */
export function MeterResultSheet({ result, onKept }: { readonly result: MeterResult; readonly onKept: () => void }) {
  const { card, run } = useOpenCard();
  const notify = useNotify();
  const [isGoodEnough, setGoodEnough] = useState<KnownState>('unknown');
  const keep = () => {
    const moment = complaintOf(card).isLater ? ('later' as const) : ('start' as const);
    const reading = createReading({
      id: crypto.randomUUID(),
      takenAtMs: Date.now(),
      how: 'metered',
      moment,
      shownFps: Math.round(result.shownFps * 100) / 100,
      isGoodEnough,
    });
    if (!run({ type: 'addReading', input: { reading } }).ok) return;
    notify({ kind: 'info', text: `Stored: ${describeShown(result)}.` });
    onKept();
  };
  const figures = [
    ['Slowest second', `${formatFps(Math.round(result.slowestSecondFps * 10) / 10)} a second`],
    ['Longest time without a new picture', formatWait(result.longestFreezeMs)],
    ['Freezes a minute', formatFps(Math.round(result.freezesPerMinute * 10) / 10)],
    ['Slowest hundredth', `${formatFps(Math.round(result.worstOnePercentFps * 10) / 10)} a second`],
    ['Before the first new picture', formatWait(result.startDelayMs)],
    ['Settled after', result.settledAfterMs < 300 ? 'at once' : formatWait(result.settledAfterMs)],
  ] as const;
  return (
    <Sheet title="What it showed" aside={`Oil Can is ${confidenceTexts[result.confidence]}`}>
      <Shown>{describeShown(result)}</Shown>
      <Soft>{confidenceReasonTexts[result.reason]}</Soft>
      <Figures>
        {figures.map(([name, value]) => (
          <div key={name}>
            <dt>{name}</dt>
            <dd>{value}</dd>
          </div>
        ))}
      </Figures>
      <IntervalsChart intervalsMs={result.intervalsMs} deadlineMs={result.deadlineMs} formatMs={formatMs} />
      <Keep>
        <SegmentedField
          label="Could you edit like this?"
          options={verdicts}
          value={isGoodEnough === 'unknown' ? null : isGoodEnough}
          onChange={setGoodEnough}
        />
        <Row style={{ marginTop: 12 }}>
          <Button look="primary" onPress={keep}>
            Store as a reading
          </Button>
          <Soft>It counts for the card as it is set up now.</Soft>
        </Row>
      </Keep>
    </Sheet>
  );
}

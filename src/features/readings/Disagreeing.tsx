'use client';

import { useMemo } from 'react';
import type { JobCard, Reading } from '@/core/card';
import { findDisagreement } from '@/core/readings';
import { formatRate } from '@/messages/format';
import { describeDisagreement, describeReadingWay } from '@/messages/readings';
import { Button } from '@/ui/Button';
import { Row } from '@/ui/layout';
import { Note } from '@/ui/Note';
import { useOpenCard } from '../shell/card/use-open-card';

/** Two readings of one set-up that cannot both hold: which of them does. Nothing where all agree. */
export function Disagreeing({ card }: { readonly card: JobCard }) {
  const { run } = useOpenCard();
  const found = useMemo(() => findDisagreement(card), [card]);
  if (!found) return null;
  const { earlier, later, earlierFps, laterFps } = found;
  const isUsed = ({ id }: Reading): boolean =>
    card.trials.some(({ beforeReadingId, afterReadingId }) => beforeReadingId === id || afterReadingId === id);
  const drop = (reading: Reading, fps: number) =>
    !isUsed(reading) && (
      <Button onPress={() => run({ type: 'removeReading', input: { id: reading.id } })}>
        {formatRate(fps)} was wrong: delete it
      </Button>
    );
  return (
    <Note>
      <p>
        {describeDisagreement({
          fixes: later.fixes,
          earlier: `${formatRate(earlierFps)} (${describeReadingWay(earlier)})`,
          later: `${formatRate(laterFps)} (${describeReadingWay(later)})`,
        })}
      </p>
      <Row>
        {drop(earlier, earlierFps)}
        {drop(later, laterFps)}
        <Button variant="quiet" onPress={() => run({ type: 'holdReading', input: { id: later.id } })}>
          Both hold: it differs from time to time
        </Button>
      </Row>
    </Note>
  );
}

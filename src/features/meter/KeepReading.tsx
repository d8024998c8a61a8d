'use client';

import { type ReactNode, useState } from 'react';
import styled from 'styled-components';
import { fixesInForce, type Reading } from '@/core/card';
import type { KnownState } from '@/core/machine';
import { Button } from '@/ui/Button';
import { Row, Soft, Stack } from '@/ui/layout';
import { SegmentedField } from '@/ui/SegmentedField';
import { colour } from '@/ui/tokens';
import { describeReadingSetup } from '../readings/describe-setup';
import { ReadingDetails } from '../readings/ReadingDetails';
import { type Details, firstDetails } from '../readings/reading-details';
import { useStoreReading } from '../readings/use-store-reading';
import { useOpenCard } from '../shell/card/use-open-card';
import { useNotify } from '../shell/notices/notices';

const Frame = styled.div`
  margin-top: 16px;
  padding-top: 14px;
  border-top: 1px solid ${colour.line};
`;

const verdicts = [
  { value: 'yes' as const, label: 'Yes' },
  { value: 'no' as const, label: 'No' },
];

interface KeepReadingProps {
  /** What was measured or tapped. */
  readonly figures: Partial<Omit<Reading, 'id' | 'fixes'>>;
  /** In words, for the notice. */
  readonly described: string;
  readonly onKept: () => void;
  readonly children?: ReactNode;
}

/** Asks whether one could edit like this, under which set-up it was, and puts it on the card. */
export function KeepReading({ figures, described, onKept, children }: KeepReadingProps) {
  const { card } = useOpenCard();
  const notify = useNotify();
  const store = useStoreReading();
  const [isGoodEnough, setGoodEnough] = useState<KnownState>('unknown');
  const [details, setDetails] = useState<Details>(() => firstDetails(card));
  const keep = () => {
    if (!store({ ...figures, isGoodEnough }, details)) return;
    notify({ kind: 'info', text: `Stored: ${described}.` });
    onKept();
  };
  return (
    <Frame>
      <Stack $gapPx={12}>
        <SegmentedField
          label="Could you edit like this?"
          options={verdicts}
          value={isGoodEnough === 'unknown' ? null : isGoodEnough}
          onChange={setGoodEnough}
        />
        {children}
        <ReadingDetails
          card={card}
          details={details}
          onChange={(patch) => setDetails((current) => ({ ...current, ...patch }))}
        />
        <Row>
          <Button variant="primary" onPress={keep}>
            Store as a reading
          </Button>
          <Soft>Set-up: {describeReadingSetup(details.fixes ?? fixesInForce(card))}.</Soft>
        </Row>
      </Stack>
    </Frame>
  );
}

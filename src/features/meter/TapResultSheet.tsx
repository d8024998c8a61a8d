'use client';

import styled from 'styled-components';
import type { TappedReading } from '@/core/card';
import { describeTapped } from '@/messages/meter';
import { Soft } from '@/ui/layout';
import { Sheet } from '@/ui/Sheet';
import { font } from '@/ui/tokens';
import { KeepReading } from './KeepReading';

const Counted = styled.p`
  font: 700 30px/1.2 ${font.heading};
  font-variant-numeric: tabular-nums;
`;

/** What was tapped or counted, and the way to keep it as a reading. */
export function TapResultSheet({ tapped, onKept }: { readonly tapped: TappedReading; readonly onKept: () => void }) {
  const { rate, freezes } = describeTapped(tapped);
  return (
    <Sheet title="What you saw" aside={tapped.isTyped ? 'counted by eye' : 'tapped'}>
      <Counted>{rate}</Counted>
      <Soft>{freezes} Stutters seen say nothing of how many pictures a second are shown.</Soft>
      <KeepReading figures={{ how: 'tapped', tapped }} described={rate} onKept={onKept} />
    </Sheet>
  );
}

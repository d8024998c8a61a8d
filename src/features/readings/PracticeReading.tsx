'use client';

import { useState } from 'react';
import { fetchPractice } from '@/adapters/browser/fetch-practice';
import { toMeasuredReading } from '@/core/readings';
import { hasPracticeMachine } from '@/demo/practice-cards';
import { describePracticeFailure } from '@/messages/meter';
import { Button } from '@/ui/Button';
import { Note } from '@/ui/Note';
import { measureInWorker } from '@/workers/practice.client';
import { useOpenCard } from '../shell/card/use-open-card';
import { firstDetails } from './reading-details';
import { useStoreReading } from './use-store-reading';

const toHundredths = (value: number): number => Math.round(value * 100) / 100;

/** On a demo card: its practice machine plays the set-up as it is now, and the lag meter measures it. Nothing on other cards. */
export function PracticeReading({ variant = 'plain' }: { readonly variant?: 'primary' | 'plain' }) {
  const { card } = useOpenCard();
  const store = useStoreReading();
  const [isMeasuring, setMeasuring] = useState(false);
  const [failure, setFailure] = useState<string | null>(null);
  if (!hasPracticeMachine(card.id)) return null;
  const measure = async () => {
    setMeasuring(true);
    setFailure(null);
    const practice = await fetchPractice(card.id);
    const measured = practice.ok ? await measureInWorker(card, practice.value, card.readings.length) : practice;
    setMeasuring(false);
    if (!measured.ok) {
      setFailure(describePracticeFailure(measured.failure));
      return;
    }
    const { result, scrubMs } = measured.value;
    store(
      {
        how: 'metered',
        shownFps: toHundredths(result.shownFps),
        scrubMs: Math.round(scrubMs),
        measured: toMeasuredReading(result, { source: 'practice', pace: 'unknown', ownLoadRatio: null }),
      },
      firstDetails(card),
    );
  };
  return (
    <>
      <Button variant={variant} onPress={measure} isDisabled={isMeasuring}>
        {isMeasuring ? 'Measuring the practice machine…' : 'Measure the practice machine'}
      </Button>
      {failure !== null && <Note kind="alarm">{failure}</Note>}
    </>
  );
}

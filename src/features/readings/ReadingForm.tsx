'use client';

import { useState } from 'react';
import {
  complaintOf,
  createReading,
  type PlayFeel,
  playFeels,
  type ReadingMoment,
  readingMoments,
  type ScrubFeel,
  scrubFeels,
} from '@/core/card';
import type { KnownState } from '@/core/machine';
import { playFeelTexts } from '@/messages/editor';
import { scrubFeelTexts } from '@/messages/interview';
import { Button } from '@/ui/Button';
import { Disclosure } from '@/ui/Disclosure';
import { FieldGrid, Row, Stack } from '@/ui/layout';
import { NumberField } from '@/ui/NumberField';
import { SegmentedField } from '@/ui/SegmentedField';
import { useOpenCard } from '../shell/use-open-card';

const feels = scrubFeels.map((value) => ({
  value,
  label: `${scrubFeelTexts[value].label}: ${scrubFeelTexts[value].what}`,
}));

const plays = playFeels.map((value) => ({ value, label: playFeelTexts[value] }));
const moments = readingMoments.map((value) => ({
  value,
  label: value === 'start' ? 'Soon after starting' : 'After ten minutes',
}));
const verdicts = [
  { value: 'yes' as const, label: 'Yes' },
  { value: 'no' as const, label: 'No' },
];

/** What stands in the form; null and "unknown" where nothing was said. */
interface Typed {
  readonly shownFps: number | null;
  readonly playFeel: PlayFeel | null;
  readonly scrubFeel: ScrubFeel | null;
  readonly openingSec: number | null;
  readonly isGoodEnough: KnownState;
}
const nothing: Typed = { shownFps: null, playFeel: null, scrubFeel: null, openingSec: null, isGoodEnough: 'unknown' };

/** Types a reading: the shown rate or how it played, how scrubbing felt, whether it is good enough. */
export function ReadingForm({ buttonLabel = 'Store this reading' }: { readonly buttonLabel?: string }) {
  const { card, run } = useOpenCard();
  const [typed, setTyped] = useState<Typed>(nothing);
  const complaint = complaintOf(card);
  const [moment, setMoment] = useState<ReadingMoment>(complaint.isLater ? 'later' : 'start');
  const set = (patch: Partial<Typed>) => setTyped((current) => ({ ...current, ...patch }));
  const isEmpty = Object.values(typed).every((part) => part === null || part === 'unknown');
  const store = () => {
    const reading = createReading({ id: crypto.randomUUID(), takenAtMs: Date.now(), moment, ...typed });
    if (run({ type: 'addReading', input: { reading } }).ok) setTyped(nothing);
  };
  return (
    <Stack $gapPx={14}>
      <FieldGrid $leastPx={220}>
        <NumberField
          label="Shown, frames a second"
          unit="a second"
          minValue={0}
          maxValue={1000}
          fractionDigits={2}
          value={typed.shownFps}
          onChange={(shownFps) => set({ shownFps })}
        />
        {complaint.isOpening && (
          <NumberField
            label="Opening the project took"
            unit="seconds"
            minValue={0}
            maxValue={100_000}
            fractionDigits={1}
            value={typed.openingSec}
            onChange={(openingSec) => set({ openingSec })}
          />
        )}
      </FieldGrid>
      {typed.shownFps === null && (
        <SegmentedField
          label="Or, without a figure: it played"
          options={plays}
          value={typed.playFeel}
          onChange={(playFeel) => set({ playFeel })}
        />
      )}
      <SegmentedField
        label="Scrubbing felt"
        options={feels}
        value={typed.scrubFeel}
        onChange={(scrubFeel) => set({ scrubFeel })}
      />
      <SegmentedField
        label="Could you edit like this?"
        options={verdicts}
        value={typed.isGoodEnough === 'unknown' ? null : typed.isGoodEnough}
        onChange={(isGoodEnough) => set({ isGoodEnough })}
      />
      {complaint.isLater && <SegmentedField label="Taken" options={moments} value={moment} onChange={setMoment} />}
      <Row>
        <Button look="primary" onPress={store} isDisabled={isEmpty}>
          {buttonLabel}
        </Button>
      </Row>
      <Disclosure label="How do I find the rate?">
        Play the stretch that lags for about 20 seconds. Some editors show the rate or the number of dropped frames in
        the viewer’s menu: with 100 of 500 frames dropped at 25 a second, 20 are shown. If yours shows nothing, count
        the new pictures in five slow seconds as well as you can and divide by five; a rough figure is enough to begin.
      </Disclosure>
    </Stack>
  );
}

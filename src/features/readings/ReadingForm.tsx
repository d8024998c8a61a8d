'use client';

import { useState } from 'react';
import { type ScrubFeel, scrubFeels } from '@/core/card';
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

/** Types a reading: the shown rate, how scrubbing felt, or both. It is stored under the set-up in force. */
export function ReadingForm({ buttonLabel = 'Store this reading' }: { readonly buttonLabel?: string }) {
  const { run } = useOpenCard();
  const [shownFps, setShownFps] = useState<number | null>(null);
  const [scrubFeel, setScrubFeel] = useState<ScrubFeel | null>(null);
  const store = () => {
    const reading = {
      id: crypto.randomUUID(),
      takenAtMs: Date.now(),
      how: 'typed' as const,
      shownFps,
      scrubFeel,
      note: '',
    };
    if (!run({ type: 'addReading', input: { reading } }).ok) return;
    setShownFps(null);
    setScrubFeel(null);
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
          value={shownFps}
          onChange={setShownFps}
        />
      </FieldGrid>
      <SegmentedField label="Scrubbing felt" options={feels} value={scrubFeel} onChange={setScrubFeel} />
      <Row>
        <Button look="primary" onPress={store} isDisabled={shownFps === null && scrubFeel === null}>
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

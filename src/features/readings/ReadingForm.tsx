'use client';

import { useState } from 'react';
import styled from 'styled-components';
import {
  type PlayFeel,
  playFeels,
  playsByOf,
  type ReadingMoment,
  readingMoments,
  type ScrubFeel,
  scrubFeels,
  targetFpsOf,
} from '@/core/card';
import type { KnownState } from '@/core/machine';
import { complaintOf } from '@/core/usable';
import { playFeelTexts } from '@/messages/editor';
import { scrubFeelTexts } from '@/messages/interview';
import { Button } from '@/ui/Button';
import { Disclosure } from '@/ui/Disclosure';
import { FieldGrid, Row } from '@/ui/layout';
import { SegmentedField } from '@/ui/SegmentedField';
import { NumberField } from '../fields/NumberField';
import { useOpenCard } from '../shell/card/use-open-card';
import { type Details, firstDetails, ReadingDetails } from './ReadingDetails';
import { useStoreReading } from './use-store-reading';

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
  readonly waitSec: number | null;
  readonly fitSec: number | null;
  readonly exportMinutes: number | null;
  readonly isGoodEnough: KnownState;
}
const nothing: Typed = {
  shownFps: null,
  playFeel: null,
  scrubFeel: null,
  openingSec: null,
  waitSec: null,
  fitSec: null,
  exportMinutes: null,
  isGoodEnough: 'unknown',
};

const Form = styled.form`
  display: flex;
  flex-direction: column;
  gap: 14px;
`;

/** Editors that count dropped frames: how many, over how long. */
interface Dropped {
  readonly count: number | null;
  readonly overSec: number | null;
}

/** What was shown where so many frames of the target were dropped; null where that is not known. */
const shownOf = ({ count, overSec }: Dropped, targetFps: number): number | null =>
  count === null || overSec === null || overSec <= 0
    ? null
    : Math.max(0, Math.round((targetFps - count / overSec) * 100) / 100);

/** Types a reading: the shown rate or how it played, how scrubbing felt, whether it is good enough. */
export function ReadingForm({ buttonLabel = 'Store this reading' }: { readonly buttonLabel?: string }) {
  const { card } = useOpenCard();
  const store = useStoreReading();
  const [typed, setTyped] = useState<Typed>(nothing);
  const [dropped, setDropped] = useState<Dropped>({ count: null, overSec: null });
  const [details, setDetails] = useState<Details>(() => firstDetails(card));
  const complaint = complaintOf(card);
  const [moment, setMoment] = useState<ReadingMoment>(complaint.includes('later') ? 'later' : 'start');
  const set = (patch: Partial<Typed>) => setTyped((current) => ({ ...current, ...patch }));
  const shownFps = typed.shownFps ?? shownOf(dropped, targetFpsOf(card));
  const isEmpty = shownFps === null && Object.values(typed).every((part) => part === null || part === 'unknown');
  const isWaiting = playsByOf(card) === 'computing-first';
  const storeTyped = () => {
    if (isEmpty || !store({ ...typed, shownFps, moment }, details)) return;
    setTyped(nothing);
    setDropped({ count: null, overSec: null });
    setDetails(({ stretch }) => ({ ...firstDetails(card), stretch }));
  };
  return (
    <Form
      onSubmit={(event) => {
        event.preventDefault();
        storeTyped();
      }}
    >
      <FieldGrid $leastPx={220}>
        <NumberField
          label="Shown, frames a second"
          unit="a second"
          minValue={0}
          maxValue={1000}
          fractionDigits={2}
          value={typed.shownFps}
          onChange={(fps) => set({ shownFps: fps })}
        />
        {complaint.includes('opening') && (
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
        {isWaiting && (
          <>
            <NumberField
              label="Wait before it played"
              unit="seconds"
              minValue={0}
              maxValue={100_000}
              fractionDigits={1}
              value={typed.waitSec}
              onChange={(waitSec) => set({ waitSec })}
            />
            <NumberField
              label="Then it played for"
              unit="seconds"
              minValue={0}
              maxValue={100_000}
              fractionDigits={1}
              value={typed.fitSec}
              onChange={(fitSec) => set({ fitSec })}
            />
          </>
        )}
        {card.symptoms.kinds.includes('export-slow') && (
          <NumberField
            label="The export took"
            unit="minutes"
            minValue={0}
            maxValue={100_000}
            fractionDigits={1}
            value={typed.exportMinutes}
            onChange={(exportMinutes) => set({ exportMinutes })}
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
      {complaint.includes('later') && (
        <SegmentedField label="Taken" options={moments} value={moment} onChange={setMoment} />
      )}
      {typed.shownFps === null && (
        <Disclosure label="My editor counts dropped frames">
          <FieldGrid $leastPx={200}>
            <NumberField
              label="Frames dropped"
              unit="frames"
              minValue={0}
              maxValue={1_000_000}
              value={dropped.count}
              onChange={(count) => setDropped((now) => ({ ...now, count }))}
            />
            <NumberField
              label="In so many seconds"
              unit="seconds"
              minValue={1}
              maxValue={3600}
              fractionDigits={1}
              value={dropped.overSec}
              onChange={(overSec) => setDropped((now) => ({ ...now, overSec }))}
            />
          </FieldGrid>
          {shownFps !== null && <p role="status">That is {shownFps} shown a second.</p>}
        </Disclosure>
      )}
      <ReadingDetails
        card={card}
        details={details}
        onChange={(patch) => setDetails((current) => ({ ...current, ...patch }))}
      />
      <Row>
        <Button look="primary" isSubmit isDisabled={isEmpty}>
          {buttonLabel}
        </Button>
      </Row>
      <Disclosure label="How do I find the rate?">
        Play the stretch that lags for about 20 seconds. Some editors show the rate or the number of dropped frames in
        the viewer’s menu. If yours shows nothing, count the new pictures in five slow seconds as well as you can and
        divide by five; a rough figure is enough to begin. The lag meter measures it.
      </Disclosure>
    </Form>
  );
}

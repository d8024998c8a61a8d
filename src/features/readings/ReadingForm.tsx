'use client';

import { useReducer } from 'react';
import styled from 'styled-components';
import { playFeels, readingMoments, scrubFeels } from '@/core/card';
import { complaintOf } from '@/core/usable';
import { playFeelTexts } from '@/messages/editor';
import { scrubFeelTexts } from '@/messages/interview';
import { Button } from '@/ui/Button';
import { Disclosure } from '@/ui/Disclosure';
import { FieldGrid, Row } from '@/ui/layout';
import { SegmentedField } from '@/ui/SegmentedField';
import { NumberField } from '../fields/NumberField';
import { useOpenCard } from '../shell/card/use-open-card';
import { ReadingDetails } from './ReadingDetails';
import { firstReadingForm, readForm, reduceReadingForm, type TypedReading } from './reading-form-state';
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

const Form = styled.form`
  display: flex;
  flex-direction: column;
  gap: 14px;
`;

/** Types a reading: the shown rate or how it played, how scrubbing felt, whether it is good enough. */
export function ReadingForm({ buttonLabel = 'Store this reading' }: { readonly buttonLabel?: string }) {
  const { card } = useOpenCard();
  const store = useStoreReading();
  const [form, dispatch] = useReducer(reduceReadingForm, card, firstReadingForm);
  const { typed, dropped, details, moment } = form;
  const { shownFps, isEmpty, isWaitAsked } = readForm(form, card);
  const complaint = complaintOf(card);
  const set = (patch: Partial<TypedReading>) => dispatch({ type: 'typed', patch });
  const storeTyped = () => {
    if (!isEmpty && store({ ...typed, shownFps, moment }, details)) dispatch({ type: 'stored', card });
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
        {isWaitAsked && (
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
        {(card.symptoms.kinds.includes('export-slow') || card.filmStage === 'finishing') && (
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
        <SegmentedField
          label="Taken"
          options={moments}
          value={moment}
          onChange={(to) => dispatch({ type: 'moment', moment: to })}
        />
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
              onChange={(count) => dispatch({ type: 'dropped', patch: { count } })}
            />
            <NumberField
              label="In so many seconds"
              unit="seconds"
              minValue={1}
              maxValue={3600}
              fractionDigits={1}
              value={dropped.overSec}
              onChange={(overSec) => dispatch({ type: 'dropped', patch: { overSec } })}
            />
          </FieldGrid>
          {shownFps !== null && <p role="status">That is {shownFps} shown a second.</p>}
        </Disclosure>
      )}
      <ReadingDetails card={card} details={details} onChange={(patch) => dispatch({ type: 'details', patch })} />
      <Row>
        <Button variant="primary" isSubmit isDisabled={isEmpty}>
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

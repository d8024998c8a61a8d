'use client';

import type { ReactNode } from 'react';
import { mainShape, type StatedTimelineField, statedTimelineFields } from '@/core/card';
import { standardFrameRates } from '@/core/footage';
import { type KnownState, knownStates } from '@/core/machine';
import { type Rational, rationalToNumber } from '@/core/numbers/rational';
import { formatFps } from '@/messages/format';
import { knownStateTexts } from '@/messages/machine';
import { listShapes, timelineFieldNames, whereTaken } from '@/messages/timeline';
import { Button } from '@/ui/Button';
import { FieldGrid, Spaced } from '@/ui/layout';
import { FigureList } from '@/ui/lists';
import { SegmentedField } from '@/ui/SegmentedField';
import { SelectField } from '@/ui/SelectField';
import { Sheet } from '@/ui/Sheet';
import { FactField } from '../fields/FactField';
import { FilmLengthField } from '../fields/FilmLengthField';
import { NumberField } from '../fields/NumberField';
import { useOpenCard } from '../shell/card/use-open-card';
import { StepPage } from '../shell/frame/StepPage';
import { EditorSettings } from './EditorSettings';
import { Effects } from './Effects';
import { PreviewSettings } from './PreviewSettings';

const keyOf = (rate: Rational): string => `${rate.num}/${rate.den}`;

/** Fields with a number of things, and how many there can be. */
const countedFields = [
  { field: 'videoLayerCount', unit: 'layers', minValue: 1, maxValue: 50 },
  { field: 'titleCount', unit: 'over them', minValue: 0, maxValue: 50 },
  { field: 'coveredLayerCount', unit: 'layers', minValue: 0, maxValue: 50 },
  { field: 'unusedClipCount', unit: 'clips', minValue: 0, maxValue: 1_000_000 },
] as const;

/** What is drawn for each frame: the timeline's size and rate, its layers and effects; and how the preview is set. */
export function Timeline() {
  const { card, run } = useOpenCard();
  const { timeline } = card;
  const set = (patch: Partial<Omit<typeof timeline, 'stated' | 'effects'>>) =>
    run({ type: 'setTimeline', input: { patch } });
  const confirm = (...fields: readonly StatedTimelineField[]) => run({ type: 'confirmTimeline', input: { fields } });
  const isStated = (field: StatedTimelineField): boolean => timeline.stated.includes(field);
  const shape = mainShape(card.clips);
  const shapes = listShapes(card, shape);
  const guessed = statedTimelineFields.filter((field) => field !== 'effects' && !isStated(field));
  const rates = standardFrameRates.some((rate) => keyOf(rate) === keyOf(timeline.frameRate))
    ? standardFrameRates
    : [timeline.frameRate, ...standardFrameRates];
  /** A field with whether it was stated, and the press that confirms a guess. */
  const fact = (field: StatedTimelineField, control: (name: string) => ReactNode) => (
    <FactField
      key={field}
      source={isStated(field) ? 'typed' : 'assumed'}
      name={timelineFieldNames[field]}
      onConfirm={() => confirm(field)}
    >
      {control(timelineFieldNames[field])}
    </FactField>
  );
  const pixels = (field: 'widthPx' | 'heightPx') =>
    fact(field, (label) => (
      <NumberField
        label={label}
        unit="pixels"
        minValue={16}
        maxValue={32_768}
        canBeEmpty={false}
        value={timeline[field]}
        onChange={(value) => value !== null && set({ [field]: value })}
      />
    ));

  return (
    <StepPage stepId="timeline">
      <Sheet
        title="Where it is heaviest"
        aside={
          guessed.length > 1 ? (
            <Button variant="quiet" onPress={() => confirm(...guessed)}>
              All of this is how it is
            </Button>
          ) : undefined
        }
      >
        <FieldGrid $leastPx={160}>
          {pixels('widthPx')}
          {pixels('heightPx')}
          {fact('frameRate', (label) => (
            <SelectField
              label={label}
              value={keyOf(timeline.frameRate)}
              options={rates.map((rate) => ({
                value: keyOf(rate),
                label: `${formatFps(rationalToNumber(rate))} a second`,
              }))}
              onChange={(key) => {
                const frameRate = rates.find((rate) => keyOf(rate) === key);
                if (frameRate) set({ frameRate });
              }}
            />
          ))}
          {countedFields.map(({ field, ...range }) =>
            fact(field, (label) => (
              <NumberField
                label={label}
                {...range}
                canBeEmpty={false}
                value={timeline[field]}
                onChange={(value) => value !== null && set({ [field]: value })}
              />
            )),
          )}
          <NumberField
            label="Tracks, empty ones too"
            unit="tracks"
            minValue={1}
            maxValue={99}
            value={timeline.trackCount}
            onChange={(trackCount) => set({ trackCount })}
          />
          <FilmLengthField />
          <NumberField
            label="Cuts, if you know"
            unit="a minute"
            minValue={0}
            maxValue={600}
            fractionDigits={1}
            value={timeline.cutsPerMinute}
            onChange={(cutsPerMinute) => set({ cutsPerMinute })}
          />
        </FieldGrid>
        {shape && <p>{whereTaken(shape, timeline.stated)}</p>}
        {shapes.length > 1 && (
          <FigureList $leastPx={180} $abovePx={12} aria-label="Project, clips and delivery">
            {shapes.map(({ name, size, rate }) => (
              <div key={name}>
                <dt>{name}</dt>
                <dd>
                  {size}
                  {rate !== '' && <small>{rate}</small>}
                </dd>
              </div>
            ))}
          </FigureList>
        )}
        <Spaced $abovePx={12}>
          <SegmentedField<KnownState>
            label="Something shows through a layer"
            options={knownStates.map((value) => ({ value, label: knownStateTexts[value] }))}
            value={timeline.isBlendingNeeded}
            onChange={(isBlendingNeeded) => set({ isBlendingNeeded })}
          />
        </Spaced>
      </Sheet>
      <Effects isStated={isStated('effects')} onConfirm={() => confirm('effects')} />
      <PreviewSettings />
      <EditorSettings />
    </StepPage>
  );
}

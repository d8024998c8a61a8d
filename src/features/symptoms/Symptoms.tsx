'use client';

import { enoughKinds, latestReading, targetFpsOf } from '@/core/card';
import { enoughTexts } from '@/messages/card';
import { formatFps } from '@/messages/format';
import { Disclosure } from '@/ui/Disclosure';
import { Spaced } from '@/ui/layout';
import { SegmentedField } from '@/ui/SegmentedField';
import { Sheet } from '@/ui/Sheet';
import { NumberField } from '../fields/NumberField';
import { SideLeads } from '../looks/SideLeads';
import { Disagreeing } from '../readings/Disagreeing';
import { ReadingList } from '../readings/ReadingList';
import { TakeReading } from '../readings/TakeReading';
import { useDiagnosis } from '../shell/answer/diagnosis-context';
import { useOpenCard } from '../shell/card/use-open-card';
import { StepPage } from '../shell/frame/StepPage';
import { Interview } from './Interview';

/** When it lags and how, and the first reading to compare with. */
export function Symptoms() {
  const { card, run } = useOpenCard();
  const { diagnosis } = useDiagnosis();
  const targetFps = targetFpsOf(card);
  const hasReading = latestReading(card) !== null;
  return (
    <StepPage stepId="symptoms">
      <Interview />
      {diagnosis && <SideLeads card={card} leads={diagnosis.sideLeads} />}
      {hasReading && (
        <Sheet title="Readings" aside={`the target is ${formatFps(targetFps)} a second`}>
          <Disagreeing card={card} />
          <ReadingList />
          <Disclosure label="Take another reading">
            <Spaced $abovePx={8}>
              <TakeReading buttonLabel="Store this reading" />
            </Spaced>
          </Disclosure>
        </Sheet>
      )}
      <Sheet title="The rate to reach" aside="follows the timeline and most of the clips">
        <SegmentedField
          label="What is enough while you edit"
          options={enoughKinds.map((value) => ({ value, label: enoughTexts[value] }))}
          value={card.symptoms.enough}
          onChange={(enough) => run({ type: 'setSymptoms', input: { patch: { enough } } })}
        />
        <Spaced $mostPx={260} $abovePx={12}>
          <NumberField
            label="A lower target, if that is enough for you"
            unit="a second"
            minValue={1}
            maxValue={500}
            fractionDigits={3}
            value={card.targetFps}
            onChange={(value) => run({ type: 'setTarget', input: { targetFps: value } })}
          />
        </Spaced>
      </Sheet>
    </StepPage>
  );
}

'use client';

import styled from 'styled-components';
import { lagKinds, lagMoments, latestReading, targetFpsOf } from '@/core/card';
import { formatFps } from '@/messages/format';
import { lagKindTexts, lagMomentTexts } from '@/messages/interview';
import { CheckField } from '@/ui/CheckField';
import { NumberField } from '@/ui/NumberField';
import { Sheet } from '@/ui/Sheet';
import { ReadingForm } from '../readings/ReadingForm';
import { ReadingList } from '../readings/ReadingList';
import { StepPage } from '../shell/StepPage';
import { useOpenCard } from '../shell/use-open-card';

const Columns = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 260px), 1fr));
  gap: 0 20px;
`;
const Group = styled.fieldset`
  border: 0;
  padding: 0;
  margin: 0 0 14px;
  legend { padding: 0; margin-bottom: 4px; font-weight: 650; }
  &:last-child { margin-bottom: 0; }
`;

const toggle = <T,>(list: readonly T[], item: T, isOn: boolean): readonly T[] =>
  isOn ? [...list.filter((other) => other !== item), item] : list.filter((other) => other !== item);

/** When it lags and how, and the first reading to compare with. */
export function Symptoms() {
  const { card, run } = useOpenCard();
  const { moments, kinds } = card.symptoms;
  const targetFps = targetFpsOf(card);
  const hasReading = latestReading(card) !== null;
  return (
    <StepPage stepId="symptoms">
      <Sheet title="What you see">
        <Group>
          <legend>When does it lag?</legend>
          <Columns>
            {lagMoments.map((moment) => (
              <CheckField
                key={moment}
                isSelected={moments.includes(moment)}
                onChange={(isOn) =>
                  run({ type: 'setSymptoms', input: { patch: { moments: toggle(moments, moment, isOn) } } })
                }
              >
                {lagMomentTexts[moment]}
              </CheckField>
            ))}
          </Columns>
        </Group>
        <Group>
          <legend>How?</legend>
          <Columns>
            {lagKinds.map((kind) => (
              <CheckField
                key={kind}
                isSelected={kinds.includes(kind)}
                onChange={(isOn) =>
                  run({ type: 'setSymptoms', input: { patch: { kinds: toggle(kinds, kind, isOn) } } })
                }
              >
                {lagKindTexts[kind]}
              </CheckField>
            ))}
          </Columns>
        </Group>
      </Sheet>
      <Sheet
        title={hasReading ? 'Another reading' : 'The first reading'}
        aside={`the target is ${formatFps(targetFps)} a second`}
      >
        <ReadingForm />
      </Sheet>
      {hasReading && (
        <Sheet title="Readings">
          <ReadingList />
        </Sheet>
      )}
      <Sheet title="The rate to reach" aside="follows the timeline and most of the clips">
        <div style={{ maxWidth: 260 }}>
          <NumberField
            label="A lower target, if that is enough for you"
            unit="a second"
            minValue={1}
            maxValue={500}
            fractionDigits={3}
            value={card.targetFps}
            onChange={(value) => run({ type: 'setTarget', input: { targetFps: value } })}
          />
        </div>
      </Sheet>
    </StepPage>
  );
}

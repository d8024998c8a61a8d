'use client';

import styled from 'styled-components';
import { firstThingIds } from '@/core/card';
import { type KnownState, knownStates } from '@/core/machine';
import { firstThingTexts } from '@/messages/interview';
import { knownStateTexts } from '@/messages/machine';
import { FieldGrid, Spaced } from '@/ui/layout';
import { SegmentedField } from '@/ui/SegmentedField';
import { Sheet } from '@/ui/Sheet';
import { colour } from '@/ui/tokens';
import { FilmStageField } from '../fields/FilmStageField';
import { NumberField } from '../fields/NumberField';
import { useOpenCard } from '../shell/card/use-open-card';
import { StepPage } from '../shell/frame/StepPage';

const Question = styled.div`
  padding: 10px 0;
  border-top: 1px solid ${colour.line};
  &:first-child { border-top: 0; padding-top: 2px; }
  > p { margin-top: 4px; font-size: 14.5px; color: ${colour.inkSoft}; }
`;

const Asked = styled.span`
  color: ${colour.ink};
  font-size: 16px;
`;

const answers = knownStates.map((value) => ({ value, label: knownStateTexts[value] }));

/** Quick answers before anything else, and what the film is for. */
export function FirstThings() {
  const { card, run } = useOpenCard();
  const { delivery } = card;
  return (
    <StepPage stepId="first-things">
      <Sheet title="Before you change anything">
        {firstThingIds.map((id) => (
          <Question key={id}>
            <SegmentedField<KnownState>
              label={<Asked>{firstThingTexts[id].question}</Asked>}
              options={answers}
              value={card.firstThings[id]}
              onChange={(answer) => run({ type: 'answerFirstThing', input: { id, answer } })}
            />
            <p>{firstThingTexts[id].why}</p>
          </Question>
        ))}
      </Sheet>
      <Sheet title="What the film is for" aside="kept on the card; leave empty what you do not know">
        <FieldGrid>
          <NumberField
            label="Delivered height"
            unit="pixels"
            minValue={16}
            maxValue={32_768}
            value={delivery.heightPx}
            onChange={(heightPx) => run({ type: 'setDelivery', input: { patch: { heightPx } } })}
          />
          <NumberField
            label="Delivered rate"
            unit="frames a second"
            minValue={1}
            maxValue={500}
            fractionDigits={3}
            value={delivery.frameRateFps}
            onChange={(frameRateFps) => run({ type: 'setDelivery', input: { patch: { frameRateFps } } })}
          />
        </FieldGrid>
        <Spaced $abovePx={12}>
          <FilmStageField />
        </Spaced>
      </Sheet>
    </StepPage>
  );
}

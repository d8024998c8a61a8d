'use client';

import styled from 'styled-components';
import { firstThingIds } from '@/core/card';
import { type KnownState, knownStates } from '@/core/machine';
import { firstThingTexts } from '@/messages/card';
import { knownStateTexts } from '@/messages/machine';
import { FieldGrid } from '@/ui/layout';
import { NumberField } from '@/ui/NumberField';
import { SegmentedField } from '@/ui/SegmentedField';
import { Sheet } from '@/ui/Sheet';
import { colour } from '@/ui/tokens';
import { StepPage } from '../shell/StepPage';
import { useOpenCard } from '../shell/use-open-card';

const Question = styled.div`
  padding: 10px 0;
  border-top: 1px solid ${colour.line};
  &:first-child { border-top: 0; padding-top: 2px; }
  > p { margin-top: 4px; font-size: 14.5px; color: ${colour.inkSoft}; }
`;

const answers = knownStates.map((value) => ({ value, label: knownStateTexts[value] }));

/** A film's usual height and rate, offered while nothing is said about what it is for. */
const usualDelivery = { heightPx: 1080, frameRateFps: 25 };

/** Quick answers before anything else, and what the film is for. */
export function FirstThings() {
  const { card, run } = useOpenCard();
  const delivery = card.delivery;
  const setDelivery = (patch: Partial<typeof usualDelivery>) =>
    run({ type: 'setDelivery', input: { delivery: { ...usualDelivery, ...delivery, ...patch } } });
  return (
    <StepPage stepId="first-things">
      <Sheet title="Before you change anything">
        {firstThingIds.map((id) => (
          <Question key={id}>
            <SegmentedField<KnownState>
              label={<span style={{ color: colour.ink, fontSize: 16 }}>{firstThingTexts[id].question}</span>}
              options={answers}
              value={card.firstThings[id]}
              onChange={(answer) => run({ type: 'answerFirstThing', input: { id, answer } })}
            />
            <p>{firstThingTexts[id].why}</p>
          </Question>
        ))}
      </Sheet>
      <Sheet title="What the film is for" aside="Decides which loss of size costs nothing in the end.">
        <FieldGrid>
          <NumberField
            label="Delivered height"
            unit="lines"
            minValue={16}
            maxValue={32_768}
            value={delivery?.heightPx ?? null}
            onChange={(heightPx) =>
              heightPx === null ? run({ type: 'setDelivery', input: { delivery: null } }) : setDelivery({ heightPx })
            }
          />
          <NumberField
            label="Delivered rate"
            unit="frames a second"
            minValue={1}
            maxValue={500}
            fractionDigits={3}
            value={delivery?.frameRateFps ?? null}
            onChange={(frameRateFps) =>
              frameRateFps === null
                ? run({ type: 'setDelivery', input: { delivery: null } })
                : setDelivery({ frameRateFps })
            }
          />
        </FieldGrid>
      </Sheet>
    </StepPage>
  );
}

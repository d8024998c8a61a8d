'use client';

import { useState } from 'react';
import styled from 'styled-components';
import { standardFrameRates } from '@/core/footage';
import { type EffectKind, effectCosts, effectKinds } from '@/core/load';
import { type KnownState, knownStates } from '@/core/machine';
import { type Rational, rationalToNumber } from '@/core/numbers/rational';
import { formatFps } from '@/messages/format';
import { effectLabels } from '@/messages/load';
import { knownStateTexts } from '@/messages/machine';
import { Button } from '@/ui/Button';
import { FieldGrid, Row, Soft } from '@/ui/layout';
import { NumberField } from '@/ui/NumberField';
import { SegmentedField } from '@/ui/SegmentedField';
import { SelectField } from '@/ui/SelectField';
import { Sheet } from '@/ui/Sheet';
import { colour } from '@/ui/tokens';
import { useNotify } from '../shell/notices';
import { StepPage } from '../shell/StepPage';
import { useOpenCard } from '../shell/use-open-card';
import { EditorSettings } from './EditorSettings';
import { PreviewSettings } from './PreviewSettings';

const Item = styled.li`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 170px auto;
  gap: 12px;
  align-items: center;
  padding: 6px 0;
  border-top: 1px solid ${colour.line};
`;

const keyOf = (rate: Rational): string => `${rate.num}/${rate.den}`;
const effectOptions = effectKinds.map((value) => ({ value, label: effectLabels[value] }));
const assumedEffects = new Set<EffectKind>(
  effectCosts.filter((row) => row.origin === 'assumed').map((row) => row.kind),
);

/** What is drawn for each frame: the timeline's size and rate, its layers and effects; and how the preview is set. */
export function Timeline() {
  const { card, run } = useOpenCard();
  const notify = useNotify();
  const [newKind, setNewKind] = useState<EffectKind>('colour-curves');
  const { timeline } = card;
  const set = (patch: Partial<Omit<typeof timeline, 'isDescribed' | 'effects'>>) =>
    run({ type: 'setTimeline', input: { patch } });
  const rates = standardFrameRates.some((rate) => keyOf(rate) === keyOf(timeline.frameRate))
    ? standardFrameRates
    : [timeline.frameRate, ...standardFrameRates];
  const removeEffect = (id: string) => {
    const index = timeline.effects.findIndex((effect) => effect.id === id);
    const effect = timeline.effects[index];
    if (!effect || !run({ type: 'removeEffect', input: { id } }).ok) return;
    notify({
      kind: 'info',
      text: `Removed “${effectLabels[effect.kind]}”.`,
      action: { label: 'Undo', run: () => run({ type: 'addEffect', input: { effect, index } }) },
    });
  };

  return (
    <StepPage stepId="timeline">
      <Sheet
        title="Where it is heaviest"
        aside={timeline.isDescribed ? undefined : 'taken from the first clip until you change something'}
      >
        <FieldGrid $leastPx={150}>
          <NumberField
            label="Width"
            unit="pixels"
            minValue={16}
            maxValue={32_768}
            value={timeline.widthPx}
            onChange={(value) => value !== null && set({ widthPx: value })}
          />
          <NumberField
            label="Height"
            unit="lines"
            minValue={16}
            maxValue={32_768}
            value={timeline.heightPx}
            onChange={(value) => value !== null && set({ heightPx: value })}
          />
          <SelectField
            label="Frame rate"
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
          <NumberField
            label="Moving pictures at once"
            unit="layers"
            minValue={1}
            maxValue={50}
            value={timeline.videoLayerCount}
            onChange={(value) => value !== null && set({ videoLayerCount: value })}
          />
          <NumberField
            label="Titles, stills, graphics"
            unit="over them"
            minValue={0}
            maxValue={50}
            value={timeline.titleCount}
            onChange={(value) => value !== null && set({ titleCount: value })}
          />
          <NumberField
            label="Layers wholly covered"
            unit="layers"
            minValue={0}
            maxValue={50}
            value={timeline.coveredLayerCount}
            onChange={(value) => value !== null && set({ coveredLayerCount: value })}
          />
          <NumberField
            label="Cuts, if you know"
            unit="a minute"
            minValue={0}
            maxValue={600}
            fractionDigits={1}
            value={timeline.cutsPerMinute}
            onChange={(cutsPerMinute) => set({ cutsPerMinute })}
          />
          <NumberField
            label="Imported and unused"
            unit="clips"
            minValue={0}
            maxValue={1_000_000}
            value={timeline.unusedClipCount}
            onChange={(value) => value !== null && set({ unusedClipCount: value })}
          />
        </FieldGrid>
        <div style={{ marginTop: 14 }}>
          <SegmentedField<KnownState>
            label="Something shows through a layer"
            options={knownStates.map((value) => ({ value, label: knownStateTexts[value] }))}
            value={timeline.isBlendingNeeded}
            onChange={(isBlendingNeeded) => set({ isBlendingNeeded })}
          />
        </div>
      </Sheet>
      <Sheet title="Effects there" aside={timeline.effects.length === 0 ? 'none named' : undefined}>
        <ul>
          {timeline.effects.map((effect) => (
            <Item key={effect.id}>
              <span>
                {effectLabels[effect.kind]} {assumedEffects.has(effect.kind) && <Soft>(its cost is assumed)</Soft>}
              </span>
              <NumberField
                label={null}
                aria-label={`Layers with ${effectLabels[effect.kind]}`}
                unit={effect.layerCount === 1 ? 'layer' : 'layers'}
                minValue={1}
                maxValue={50}
                value={effect.layerCount}
                onChange={(layerCount) =>
                  layerCount !== null && run({ type: 'updateEffect', input: { id: effect.id, layerCount } })
                }
              />
              <Button
                look="danger"
                aria-label={`Remove ${effectLabels[effect.kind]}`}
                onPress={() => removeEffect(effect.id)}
              >
                Remove
              </Button>
            </Item>
          ))}
        </ul>
        <Row style={{ alignItems: 'end', marginTop: 10 }}>
          <div style={{ width: 290, maxWidth: '100%' }}>
            <SelectField label="Another effect" value={newKind} options={effectOptions} onChange={setNewKind} />
          </div>
          <Button
            onPress={() =>
              run({ type: 'addEffect', input: { effect: { id: crypto.randomUUID(), kind: newKind, layerCount: 1 } } })
            }
          >
            Add effect
          </Button>
        </Row>
      </Sheet>
      <PreviewSettings />
      <EditorSettings />
    </StepPage>
  );
}

'use client';

import { useState } from 'react';
import styled from 'styled-components';
import { type EffectKind, effectCosts, effectKinds, effectStrengthIds, hasReach } from '@/core/load';
import { effectLabels, strengthLabels } from '@/messages/load';
import { Button } from '@/ui/Button';
import { Row, Soft } from '@/ui/layout';
import { SelectField } from '@/ui/SelectField';
import { Sheet } from '@/ui/Sheet';
import { colour } from '@/ui/tokens';
import { useFocusNext } from '@/ui/use-focus-next';
import { FactField } from '../fields/FactField';
import { NumberField } from '../fields/NumberField';
import { useOpenCard } from '../shell/card/use-open-card';
import { useNotify } from '../shell/notices/notices';

const Item = styled.li`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 150px 150px auto;
  gap: 12px;
  align-items: center;
  padding: 6px 0;
  border-top: 1px solid ${colour.line};
  &:first-child { border-top: 0; }
  @media (max-width: 700px) {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    > :first-child { grid-column: 1 / -1; }
    > :last-child { justify-self: start; }
  }
`;
const Adding = styled(Row)`
  align-items: end;
  margin-top: 10px;
  > div { width: 290px; max-width: 100%; }
`;

const effectOptions = effectKinds.map((value) => ({ value, label: effectLabels[value] }));
const strengthOptions = effectStrengthIds.map((value) => ({ value, label: `${strengthLabels[value]} reach` }));
const assumedEffects = new Set<EffectKind>(
  effectCosts.filter((row) => row.origin === 'assumed').map((row) => row.kind),
);

interface EffectsProps {
  /** Whether a person said which effects there are, or that there are none. */
  readonly isStated: boolean;
  readonly onConfirm: () => void;
}

/** The effects where the timeline is heaviest, each on so many layers. */
export function Effects({ isStated, onConfirm }: EffectsProps) {
  const { card, run } = useOpenCard();
  const notify = useNotify();
  const { ref, focusNext } = useFocusNext<HTMLDivElement>();
  const [newKind, setNewKind] = useState<EffectKind>('colour-curves');
  const { effects } = card.timeline;
  const remove = (id: string) => {
    const index = effects.findIndex((effect) => effect.id === id);
    const effect = effects[index];
    if (!effect || !run({ type: 'removeEffect', input: { id } }).ok) return;
    focusNext();
    notify({
      kind: 'info',
      text: `Removed “${effectLabels[effect.kind]}”.`,
      action: { label: 'Undo', run: () => run({ type: 'addEffect', input: { effect, index } }) },
    });
  };
  return (
    <Sheet title="Effects there">
      <FactField source={isStated ? 'typed' : 'assumed'} name="Effects there" onConfirm={onConfirm}>
        <div ref={ref} tabIndex={-1}>
          {effects.length === 0 && (
            <p>{isStated ? 'There are none.' : 'None named: taken for none until you say so.'}</p>
          )}
          <ul>
            {effects.map((effect) => (
              <Item key={effect.id}>
                <span>
                  {effectLabels[effect.kind]} {assumedEffects.has(effect.kind) && <Soft>(its cost is assumed)</Soft>}
                </span>
                {hasReach(effect.kind) ? (
                  <SelectField
                    label={`Strength of ${effectLabels[effect.kind]}`}
                    isLabelHidden
                    value={effect.strength}
                    options={strengthOptions}
                    onChange={(strength) =>
                      run({ type: 'updateEffect', input: { id: effect.id, patch: { strength } } })
                    }
                  />
                ) : (
                  <span />
                )}
                <NumberField
                  label={null}
                  aria-label={`Layers with ${effectLabels[effect.kind]}`}
                  unit={effect.layerCount === 1 ? 'layer' : 'layers'}
                  minValue={1}
                  maxValue={50}
                  canBeEmpty={false}
                  value={effect.layerCount}
                  onChange={(layerCount) =>
                    layerCount !== null &&
                    run({ type: 'updateEffect', input: { id: effect.id, patch: { layerCount } } })
                  }
                />
                <Button
                  variant="danger"
                  aria-label={`Remove ${effectLabels[effect.kind]}`}
                  onPress={() => remove(effect.id)}
                >
                  Remove
                </Button>
              </Item>
            ))}
          </ul>
        </div>
      </FactField>
      <Adding>
        <div>
          <SelectField label="Another effect" value={newKind} options={effectOptions} onChange={setNewKind} />
        </div>
        <Button
          onPress={() =>
            run({
              type: 'addEffect',
              input: { effect: { id: crypto.randomUUID(), kind: newKind, layerCount: 1, strength: 'usual' } },
            })
          }
        >
          Add effect
        </Button>
      </Adding>
    </Sheet>
  );
}

'use client';

import styled from 'styled-components';
import type { Belief } from '@/core/belief';
import type { JobCard } from '@/core/card';
import { findObstacle } from '@/core/diagnose';
import { applyFixes, type FixDefinition, type FixId, type FixLevel, fixCatalogue, fixGroups } from '@/core/fixes';
import { fixTitle } from '@/messages/fix-titles';
import { fixGroupTexts, fixTexts } from '@/messages/fixes';
import { CheckField } from '@/ui/CheckField';
import { Disclosure } from '@/ui/Disclosure';
import { SelectField } from '@/ui/SelectField';
import { Sheet } from '@/ui/Sheet';
import { colour } from '@/ui/tokens';
import type { WhatIfSet } from './use-what-if-set';

const Line = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 170px;
  gap: 4px 12px;
  align-items: start;
  padding: 4px 0;
  small { display: block; font-size: 14px; color: ${colour.inkSoft}; }
  @media (max-width: 600px) { grid-template-columns: minmax(0, 1fr); }
`;

/** Fixes with which nothing is set now: they are bought, or act on the export alone. */
const isSetting = ({ group }: FixDefinition): boolean => group !== 'export' && group !== 'upgrades';

interface FixPickerProps {
  readonly card: JobCard;
  readonly posterior: Belief;
  readonly set: WhatIfSet;
}

function FixLine({ fix, posterior, set }: Omit<FixPickerProps, 'card'> & { readonly fix: FixDefinition<FixId> }) {
  const chosen = set.chosen.find(({ id }) => id === fix.id);
  const obstacle = chosen ? null : findObstacle(posterior.base, set.chosen, fix);
  const others = set.chosen.filter(({ id }) => id !== fix.id);
  const levels = fix.levelsFor(applyFixes(posterior.base, others));
  const [first] = levels;
  if (obstacle?.code === 'cannot-apply' || (!chosen && first === undefined)) return null;
  const level: FixLevel = chosen ? chosen.level : (levels.find((each) => each === fix.defaultLevel) ?? first ?? null);
  const offered = [...new Set([...levels, ...(chosen ? [chosen.level] : [])])];
  return (
    <Line>
      <CheckField
        isSelected={chosen !== undefined}
        isDisabled={obstacle !== null}
        onChange={(isOn) => set.set(fix.id, isOn ? { id: fix.id, level } : null)}
      >
        {fixTitle(fix.id, level)}
        <small>
          {obstacle?.code === 'excluded'
            ? `Not together with: ${fixTitle(obstacle.by, null)}`
            : `costs ${fixTexts[fix.id].cost}`}
        </small>
      </CheckField>
      {chosen && offered.length > 1 && (
        <SelectField
          label="Level"
          options={offered.map((each) => ({ value: String(each), label: String(each) }))}
          value={String(chosen.level)}
          onChange={(value) =>
            set.set(fix.id, { id: fix.id, level: offered.find((each) => String(each) === value) ?? null })
          }
        />
      )}
    </Line>
  );
}

/** Every fix that can be made here, by the part of the work it belongs to; what is chosen stands open. */
export function FixPicker({ card, posterior, set }: FixPickerProps) {
  const offered = fixCatalogue.filter((fix) => isSetting(fix) && !card.editorProfile.lacks.includes(fix.id));
  const chosen = offered.filter(({ id }) => set.chosen.some((fix) => fix.id === id));
  const show = (fix: FixDefinition<FixId>) => <FixLine key={fix.id} fix={fix} posterior={posterior} set={set} />;
  return (
    <Sheet title="Fixes in the set" aside={`${set.chosen.length} chosen`}>
      {chosen.map(show)}
      {fixGroups.map((group) => {
        const others = offered.filter((fix) => fix.group === group && !chosen.includes(fix));
        return others.length === 0 ? null : (
          <Disclosure key={group} label={fixGroupTexts[group]}>
            {others.map(show)}
          </Disclosure>
        );
      })}
    </Sheet>
  );
}

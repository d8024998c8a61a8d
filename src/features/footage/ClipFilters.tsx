'use client';

import { memo, useMemo } from 'react';
import styled from 'styled-components';
import { type ClipFilter, type ClipRow, clipGroups, countTraits } from '@/core/diagnose';
import type { ClipTrait } from '@/core/footage';
import { traitLabel } from '@/messages/clip-traits';
import { SearchField } from '@/ui/SearchField';
import { SelectField } from '@/ui/SelectField';

const Line = styled.div`
  display: grid;
  grid-template-columns: minmax(150px, 1.3fr) minmax(120px, 1fr) minmax(150px, 1.2fr);
  gap: 12px;
  margin-bottom: 12px;
  align-items: end;
  @media (max-width: 720px) { grid-template-columns: minmax(0, 1fr); }
`;

const groupLabels: Readonly<Record<ClipFilter['group'], string>> = {
  all: 'All clips',
  'over-budget': 'Over the budget',
  video: 'Videos',
  still: 'Stills',
  sound: 'Sounds',
};
const anyTrait = 'any';

interface ClipFiltersProps {
  readonly rows: readonly ClipRow[];
  readonly filter: ClipFilter;
  readonly onChange: (filter: ClipFilter) => void;
}

/** Which clips of the table are shown. */
export const ClipFilters = memo(function ClipFilters({ rows, filter, onChange }: ClipFiltersProps) {
  const traits = useMemo(() => countTraits(rows), [rows]);
  return (
    <Line>
      <SearchField
        label="Find by name or folder"
        value={filter.text}
        onChange={(text) => onChange({ ...filter, text })}
      />
      <SelectField
        label="Show"
        value={filter.group}
        options={clipGroups.map((value) => ({ value, label: groupLabels[value] }))}
        onChange={(group) => onChange({ ...filter, group })}
      />
      <SelectField<ClipTrait | typeof anyTrait>
        label="What stands out"
        value={filter.trait ?? anyTrait}
        options={[
          { value: anyTrait, label: 'Anything' },
          ...traits.map(({ trait, count }) => ({ value: trait, label: `${traitLabel(trait)} (${count})` })),
        ]}
        onChange={(trait) => onChange({ ...filter, trait: trait === anyTrait ? null : trait })}
      />
    </Line>
  );
});

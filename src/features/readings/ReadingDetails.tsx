'use client';

import { areSameFixes, type FixUse, fixesInForce, type JobCard, readingPasses, readingViewers } from '@/core/card';
import type { KnownState } from '@/core/machine';
import { readingPassTexts, readingViewerTexts } from '@/messages/readings';
import { Disclosure } from '@/ui/Disclosure';
import { FieldGrid, Stack } from '@/ui/layout';
import { SegmentedField } from '@/ui/SegmentedField';
import { SelectField } from '@/ui/SelectField';
import { TextField } from '@/ui/TextField';
import { NumberField } from '../fields/NumberField';
import { describeReadingSetup } from './describe-setup';
import type { Details } from './reading-details';

const viewers = readingViewers.map((value) => ({ value, label: readingViewerTexts[value] }));
const passes = readingPasses.map((value) => ({ value, label: readingPassTexts[value] }));
const yesOrNo: readonly { readonly value: KnownState; readonly label: string }[] = [
  { value: 'yes', label: 'Yes' },
  { value: 'no', label: 'No' },
  { value: 'unknown', label: 'Don’t know' },
];

/** Set-ups that a reading may belong to: as it is now, before any fix, and those of earlier readings. */
function listSetups(card: JobCard): readonly (readonly FixUse[])[] {
  const all = [fixesInForce(card), [], ...card.readings.map(({ fixes }) => fixes)];
  return all.filter((fixes, i) => all.findIndex((other) => areSameFixes(other, fixes)) === i);
}

interface ReadingDetailsProps {
  readonly card: JobCard;
  readonly details: Details;
  readonly onChange: (patch: Partial<Details>) => void;
}

/** Under which set-up a reading was taken and what was played; all of it can be left as it is. */
export function ReadingDetails({ card, details, onChange }: ReadingDetailsProps) {
  const setups = listSetups(card);
  const chosen = details.fixes ?? fixesInForce(card);
  return (
    <Disclosure label="What was played, and under which set-up">
      <Stack $gapPx={14} $abovePx={8}>
        <FieldGrid $leastPx={230}>
          <SelectField
            label="Set-up it was taken under"
            options={setups.map((fixes, i) => ({
              value: String(i),
              label: `${i === 0 ? 'As it is now: ' : ''}${describeReadingSetup(fixes)}`,
            }))}
            value={String(setups.findIndex((fixes) => areSameFixes(fixes, chosen)))}
            onChange={(at) => onChange({ fixes: setups[Number(at)] ?? null })}
          />
          <TextField
            label="Stretch or clip that played"
            value={details.stretch}
            onCommit={(stretch) => {
              onChange({ stretch: stretch.slice(0, 120) });
              return true;
            }}
          />
          <TextField
            label="Note"
            value={details.note}
            onCommit={(note) => {
              onChange({ note: note.slice(0, 2000) });
              return true;
            }}
          />
        </FieldGrid>
        <FieldGrid $leastPx={300}>
          <SegmentedField
            label="Viewer"
            options={viewers}
            value={details.viewer}
            onChange={(viewer) => onChange({ viewer })}
          />
          <SegmentedField
            label="Played"
            options={passes}
            value={details.pass}
            onChange={(pass) => onChange({ pass })}
          />
          <SegmentedField
            label="With effects on it"
            options={yesOrNo}
            value={details.withEffects}
            onChange={(withEffects) => onChange({ withEffects })}
          />
          <SegmentedField
            label="Just after a restart"
            options={yesOrNo}
            value={details.isAfterRestart}
            onChange={(isAfterRestart) => onChange({ isAfterRestart })}
          />
        </FieldGrid>
        <FieldGrid $leastPx={230}>
          <NumberField
            label="Whole processor’s use meanwhile"
            unit="% of all cores"
            minValue={0}
            maxValue={100}
            value={details.coreUsePercent}
            onChange={(coreUsePercent) => onChange({ coreUsePercent })}
          />
          <NumberField
            label="Memory in use meanwhile"
            unit="%"
            minValue={0}
            maxValue={100}
            value={details.memoryUsePercent}
            onChange={(memoryUsePercent) => onChange({ memoryUsePercent })}
          />
        </FieldGrid>
      </Stack>
    </Disclosure>
  );
}

'use client';

import { Plus } from 'lucide-react';
import styled from 'styled-components';
import { type CardDrive, type JobCard, type PlaceId, placeIds } from '@/core/card';
import { type DriveKind, driveKinds } from '@/core/machine';
import { formatFps } from '@/messages/format';
import { describeCacheWarnings, describeDriveWarning, driveTexts, placeTexts } from '@/messages/machine';
import { Button } from '@/ui/Button';
import { Disclosure } from '@/ui/Disclosure';
import { FieldGrid, Spaced } from '@/ui/layout';
import { Note } from '@/ui/Note';
import { SelectField } from '@/ui/SelectField';
import { TextField } from '@/ui/TextField';
import { colour } from '@/ui/tokens';
import { NumberField } from '../fields/NumberField';
import { useOpenCard } from '../shell/card/use-open-card';

const Item = styled.li`
  display: grid;
  grid-template-columns: minmax(90px, 0.7fr) minmax(150px, 1.2fr) 100px 100px auto;
  gap: 8px 12px;
  align-items: start;
  padding: 8px 0;
  border-top: 1px solid ${colour.line};
  &:first-child { border-top: 0; }
  > button { margin-top: 25px; }
  > div:last-child { grid-column: 1 / -1; }
  @media (max-width: 1240px) { grid-template-columns: 1fr 1fr; > button { margin-top: 0; justify-self: start; } }
`;
const Head = styled.div`
  display: flex;
  align-items: baseline;
  justify-content: space-between;
  padding-top: 8px;
  border-top: 1px dashed ${colour.line};
  h3 { font-size: 16px; }
`;
const Fill = styled.div`
  display: flex;
  align-items: center;
  gap: 10px;
  font-size: 14.5px;
  color: ${colour.inkSoft};
  > span:first-child { flex: none; width: 160px; height: 8px; border: 1px solid ${colour.edge}; border-radius: 4px; overflow: hidden; }
  > span > i { display: block; height: 100%; background: ${colour.edge}; }
  &[data-full] > span > i { background: ${colour.alarm}; }
`;

const kinds: readonly { readonly value: DriveKind | 'unknown'; readonly label: string }[] = [
  { value: 'unknown', label: 'Don’t know' },
  ...driveKinds.map(({ id }) => ({ value: id, label: driveTexts[id] })),
];
/** From here on a drive slows whatever writes to it. */
const fullRatio = 0.9;

const newDrive = (count: number): CardDrive => ({
  id: crypto.randomUUID(),
  label: `Drive ${count + 1}`,
  kind: null,
  sizeGb: null,
  freeGb: null,
  holds: [],
});

function Fullness({ drive }: { readonly drive: CardDrive }) {
  const { sizeGb, freeGb, holds } = drive;
  if (!sizeGb || freeGb === null) return null;
  const takenRatio = Math.min(1, Math.max(0, 1 - freeGb / sizeGb));
  return (
    <Fill data-full={takenRatio >= fullRatio || undefined}>
      <span aria-hidden="true">
        <i style={{ width: `${100 * takenRatio}%` }} />
      </span>
      <span>
        {Math.round(100 * takenRatio)} % full{takenRatio >= fullRatio && ': too full'}
        {holds.length > 0 && ` · holds ${holds.map((place) => placeTexts[place].toLowerCase()).join(', ')}`}
      </span>
    </Fill>
  );
}

/** What is asked of each cache of the editor. */
const cacheFields = [
  { which: 'cache', name: placeTexts.cache },
  { which: 'clipCache', name: placeTexts['clip-cache'] },
] as const;

/** Drives as things of their own, and what lies on which: what gets into each other's way is said. */
export function Drives({ card }: { readonly card: JobCard }) {
  const { run } = useOpenCard();
  const { drives } = card;
  const set = (drive: CardDrive) => run({ type: 'setDrive', input: { drive } });
  const warning = describeDriveWarning(drives);
  const cacheWarnings = describeCacheWarnings(card);
  const options = [{ value: 'unknown', label: 'Don’t know' }, ...drives.map(({ id, label }) => ({ value: id, label }))];
  const driveOf = (place: PlaceId): string => drives.find(({ holds }) => holds.includes(place))?.id ?? 'unknown';
  return (
    <>
      <Head>
        <h3>Drives one by one</h3>
        <Button variant="quiet" onPress={() => set(newDrive(drives.length))}>
          <Plus size={16} aria-hidden="true" /> Add a drive
        </Button>
      </Head>
      <ul>
        {drives.map((drive) => (
          <Item key={drive.id} aria-label={drive.label}>
            <TextField
              label="Drive"
              value={drive.label}
              onCommit={(label) => label.trim() !== '' && set({ ...drive, label: label.trim().slice(0, 60) }).ok}
            />
            <SelectField
              label="Kind"
              value={drive.kind ?? 'unknown'}
              options={kinds}
              onChange={(kind) => set({ ...drive, kind: kind === 'unknown' ? null : kind })}
            />
            <NumberField
              label="Size"
              unit="GB"
              minValue={0}
              maxValue={1_000_000}
              fractionDigits={1}
              value={drive.sizeGb}
              onChange={(sizeGb) => set({ ...drive, sizeGb })}
            />
            <NumberField
              label="Free"
              unit="GB"
              minValue={0}
              maxValue={1_000_000}
              fractionDigits={1}
              value={drive.freeGb}
              onChange={(freeGb) => set({ ...drive, freeGb })}
            />
            <Button
              variant="danger"
              aria-label={`Remove ${drive.label}`}
              onPress={() => run({ type: 'removeDrive', input: { id: drive.id } })}
            >
              Remove
            </Button>
            <Fullness drive={drive} />
          </Item>
        ))}
      </ul>
      <Spaced $abovePx={12}>
        <FieldGrid $leastPx={300}>
          {cacheFields.flatMap(({ which, name }) =>
            (['usedGb', 'limitGb'] as const).map((field) => (
              <NumberField
                key={`${which} ${field}`}
                label={`${name} ${field === 'usedGb' ? 'holds' : 'may hold'}`}
                unit="GB"
                minValue={0}
                maxValue={1_000_000}
                fractionDigits={1}
                value={card[which][field]}
                onChange={(value) => run({ type: 'setCache', input: { which, patch: { [field]: value } } })}
              />
            )),
          )}
        </FieldGrid>
      </Spaced>
      {cacheWarnings.map((warning) => (
        <Spaced key={warning}>
          <Note>{warning}</Note>
        </Spaced>
      ))}
      {warning && (
        <Spaced $abovePx={12}>
          <Note>{warning} Moving the cache is among the fixes, with what it would bring.</Note>
        </Spaced>
      )}
      {drives.length > 0 && (
        <Spaced $abovePx={12}>
          <Disclosure label="What lies on which drive">
            <FieldGrid $leastPx={190}>
              {placeIds.map((place) => (
                <SelectField
                  key={place}
                  label={placeTexts[place]}
                  value={driveOf(place)}
                  options={options}
                  onChange={(driveId) =>
                    run({ type: 'placeOnDrive', input: { place, driveId: driveId === 'unknown' ? null : driveId } })
                  }
                />
              ))}
            </FieldGrid>
          </Disclosure>
        </Spaced>
      )}
      {drives.some(({ freeGb }) => freeGb !== null && freeGb < 10) && (
        <Spaced $abovePx={12}>
          <Note>
            Less than 10 GB are left on{' '}
            {drives
              .filter(({ freeGb }) => freeGb !== null && freeGb < 10)
              .map(({ label, freeGb }) => `${label} (${formatFps(freeGb ?? 0)} GB)`)
              .join(', ')}
            .
          </Note>
        </Spaced>
      )}
    </>
  );
}

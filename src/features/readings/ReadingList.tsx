'use client';

import styled from 'styled-components';
import { areSameFixes, fixesInForce, type Reading } from '@/core/card';
import { rateOfReading } from '@/core/readings';
import { formatCount, formatMoment, formatRate } from '@/messages/format';
import { scrubFeelTexts } from '@/messages/interview';
import { describeRecorder } from '@/messages/programs';
import { describeReadingWay } from '@/messages/readings';
import { Button } from '@/ui/Button';
import { DataTable, TableFrame } from '@/ui/DataTable';
import { VisuallyHidden } from '@/ui/layout';
import { PlainCheck } from '@/ui/PlainCheck';
import { Tag } from '@/ui/Tag';
import { useOpenCard } from '../shell/card/use-open-card';
import { useNowMs } from '../shell/frame/use-now';
import { useNotify } from '../shell/notices/notices';
import { describeReadingSetup } from './describe-setup';

const Actions = styled.td`
  text-align: right;
  white-space: nowrap;
`;

/** "14.2 (at least)", "9.8 while scrubbing", "6 stutters", or that it has no figure. */
function describeFigure(reading: Reading): string {
  const { measured, tapped, doing } = reading;
  const rate = rateOfReading(reading);
  if (rate !== null) {
    const about = doing === 'scrubbing' ? ' while scrubbing' : measured?.isAtLeast ? ' or more' : '';
    return `${formatRate(rate)}${about}`;
  }
  return tapped ? formatCount(tapped.stutterCount, 'stutter') : '–';
}

interface ReadingListProps {
  /** Readings that are chosen to be compared; without it there is nothing to choose. */
  readonly chosen?: ReadonlySet<string>;
  readonly onChoose?: (id: string, isChosen: boolean) => void;
}

/** All readings of the card, the set-up each was taken under, and a way to delete one. */
export function ReadingList({ chosen, onChoose }: ReadingListProps) {
  const { card, run } = useOpenCard();
  const notify = useNotify();
  const isInBrowser = useNowMs() !== null;
  const inForce = fixesInForce(card);
  const used = new Set(card.trials.flatMap((trial) => [trial.beforeReadingId, trial.afterReadingId]));
  const remove = (reading: Reading) => {
    const index = card.readings.indexOf(reading);
    if (!run({ type: 'removeReading', input: { id: reading.id } }).ok) return;
    notify({
      kind: 'info',
      text: 'Deleted the reading.',
      action: { label: 'Undo', run: () => run({ type: 'restoreReading', input: { reading, index } }) },
    });
  };
  return (
    <TableFrame>
      <DataTable>
        <thead>
          <tr>
            {onChoose && (
              <th scope="col">
                <VisuallyHidden>Compare</VisuallyHidden>
              </th>
            )}
            <th scope="col">Taken</th>
            <th scope="col" data-figure>
              Shown a second
            </th>
            <th scope="col">How</th>
            <th scope="col">Scrubbing</th>
            <th scope="col">Set-up</th>
            <th scope="col">
              <VisuallyHidden>Action</VisuallyHidden>
            </th>
          </tr>
        </thead>
        <tbody>
          {card.readings.map((reading) => (
            <tr key={reading.id}>
              {onChoose && (
                <td>
                  <PlainCheck
                    label={`Compare the reading of ${formatMoment(reading.takenAtMs)}`}
                    isSelected={chosen?.has(reading.id) ?? false}
                    onChange={(isChosen) => onChoose(reading.id, isChosen)}
                  />
                </td>
              )}
              <th scope="row">{isInBrowser ? formatMoment(reading.takenAtMs) : ''}</th>
              <td data-figure>{describeFigure(reading)}</td>
              <td>
                {describeReadingWay(reading)}
                {reading.measured?.confidence === 'low' && <Tag>not sure</Tag>}
                {reading.recorderName !== '' && (
                  <Tag title={describeRecorder(reading.recorderName)}>while recording</Tag>
                )}
              </td>
              <td>{reading.scrubFeel === null ? '–' : scrubFeelTexts[reading.scrubFeel].label.toLowerCase()}</td>
              <td>
                {describeReadingSetup(reading.fixes)}
                {reading.stretch !== '' && `, ${reading.stretch}`}{' '}
                {areSameFixes(reading.fixes, inForce) && <Tag>as it is now</Tag>}
              </td>
              <Actions>
                {!used.has(reading.id) && (
                  <Button
                    variant="danger"
                    aria-label={`Delete the reading of ${formatMoment(reading.takenAtMs)}`}
                    onPress={() => remove(reading)}
                  >
                    Delete
                  </Button>
                )}
              </Actions>
            </tr>
          ))}
        </tbody>
      </DataTable>
    </TableFrame>
  );
}

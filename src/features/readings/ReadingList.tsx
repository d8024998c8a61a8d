'use client';

import styled from 'styled-components';
import { areSameFixes, fixesInForce, type Reading } from '@/core/card';
import { fixTitle } from '@/messages/fix-titles';
import { formatFps, formatMoment } from '@/messages/format';
import { scrubFeelTexts } from '@/messages/interview';
import { Button } from '@/ui/Button';
import { DataTable, TableFrame } from '@/ui/DataTable';
import { VisuallyHidden } from '@/ui/layout';
import { Tag } from '@/ui/Tag';
import { useNotify } from '../shell/notices';
import { useNowMs } from '../shell/use-now';
import { useOpenCard } from '../shell/use-open-card';

const Actions = styled.td`
  text-align: right;
  white-space: nowrap;
`;

/** "with: preview quality 1/2", or how it was before any fix. */
export const describeReadingSetup = (reading: Reading): string =>
  reading.fixes.length === 0 ? 'before any fix' : reading.fixes.map((fix) => fixTitle(fix.id, fix.level)).join('; ');

/** All readings of the card, the set-up each was taken under, and a way to delete one. */
export function ReadingList() {
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
            <th scope="col">Taken</th>
            <th scope="col" data-figure>
              Shown a second
            </th>
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
              <th scope="row">{isInBrowser ? formatMoment(reading.takenAtMs) : ''}</th>
              <td data-figure>{reading.shownFps === null ? '–' : formatFps(reading.shownFps)}</td>
              <td>{reading.scrubFeel === null ? '–' : scrubFeelTexts[reading.scrubFeel].label.toLowerCase()}</td>
              <td>
                {describeReadingSetup(reading)} {areSameFixes(reading.fixes, inForce) && <Tag>as it is now</Tag>}
              </td>
              <Actions>
                {!used.has(reading.id) && (
                  <Button
                    look="danger"
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

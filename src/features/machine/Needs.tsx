'use client';

import { useDeferredValue, useMemo } from 'react';
import { type JobCard, targetFpsOf } from '@/core/card';
import { findMachineNeeds } from '@/core/diagnose';
import { formatFps, formatFpsRange, formatWaitRange } from '@/messages/format';
import { describeTier, upgradeTexts } from '@/messages/machine';
import { DataTable, TableFrame } from '@/ui/DataTable';
import { Soft, Spaced } from '@/ui/layout';
import { Sheet } from '@/ui/Sheet';
import { useDiagnosis } from '../shell/diagnosis-context';

/** What this film asks of a machine, and what each better part would buy; nothing before there is a film. */
export function Needs({ card }: { readonly card: JobCard }) {
  return card.clips.length > 0 ? <NeedsOfFilm card={card} /> : null;
}

function NeedsOfFilm({ card: newest }: { readonly card: JobCard }) {
  const { diagnosis } = useDiagnosis();
  // A key press need not wait for what buying would bring.
  const card = useDeferredValue(newest);
  const sketch = useDeferredValue(diagnosis?.sketch ?? null);
  const { now, upgrades, least, comfortable } = useMemo(() => findMachineNeeds(card, sketch), [card, sketch]);
  return (
    <Sheet title="What this film asks for" aside={`at ${formatFps(targetFpsOf(card))} a second, as it is set up now`}>
      <dl>
        <dt>
          <Soft>At least</Soft>
        </dt>
        <dd>{least ? describeTier(least) : 'more than machines of today have: make the film lighter instead'}</dd>
        <dt>
          <Soft>With room</Soft>
        </dt>
        <dd>{comfortable ? describeTier(comfortable) : 'none of today; lighter footage or fewer effects'}</dd>
      </dl>
      <Spaced>
        <TableFrame>
          <DataTable>
            <thead>
              <tr>
                <th scope="col">Buying</th>
                <th scope="col" data-figure>
                  Frames a second
                </th>
                <th scope="col" data-figure>
                  A move of the playhead
                </th>
              </tr>
            </thead>
            <tbody>
              <tr>
                <th scope="row">Nothing: as it is</th>
                <td data-figure>{formatFpsRange(now.shownFps)}</td>
                <td data-figure>{formatWaitRange(now.scrubMs)}</td>
              </tr>
              {upgrades.map(({ id, shownFps, scrubMs }) => (
                <tr key={id}>
                  <th scope="row">{upgradeTexts[id]}</th>
                  <td data-figure>{formatFpsRange(shownFps)}</td>
                  <td data-figure>{formatWaitRange(scrubMs)}</td>
                </tr>
              ))}
            </tbody>
          </DataTable>
        </TableFrame>
      </Spaced>
    </Sheet>
  );
}

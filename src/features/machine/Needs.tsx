'use client';

import { useEffect, useState } from 'react';
import { type JobCard, targetFpsOf } from '@/core/card';
import { findMachineNeeds, type MachineNeeds } from '@/core/diagnose';
import { formatFps, formatFpsRange, formatWaitRange } from '@/messages/format';
import { describeTier, upgradeTexts } from '@/messages/machine';
import { BesideButton } from '@/ui/BesideButton';
import { Button } from '@/ui/Button';
import { DataTable, TableFrame } from '@/ui/DataTable';
import { Row, Soft, Spaced } from '@/ui/layout';
import { Sheet } from '@/ui/Sheet';
import { useBelief } from '../shell/answer/use-belief';

/** A card that changes is asked about again once it has come to rest: weighing six machines takes a moment. */
const restMs = 800;

/** What was worked out last of the card, from when it was asked for on; null until then. */
function useMachineNeeds(card: JobCard, isAsked: boolean): MachineNeeds | null {
  const belief = useBelief();
  const [needs, setNeeds] = useState<MachineNeeds | null>(null);
  useEffect(() => {
    if (!isAsked) return;
    const timer = setTimeout(() => setNeeds(findMachineNeeds(card, belief)), restMs);
    return () => clearTimeout(timer);
  }, [card, belief, isAsked]);
  return needs;
}

/** What this film asks of a machine, and what each better part would buy, once it is asked for; nothing before there is a film. */
export function Needs({ card }: { readonly card: JobCard }) {
  const [isAsked, setAsked] = useState(false);
  const needs = useMachineNeeds(card, isAsked);
  if (card.clips.length === 0) return null;
  if (!needs)
    return (
      <Sheet title="What this film asks for">
        <Row $isSpread>
          <BesideButton>
            The least machine that would do, one with room, and what a better drive, memory, graphics or processor would
            bring here.
          </BesideButton>
          <Button isDisabled={isAsked} onPress={() => setAsked(true)}>
            {isAsked ? 'Working it out…' : 'Work it out'}
          </Button>
        </Row>
      </Sheet>
    );
  const { now, upgrades, least, comfortable } = needs;
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
      <Spaced $abovePx={12}>
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

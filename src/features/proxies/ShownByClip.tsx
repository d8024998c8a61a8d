'use client';

import { useState } from 'react';
import type { CardProxy, JobCard } from '@/core/card';
import { type KnownState, knownStates } from '@/core/machine';
import { formatCount } from '@/messages/format';
import { knownStateTexts } from '@/messages/machine';
import { describeCheckOf } from '@/messages/proxies';
import { Button } from '@/ui/Button';
import { DataTable, TableFrame } from '@/ui/DataTable';
import { Disclosure } from '@/ui/Disclosure';
import { VisuallyHidden } from '@/ui/layout';
import { SecondLine } from '@/ui/SecondLine';
import { SegmentedField } from '@/ui/SegmentedField';
import { useOpenCard } from '../shell/card/use-open-card';

const states = knownStates.map((value) => ({
  value,
  label: value === 'unknown' ? 'As the rest' : knownStateTexts[value],
}));
const shownFirst = 20;

/** Of each proxy on the card, whether the preview was seen to show it: one clip left behind lags like all of them did. */
export function ShownByClip({ card }: { readonly card: JobCard }) {
  const { run } = useOpenCard();
  const [count, setCount] = useState(shownFirst);
  const set = (proxy: CardProxy, isShown: KnownState) =>
    run({ type: 'setProxies', input: { proxies: [{ ...proxy, isShown }] } });
  const nameOf = new Map(card.clips.map(({ id, facts }) => [id, facts.fileName]));
  const left = card.proxies.filter(({ isShown }) => isShown === 'no').length;
  return (
    <Disclosure label={left === 0 ? 'Clip by clip' : `Clip by clip: ${formatCount(left, 'is', 'are')} not shown`}>
      <TableFrame>
        <DataTable aria-label="Proxies clip by clip">
          <thead>
            <tr>
              <th scope="col">Clip</th>
              <th scope="col">Checked</th>
              <th scope="col">The preview shows its proxy</th>
            </tr>
          </thead>
          <tbody>
            {card.proxies.slice(0, count).map((proxy) => (
              <tr key={proxy.clipId}>
                <th scope="row">
                  {nameOf.get(proxy.clipId) ?? proxy.fileName}
                  <SecondLine>{proxy.fileName}</SecondLine>
                </th>
                <td>{describeCheckOf(proxy)}</td>
                <td>
                  <SegmentedField<KnownState>
                    label={<VisuallyHidden>The preview shows {proxy.fileName}</VisuallyHidden>}
                    value={proxy.isShown}
                    options={states}
                    onChange={(isShown) => set(proxy, isShown)}
                  />
                </td>
              </tr>
            ))}
          </tbody>
        </DataTable>
      </TableFrame>
      {count < card.proxies.length && (
        <Button variant="quiet" onPress={() => setCount(count + 200)}>
          Show {Math.min(200, card.proxies.length - count)} more
        </Button>
      )}
    </Disclosure>
  );
}

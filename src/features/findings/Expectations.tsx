'use client';

import { useMemo } from 'react';
import styled from 'styled-components';
import type { Explanation } from '@/core/belief';
import { areSameFixes, type JobCard, targetFpsOf } from '@/core/card';
import { medianOf } from '@/core/numbers/percentile';
import { describeExpectation } from '@/messages/evidence';
import { formatFps, formatFpsRange, formatRate } from '@/messages/format';
import { Paragraph, Scroller, Soft } from '@/ui/layout';
import { Sheet } from '@/ui/Sheet';
import { colour, font } from '@/ui/tokens';
import { describeReadingSetup } from '../readings/describe-setup';

const Table = styled.table`
  width: 100%;
  border-collapse: collapse;
  font-size: 15px;
  th { text-align: left; font-weight: 600; color: ${colour.inkSoft}; padding: 4px 8px 4px 0; }
  td { padding: 5px 8px 5px 0; border-top: 1px solid ${colour.line}; vertical-align: top; }
  td[data-figure], th[data-figure] { text-align: right; font-variant-numeric: tabular-nums; white-space: nowrap; }
  td[data-off] { color: ${colour.alarm}; font: 600 15px ${font.text}; }
`;

/** Each set-up that was read, with what Oil Can would have expected of it from everything else. */
export function Expectations({ card, explanation }: { readonly card: JobCard; readonly explanation: Explanation }) {
  const rows = useMemo(
    () =>
      explanation.expectations.flatMap(({ source, expectedFps }) => {
        const rates = card.readings
          .filter(({ moment, fixes }) => moment === source.moment && areSameFixes(fixes, source.fixes))
          .flatMap(({ shownFps }) => (shownFps === null ? [] : [shownFps]));
        if (rates.length === 0) return [];
        const readFps = medianOf(rates);
        return [{ source, expectedFps, readFps, verdict: describeExpectation(readFps, expectedFps) }];
      }),
    [card, explanation],
  );
  if (rows.length === 0) return null;
  const hits = rows.filter(({ verdict }) => verdict === 'as expected').length;
  return (
    <Sheet title="How well Oil Can understands your machine" aside={`${hits} of ${rows.length} as expected`}>
      <Scroller>
        <Table>
          <thead>
            <tr>
              <th scope="col">Set-up</th>
              <th scope="col" data-figure>
                expected, a second
              </th>
              <th scope="col" data-figure>
                read, of {formatFps(targetFpsOf(card))}
              </th>
              <th scope="col">agreement</th>
            </tr>
          </thead>
          <tbody>
            {rows.map(({ source, expectedFps, readFps, verdict }) => (
              <tr key={JSON.stringify(source)}>
                <td>
                  {describeReadingSetup(source.fixes)}
                  {source.moment === 'later' && ', after a while'}
                </td>
                <td data-figure>{formatFpsRange(expectedFps)}</td>
                <td data-figure>{formatRate(readFps)}</td>
                <td data-off={verdict === 'as expected' ? undefined : true}>{verdict}</td>
              </tr>
            ))}
          </tbody>
        </Table>
      </Scroller>
      <Paragraph $abovePx={6}>
        <Soft>Expected from everything on the card but that reading itself: the middle 80 %.</Soft>
      </Paragraph>
    </Sheet>
  );
}

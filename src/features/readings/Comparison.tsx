'use client';

import styled from 'styled-components';
import type { JobCard } from '@/core/card';
import { type ComparedSetup, compareCardReadings } from '@/core/readings';
import { formatCount, formatFps } from '@/messages/format';
import { describeChange, describeCompareFailure, describeRange } from '@/messages/readings';
import { DataTable, TableFrame } from '@/ui/DataTable';
import { Sheet } from '@/ui/Sheet';
import { colour } from '@/ui/tokens';
import { describeReadingSetup } from './describe-setup';

const Verdict = styled.td`
  font-weight: 650;
  &[data-verdict='better'] { color: ${colour.good}; }
  &[data-verdict='worse'] { color: ${colour.alarm}; }
  &[data-verdict='none'] { font-weight: 400; }
`;

function ComparedRow({ setup }: { readonly setup: ComparedSetup }) {
  const { fixes, readings, shownFps, change } = setup;
  const figures = change?.ok ? change.value.after : null;
  return (
    <tr>
      <th scope="row">{describeReadingSetup(fixes)}</th>
      <td data-figure>{formatCount(readings.length, 'reading')}</td>
      <td data-figure>{formatFps(Math.round((figures?.shownFps.value ?? shownFps) * 10) / 10)}</td>
      <td data-figure>{figures ? describeRange(figures.shownFps) : '–'}</td>
      <td data-figure>
        {figures && figures.freezesPerMinute !== null ? formatFps(Math.round(figures.freezesPerMinute * 10) / 10) : '–'}
      </td>
      <Verdict data-verdict={change?.ok ? change.value.verdict : 'none'}>
        {change === null
          ? 'what the others are held against'
          : change.ok
            ? describeChange(change.value)
            : describeCompareFailure(change.failure)}
      </Verdict>
    </tr>
  );
}

/** Chosen readings side by side, repeats of a set-up taken together, and whether it changed. */
export function Comparison({ card, chosen }: { readonly card: JobCard; readonly chosen: ReadonlySet<string> }) {
  const setups = compareCardReadings(card, chosen);
  return (
    <Sheet title="Did it change?" aside="repeats of one set-up count together">
      {setups.length < 2 ? (
        <p>
          {setups.length === 0
            ? 'None of the chosen readings has a rate.'
            : 'All chosen readings are of one set-up. Choose one of another set-up to compare with.'}
        </p>
      ) : (
        <TableFrame>
          <DataTable>
            <thead>
              <tr>
                <th scope="col">Set-up</th>
                <th scope="col" data-figure>
                  Taken
                </th>
                <th scope="col" data-figure>
                  Shown a second
                </th>
                <th scope="col" data-figure>
                  Nine times in ten
                </th>
                <th scope="col" data-figure>
                  Freezes a minute
                </th>
                <th scope="col">Against the first</th>
              </tr>
            </thead>
            <tbody>
              {setups.map((setup) => (
                <ComparedRow key={describeReadingSetup(setup.fixes)} setup={setup} />
              ))}
            </tbody>
          </DataTable>
        </TableFrame>
      )}
    </Sheet>
  );
}

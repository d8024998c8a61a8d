'use client';

import styled from 'styled-components';
import { type JobCard, targetFpsOf } from '@/core/card';
import type { PoolFigures, RangedFigure } from '@/core/meter';
import { type ComparedSetup, compareCardReadings } from '@/core/readings';
import { formatCount, formatRate } from '@/messages/format';
import { describeChange, describeCompareFailure, describeRange } from '@/messages/readings';
import { DataTable, TableFrame } from '@/ui/DataTable';
import { Sheet } from '@/ui/Sheet';
import { colour } from '@/ui/tokens';
import { describeReadingSetup } from './describe-setup';

const Second = styled.span`
  display: block;
  font-weight: 400;
  color: ${colour.inkSoft};
  font-size: 14px;
`;
const Verdict = styled.td`
  font-weight: 650;
  &[data-verdict='better'] { color: ${colour.good}; }
  &[data-verdict='worse'] { color: ${colour.alarm}; }
  &[data-verdict='none'] { font-weight: 400; }
`;

/** A range that ends where no preview can be: at what was meant to be shown, or at what was read where that is more. */
const withinReach = ({ value, low, high }: RangedFigure, targetFps: number) => ({
  low,
  high: Math.min(high, Math.max(value, targetFps)),
});

interface ComparedRowProps {
  readonly setup: ComparedSetup;
  readonly targetFps: number;
  /** The first set-up's own figures stand in what the others are held against. */
  readonly figures: PoolFigures | null;
}

function ComparedRow({ setup, targetFps, figures }: ComparedRowProps) {
  const { fixes, readings, shownFps, change } = setup;
  const freezes = figures?.freezesPerMinute ?? null;
  return (
    <tr>
      <th scope="row">
        {describeReadingSetup(fixes)}
        <Second>{formatCount(readings.length, 'reading')}</Second>
      </th>
      <td data-figure>
        {formatRate(figures?.shownFps.value ?? shownFps)}
        {figures && <Second>{describeRange(withinReach(figures.shownFps, targetFps))}</Second>}
      </td>
      <td data-figure>{freezes === null ? '–' : formatRate(freezes)}</td>
      <Verdict data-verdict={change?.ok ? change.value.verdict : 'none'}>
        {change === null
          ? 'the others are held against it'
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
  const before = setups.flatMap(({ change }) => (change?.ok ? [change.value.before] : []))[0] ?? null;
  return (
    <Sheet title="Did it change?" aside="each with the range that it lies in nine times in ten">
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
                  Shown a second
                </th>
                <th scope="col" data-figure>
                  Freezes a minute
                </th>
                <th scope="col">Against the first</th>
              </tr>
            </thead>
            <tbody>
              {setups.map((setup) => (
                <ComparedRow
                  key={describeReadingSetup(setup.fixes)}
                  setup={setup}
                  targetFps={targetFpsOf(card)}
                  figures={setup.change === null ? before : setup.change.ok ? setup.change.value.after : null}
                />
              ))}
            </tbody>
          </DataTable>
        </TableFrame>
      )}
    </Sheet>
  );
}

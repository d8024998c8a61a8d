'use client';

import styled from 'styled-components';
import { percentOfCores } from '@/core/machine';
import type { SampledPrograms } from '@/core/programs';
import { formatMemory } from '@/messages/format';
import { colour } from '@/ui/tokens';

const Bars = styled.ul`
  max-width: 480px;
  font-size: 14.5px;
  li { display: grid; grid-template-columns: minmax(0, 1fr) 96px 44px; gap: 8px; align-items: center; padding: 2px 0; }
  li > span:first-child { overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
  li > span:last-child { text-align: right; font-variant-numeric: tabular-nums; }
  i { display: block; height: 10px; border: 1px solid ${colour.edge}; border-radius: 3px; overflow: hidden; }
  i > i { height: 100%; border: 0; border-radius: 0; background: ${colour.enamel}; }
`;

/** Busy cores as a share of the whole machine, in per cent. */
export const percentOf = (busyCores: number, { coreCount }: SampledPrograms): number =>
  Math.min(100, percentOfCores(busyCores, 'all-cores', coreCount));

/** The newest moment as bars, by program, and what memory is left. */
export function LoadBars({ seen }: { readonly seen: SampledPrograms }) {
  const { names, moments } = seen.course;
  const now = moments.at(-1);
  if (!now) return null;
  const rows = [
    { name: 'All of it', percent: percentOf(now.busyCores, seen) },
    ...names.map((name, i) => ({ name, percent: percentOf(now.busyCoresByName[i] ?? 0, seen) })),
  ];
  return (
    <>
      <Bars>
        {rows.map(({ name, percent }) => (
          <li key={name}>
            <span>{name}</span>
            <i aria-hidden="true">
              <i style={{ width: `${percent}%` }} />
            </i>
            <span>{Math.round(percent)} %</span>
          </li>
        ))}
      </Bars>
      <p>
        {formatMemory(Math.round(now.memoryFreeMib))} of {formatMemory(Math.round(seen.memoryMib))} left
      </p>
    </>
  );
}

'use client';

import styled from 'styled-components';
import type { JobCard } from '@/core/card';
import { protectingLines, quickerExportLines } from '@/messages/export-check';
import { CheckField } from '@/ui/CheckField';
import { Disclosure } from '@/ui/Disclosure';
import { Spaced } from '@/ui/layout';
import { Sheet } from '@/ui/Sheet';
import { colour } from '@/ui/tokens';
import { useOpenCard } from '../shell/card/use-open-card';
import { ExportTimes } from './ExportTimes';

const List = styled.ul`
  li { padding: 6px 0; border-top: 1px solid ${colour.line}; break-inside: avoid; }
  li:first-child { border-top: 0; }
  small { display: block; font-size: 14.5px; color: ${colour.inkSoft}; }
`;
const Quicker = styled.ul`
  margin: 0;
  padding-left: 20px;
  list-style: disc;
  li { padding: 2px 0; }
`;

/** Settings that protect the export, and those that make it quicker and cost no quality. */
export function ExportSettings({ card }: { readonly card: JobCard }) {
  const { run } = useOpenCard();
  return (
    <Sheet title="In the export window" aside="worth a look each time; nothing waits for these ticks">
      <List>
        {protectingLines.map(({ key, what, why, check }) => (
          <li key={key}>
            <CheckField
              isSelected={card.exportCheck.ticked.includes(key)}
              onChange={(isDone) => run({ type: 'tickExportLine', input: { key, isDone } })}
            >
              {what}
              <small>
                {why} {check}
              </small>
            </CheckField>
          </li>
        ))}
      </List>
      <Spaced $abovePx={10}>
        <Disclosure label="How long will it take?">
          <ExportTimes card={card} />
        </Disclosure>
      </Spaced>
      <Spaced $abovePx={10}>
        <Disclosure label="Quicker, at no loss of quality">
          <Quicker>
            {quickerExportLines.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </Quicker>
        </Disclosure>
      </Spaced>
    </Sheet>
  );
}

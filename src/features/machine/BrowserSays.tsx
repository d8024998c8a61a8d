'use client';

import { type ReactNode, useState } from 'react';
import { type BrowserFacts, readBrowserFacts } from '@/adapters/browser/browser-facts';
import { readDecodeTable } from '@/adapters/browser/read-decode-table';
import type { DecodeTableRow } from '@/core/machine';
import { formatBytes, formatFps } from '@/messages/format';
import { askedPictureTexts } from '@/messages/machine';
import { DataTable, TableFrame } from '@/ui/DataTable';
import { Disclosure } from '@/ui/Disclosure';
import { FactList } from '@/ui/lists';

const wordOf = (is: boolean): string => (is ? 'yes' : 'no');

/** What a browser states, each in its words; what it does not state is said not to be. */
function describeFacts(facts: BrowserFacts): readonly (readonly [string, ReactNode])[] {
  const { coreCount, memoryClassGib, graphicsName, screenPx, scale, refreshHz, storageLeftBytes } = facts;
  const unstated = 'not stated';
  return [
    ['Processor cores', coreCount ?? unstated],
    [
      'Memory',
      memoryClassGib === null
        ? unstated
        : `${formatFps(memoryClassGib)} GB or more (browsers say no more than a class)`,
    ],
    ['Graphics', graphicsName ?? unstated],
    ['Screen', `${screenPx.width} × ${screenPx.height}, scaled ${formatFps(scale)} times`],
    ['Drawn', refreshHz === null ? unstated : `${refreshHz} times a second`],
    ['It may still store', storageLeftBytes === null ? unstated : formatBytes(storageLeftBytes)],
  ];
}

/** What this browser states of the computer, and what it decodes, in hardware and in software; editors may do more. */
export function BrowserSays() {
  const [rows, setRows] = useState<readonly DecodeTableRow[]>([]);
  const [facts, setFacts] = useState<BrowserFacts | null>(null);
  // Asking for the graphics' name takes a moment, in which a page just loaded has better things to do.
  const read = async () => {
    if (facts) return;
    const [table, stated] = await Promise.all([readDecodeTable(), readBrowserFacts()]);
    setRows(table);
    setFacts(stated);
  };
  return (
    <Disclosure label="What this browser states and decodes" onOpen={read}>
      {facts && (
        <FactList $belowPx={12}>
          {describeFacts(facts).map(([name, value]) => (
            <div key={name}>
              <dt>{name}</dt>
              <dd>{value}</dd>
            </div>
          ))}
        </FactList>
      )}
      {rows.length > 0 && (
        <TableFrame>
          <DataTable>
            <thead>
              <tr>
                <th scope="col">1080 lines</th>
                <th scope="col">By the graphics</th>
                <th scope="col">By the processor</th>
              </tr>
            </thead>
            <tbody>
              {rows.map(({ id, isInHardware, isInSoftware }) => (
                <tr key={id}>
                  <th scope="row">{askedPictureTexts[id]}</th>
                  <td>{wordOf(isInHardware)}</td>
                  <td>{wordOf(isInSoftware)}</td>
                </tr>
              ))}
            </tbody>
          </DataTable>
        </TableFrame>
      )}
      Editors decode by themselves, and may do more.
    </Disclosure>
  );
}

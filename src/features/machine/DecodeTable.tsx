'use client';

import { useEffect, useState } from 'react';
import { readDecodeTable } from '@/adapters/browser/read-decode-table';
import type { DecodeTableRow } from '@/core/machine';
import { askedPictureTexts } from '@/messages/machine';
import { DataTable, TableFrame } from '@/ui/DataTable';
import { Disclosure } from '@/ui/Disclosure';

const wordOf = (is: boolean): string => (is ? 'yes' : 'no');

/** What this browser decodes, in hardware and in software; editors may do more. */
export function DecodeTable() {
  const [rows, setRows] = useState<readonly DecodeTableRow[]>([]);
  useEffect(() => {
    let isCurrent = true;
    readDecodeTable().then((read) => {
      if (isCurrent) setRows(read);
    });
    return () => {
      isCurrent = false;
    };
  }, []);
  if (rows.length === 0) return null;
  return (
    <Disclosure label="What this browser decodes">
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
      Editors decode by themselves, and may do more.
    </Disclosure>
  );
}

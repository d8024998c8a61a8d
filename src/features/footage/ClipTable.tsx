'use client';

import { type SortingState, useTable } from '@tanstack/react-table';
import { useVirtualizer } from '@tanstack/react-virtual';
import { memo, useCallback, useRef, useState } from 'react';
import styled from 'styled-components';
import type { ClipRow } from '@/core/diagnose';
import { DataTable } from '@/ui/DataTable';
import { PlainCheck } from '@/ui/PlainCheck';
import { colour } from '@/ui/tokens';
import { ClipTableHead } from './ClipTableHead';
import { ClipTableRow } from './ClipTableRow';
import { clipColumns, clipTableFeatures } from './clip-columns';
import { useColumnWidths } from './use-column-widths';

const rowHeightPx = 60;
const checkColumnPx = 38;

const Frame = styled.div`
  max-height: min(66vh, 660px);
  margin: 0 -18px;
  overflow: auto;
  border-block: 1px solid ${colour.line};
  overscroll-behavior: contain;
`;
const Table = styled(DataTable)`
  table-layout: fixed;
  width: 100%;
  thead th, thead td { position: sticky; top: 0; z-index: 1; background: ${colour.inset}; border-bottom: 1px solid ${colour.line}; }
  thead th { padding: 0; }
  [data-check] { padding: 7px 0 7px 14px; }
  tbody tr { height: ${rowHeightPx}px; }
  tbody th { min-width: 0; }
  tbody tr[data-selected] > * { background: ${colour.oilWash}; }
  tbody tr[data-space] { height: auto; > td { padding: 0; border: 0; } }
`;

interface ClipTableProps {
  readonly rows: readonly ClipRow[];
  readonly selection: ReadonlySet<string>;
  readonly onSelect: (clipIds: readonly string[], isSelected: boolean) => void;
  /** With all clips in the order in which they stand. */
  readonly onOpen: (clipId: string, order: readonly string[]) => void;
}

/** Clips that are shown, dearest first until sorted otherwise; only the rows in sight are in the page. */
export const ClipTable = memo(function ClipTable({ rows, selection, onSelect, onOpen }: ClipTableProps) {
  const [sorting, setSorting] = useState<SortingState>([{ id: 'own', desc: true }]);
  const { widths, change } = useColumnWidths();
  const table = useTable({
    features: clipTableFeatures,
    columns: clipColumns,
    data: rows,
    getRowId: (row) => row.clipId,
    state: { sorting, columnSizing: widths },
    onSortingChange: setSorting,
    onColumnSizingChange: change,
    columnResizeMode: 'onChange',
    enableSortingRemoval: false,
  });
  const frame = useRef<HTMLDivElement>(null);
  const shown = table.getRowModel().rows;
  // Rows are not drawn again for a new order alone, so what they call looks it up.
  const order = useRef(shown);
  order.current = shown;
  const openInOrder = useCallback(
    (clipId: string) =>
      onOpen(
        clipId,
        order.current.map((row) => row.id),
      ),
    [onOpen],
  );
  const virtual = useVirtualizer({
    count: shown.length,
    getScrollElement: () => frame.current,
    estimateSize: () => rowHeightPx,
    overscan: 6,
  });
  const items = virtual.getVirtualItems();
  const abovePx = items[0]?.start ?? 0;
  const belowPx = virtual.getTotalSize() - (items.at(-1)?.end ?? 0);
  const headers = table.getHeaderGroups()[0]?.headers ?? [];
  const selectedCount = rows.reduce((count, row) => count + (selection.has(row.clipId) ? 1 : 0), 0);
  const widthPx = checkColumnPx + table.getTotalSize();
  return (
    <Frame ref={frame}>
      <Table aria-label="Clips" aria-rowcount={shown.length + 1} style={{ minWidth: widthPx }}>
        <colgroup>
          <col style={{ width: checkColumnPx }} />
          {headers.map((header) => (
            <col key={header.id} style={{ width: header.getSize() }} />
          ))}
        </colgroup>
        <thead>
          <tr aria-rowindex={1}>
            <td data-check>
              <PlainCheck
                label="Select all clips shown"
                isSelected={selectedCount === rows.length}
                isIndeterminate={selectedCount > 0}
                onChange={(isSelected) =>
                  onSelect(
                    rows.map((row) => row.clipId),
                    isSelected,
                  )
                }
              />
            </td>
            {headers.map((header) => (
              <ClipTableHead
                key={header.id}
                header={header}
                sorted={header.column.getIsSorted()}
                widthPx={header.getSize()}
                onSetWidth={(px) => change((now) => ({ ...now, [header.column.id]: px }))}
              />
            ))}
          </tr>
        </thead>
        <tbody>
          {abovePx > 0 && (
            <tr data-space>
              <td colSpan={headers.length + 1} style={{ height: abovePx }} />
            </tr>
          )}
          {items.map((item) => {
            const row = shown[item.index];
            return (
              row && (
                <ClipTableRow
                  key={row.id}
                  row={row.original}
                  rowIndex={item.index + 2}
                  isSelected={selection.has(row.id)}
                  onSelect={(isSelected) => onSelect([row.id], isSelected)}
                  onOpen={openInOrder}
                />
              )
            );
          })}
          {belowPx > 0 && (
            <tr data-space>
              <td colSpan={headers.length + 1} style={{ height: belowPx }} />
            </tr>
          )}
        </tbody>
      </Table>
    </Frame>
  );
});

'use client';

import { FileImage, FileMusic, FileVideo } from 'lucide-react';
import { memo } from 'react';
import styled from 'styled-components';
import type { ClipRow } from '@/core/diagnose';
import { describeFormat } from '@/messages/clip-facts';
import { traitLabel } from '@/messages/clip-traits';
import { formatDuration, formatMbit, formatMs, formatWait } from '@/messages/format';
import { PlainCheck } from '@/ui/PlainCheck';
import { colour } from '@/ui/tokens';

const NameCell = styled.th`
  > div { display: flex; gap: 8px; }
  > div > svg { flex: none; margin-top: 3px; color: ${colour.inkSoft}; }
  > div > div { min-width: 0; }
  button {
    display: block;
    max-width: 100%;
    padding: 0;
    border: 0;
    background: none;
    color: ${colour.enamel};
    font-weight: 600;
    text-align: left;
    cursor: pointer;
    text-decoration: underline;
    text-decoration-color: transparent;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  button:hover { text-decoration-color: currentColor; }
  small { display: block; font-size: 13px; font-weight: 400; color: ${colour.inkSoft}; overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
`;
const Traits = styled.td`
  font-size: 14px;
  line-height: 1.3;
  > span {
    display: -webkit-box;
    -webkit-line-clamp: 2;
    -webkit-box-orient: vertical;
    overflow: hidden;
  }
  small { font-size: 13px; color: ${colour.inkSoft}; white-space: nowrap; }
`;
const Cost = styled.td`
  &[data-over] { color: ${colour.alarm}; font-weight: 700; }
`;

const kindIcons = { video: FileVideo, still: FileImage, sound: FileMusic } as const;
const kindNames = { video: 'video', still: 'still', sound: 'sound' } as const;
const shownTraitCount = 2;

interface ClipTableRowProps {
  readonly row: ClipRow;
  readonly rowIndex: number;
  readonly isSelected: boolean;
  readonly onSelect: (isSelected: boolean) => void;
  readonly onOpen: (clipId: string) => void;
}

/** One clip: what it is, what stands out, what it costs. Its name opens everything that is known of it. */
export const ClipTableRow = memo(
  function ClipTableRow({ row, rowIndex, isSelected, onSelect, onOpen }: ClipTableRowProps) {
    const { facts, traits, cost } = row;
    const Icon = kindIcons[facts.kind];
    const hiddenCount = traits.length - shownTraitCount;
    return (
      <tr aria-rowindex={rowIndex} data-selected={isSelected || undefined}>
        <td data-check>
          <PlainCheck label={`Select ${facts.fileName}`} isSelected={isSelected} onChange={onSelect} />
        </td>
        <NameCell scope="row">
          <div>
            <Icon size={17} role="img" aria-label={kindNames[facts.kind]} />
            <div>
              <button type="button" title={facts.fileName} onClick={() => onOpen(row.clipId)}>
                {facts.fileName}
              </button>
              <small>{describeFormat(facts)}</small>
            </div>
          </div>
        </NameCell>
        <Traits>
          <span>
            {traits.slice(0, shownTraitCount).map(traitLabel).join(', ')}
            {hiddenCount > 0 && <small> +{hiddenCount}</small>}
          </span>
        </Traits>
        <td data-figure>{facts.kind === 'still' ? '–' : formatDuration(facts.durationMs)}</td>
        <td data-figure>{facts.kind === 'video' ? formatMbit(facts.bitrateMbitPerSec) : '–'}</td>
        <Cost data-figure data-over={cost?.isOverBudget || undefined}>
          {cost ? formatMs(cost.ownMs) : '–'}
        </Cost>
        <td data-figure>{cost ? formatWait(cost.scrubMs) : '–'}</td>
      </tr>
    );
  },
  // The handler is made anew at every render of the table and always does the same.
  (before, after) =>
    before.row === after.row && before.rowIndex === after.rowIndex && before.isSelected === after.isSelected,
);

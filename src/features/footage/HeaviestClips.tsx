'use client';

import { memo } from 'react';
import styled from 'styled-components';
import { type ClipRow, findHeaviest } from '@/core/diagnose';
import type { LaneId } from '@/core/load';
import { formatCount, formatMs, formatWait } from '@/messages/format';
import { Sheet } from '@/ui/Sheet';
import { colour } from '@/ui/tokens';

const List = styled.ol`
  display: grid;
  gap: 8px;
  li { display: grid; grid-template-columns: minmax(0, 1fr) auto; gap: 2px 16px; align-items: baseline; }
  button { padding: 0; border: 0; background: none; color: ${colour.enamel}; font-weight: 650; text-align: left; cursor: pointer; overflow-wrap: anywhere; }
  button:hover { text-decoration: underline; }
  span { color: ${colour.inkSoft}; font-size: 15px; }
  b { color: ${colour.alarm}; }
  @media (max-width: 560px) { li { grid-template-columns: minmax(0, 1fr); } }
`;
const Bar = styled.div`
  grid-column: 1 / -1;
  position: relative;
  height: 8px;
  border-radius: 2px;
  background: ${colour.inset};
  overflow: hidden;
  > i { position: absolute; inset: 0 auto 0 0; background: ${colour.stageDecode}; }
  > u { position: absolute; top: 0; bottom: 0; width: 2px; background: ${colour.ink}; }
`;

const bindingTexts: Readonly<Record<LaneId, string>> = {
  drive: 'reading takes longest',
  decoder: 'decoding takes longest',
  drawing: 'drawing takes longest',
};
const shownCount = 3;

interface HeaviestClipsProps {
  readonly rows: readonly ClipRow[];
  readonly budgetMs: number;
  readonly onOpen: (clipId: string, order: readonly string[]) => void;
}

/** The clips that hurt most on this timeline and machine, by name. */
export const HeaviestClips = memo(function HeaviestClips({ rows, budgetMs, onOpen }: HeaviestClipsProps) {
  const heaviest = findHeaviest(rows, shownCount);
  const order = heaviest.map((row) => row.clipId);
  const overCount = rows.filter((row) => row.cost?.isOverBudget).length;
  const longestMs = Math.max(budgetMs * 1.25, ...heaviest.map((row) => row.cost?.ownMs ?? 0));
  if (heaviest.length === 0)
    return (
      <Sheet title="What hurts most">
        <p>
          No clip is over the budget by itself: each can be read, decoded and scaled within the {formatMs(budgetMs)} ms
          of a frame. If it lags all the same, look at effects, layers and programs.
        </p>
      </Sheet>
    );
  return (
    <Sheet
      title="What hurts most"
      aside={`${formatCount(overCount, 'clip')} of ${rows.length} over the ${formatMs(budgetMs)} ms of a frame, by the estimate`}
    >
      <List>
        {heaviest.map(
          ({ clipId, facts, cost }) =>
            cost && (
              <li key={clipId}>
                <button type="button" onClick={() => onOpen(clipId, order)}>
                  {facts.fileName}
                </button>
                <span>
                  <b>{formatMs(cost.ownMs)} ms</b> a frame, a move of the playhead {formatWait(cost.scrubMs)};{' '}
                  {bindingTexts[cost.bindingLane]}
                </span>
                <Bar aria-hidden="true">
                  <i style={{ width: `${(cost.ownMs / longestMs) * 100}%` }} />
                  <u style={{ left: `${(budgetMs / longestMs) * 100}%` }} />
                </Bar>
              </li>
            ),
        )}
      </List>
    </Sheet>
  );
});

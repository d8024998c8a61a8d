'use client';

import styled from 'styled-components';
import type { splitMemory } from '@/core/card';
import { formatMemory } from '@/messages/format';
import { colour } from '@/ui/tokens';

const Frame = styled.figure`
  margin: 0 0 12px;
`;
const Bar = styled.div`
  display: flex;
  height: 26px;
  margin-top: 6px;
  overflow: hidden;
  border: 1px solid ${colour.edge};
  border-radius: 4px;
  > span { min-width: 2px; border-right: 1px solid ${colour.card}; }
  > span[data-part='system'] { background: ${colour.edge}; }
  > span[data-part='editor'] { background: ${colour.enamel}; }
  > span[data-part='others'] { background: repeating-linear-gradient(45deg, ${colour.oil} 0 6px, ${colour.card} 6px 9px); }
  > span[data-part='left'] { background: ${colour.card}; border-right: 0; }
`;
const Legend = styled.dl`
  display: flex;
  flex-wrap: wrap;
  gap: 2px 18px;
  margin-top: 6px;
  font-size: 15px;
  > div { display: flex; gap: 6px; }
  dt { color: ${colour.inkSoft}; }
  dd { font-weight: 650; font-variant-numeric: tabular-nums; }
`;

const partTexts = {
  system: 'system',
  editor: 'your editor',
  others: 'other programs',
  left: 'left',
} as const;

interface MemorySplitProps {
  /** Nothing is drawn without one. */
  readonly split: ReturnType<typeof splitMemory>;
  readonly label: string;
}

/** How the machine's memory is split, or would be. */
export function MemorySplit({ split, label }: MemorySplitProps) {
  if (!split) return null;
  const parts = (['system', 'editor', 'others', 'left'] as const).map((id) => ({ id, mib: split[id] }));
  const total = parts.reduce((sum, { mib }) => sum + mib, 0);
  return (
    <Frame aria-label={label}>
      <figcaption>
        {label}, {formatMemory(Math.round(total))} in all
      </figcaption>
      <Bar aria-hidden="true">
        {parts.map(({ id, mib }) => (
          <span key={id} data-part={id} style={{ width: `${(100 * mib) / total}%` }} />
        ))}
      </Bar>
      <Legend>
        {parts.map(({ id, mib }) => (
          <div key={id}>
            <dt>{partTexts[id]}</dt>
            <dd>{id === 'editor' && mib === 0 ? 'not picked' : formatMemory(Math.round(mib))}</dd>
          </div>
        ))}
      </Legend>
    </Frame>
  );
}

'use client';

import { useMemo } from 'react';
import styled from 'styled-components';
import { type Belief, forecastUnder } from '@/core/belief';
import { fixesOfSet, type JobCard, type WorkingSet, workingSetInUse } from '@/core/card';
import { listSwitches } from '@/core/diagnose';
import { listFixTitles } from '@/messages/fix-titles';
import { formatFpsRange, formatWaitRange } from '@/messages/format';
import { Button } from '@/ui/Button';
import { Row, Soft } from '@/ui/layout';
import { Stamp } from '@/ui/Stamp';
import { colour, font } from '@/ui/tokens';
import { SwitchList } from './SwitchList';

/** The frame of one working set. */
export const SetBox = styled.article`
  padding: 12px 14px;
  border: 1px solid ${colour.line};
  border-radius: 8px;
  break-inside: avoid;
  &[data-used] { border-color: ${colour.enamel}; border-width: 2px; }
  h3 { font: 650 17px/1.25 ${font.heading}; }
  h4 { margin-top: 8px; font: 650 14.5px ${font.text}; color: ${colour.inkSoft}; }
  > p { font-size: 15px; }
`;
const Ways = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 200px), 1fr));
  gap: 0 16px;
  margin-bottom: 10px;
`;

interface SetCardProps {
  readonly card: JobCard;
  readonly posterior: Belief;
  readonly set: WorkingSet;
  readonly what: string;
  readonly onUse: () => void;
  readonly onLeave: () => void;
  /** What can be done to a set of one's own; null for those that ship. */
  readonly own: { readonly onChange: () => void; readonly onDelete: () => void } | null;
}

/** One working set: what it holds, what to expect, and the short list each way. */
export function SetCard({ card, posterior, set, what, onUse, onLeave, own }: SetCardProps) {
  const inUse = workingSetInUse(card);
  const isUsed = inUse?.id === set.id;
  const after = useMemo(() => forecastUnder(posterior, fixesOfSet(card, set)), [posterior, card, set]);
  // The way there is from where one is now, the way back to the fixes as they were kept.
  const there = listSwitches(card, isUsed ? null : inUse, set);
  const back = listSwitches(card, set, null);
  return (
    <SetBox aria-label={set.name} data-used={isUsed || undefined}>
      <Row $isSpread>
        <h3>{set.name}</h3>
        {isUsed && <Stamp data-kind="open">in use</Stamp>}
      </Row>
      <p>
        <Soft>{what}</Soft>
      </p>
      <p>
        <b>{formatFpsRange(after.shownFps)} a second</b>, a move of the playhead in {formatWaitRange(after.scrubMs)}
      </p>
      <p>{set.fixes.length === 0 ? 'Nothing is left out.' : `${listFixTitles(set.fixes)}.`}</p>
      <Ways>
        <div>
          <h4>To go there</h4>
          <SwitchList switches={there} label={`To ${set.name}`} />
        </div>
        <div>
          <h4>To come back</h4>
          <SwitchList switches={back} label={`Back from ${set.name}`} />
        </div>
      </Ways>
      <Row>
        {isUsed ? (
          <Button variant="primary" onPress={onLeave}>
            I am back
          </Button>
        ) : (
          <Button onPress={onUse} aria-label={`I switched to this: ${set.name}`}>
            I switched to this
          </Button>
        )}
        {own && !isUsed && (
          <>
            <Button variant="quiet" onPress={own.onChange} aria-label={`Change ${set.name}`}>
              Change
            </Button>
            <Button variant="danger" onPress={own.onDelete} aria-label={`Delete ${set.name}`}>
              Delete
            </Button>
          </>
        )}
      </Row>
    </SetBox>
  );
}

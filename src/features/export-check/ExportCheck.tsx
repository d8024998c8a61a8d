'use client';

import { CircleCheckBig, TriangleAlert } from 'lucide-react';
import styled from 'styled-components';
import { isReadyToExport, type JobCard, listPutBack, mayPointAtCopies, openTrial } from '@/core/card';
import { fixTitle } from '@/messages/fix-titles';
import { formatCount } from '@/messages/format';
import { Button } from '@/ui/Button';
import { LinkButton } from '@/ui/LinkButton';
import { Row, Spaced } from '@/ui/layout';
import { Note } from '@/ui/Note';
import { Stub } from '@/ui/Stub';
import { colour } from '@/ui/tokens';
import { useOpenCard } from '../shell/card/use-open-card';
import { StepPage } from '../shell/frame/StepPage';
import { CopiesQuestion } from './CopiesQuestion';
import { ExportSettings } from './ExportSettings';
import { PutBackLines } from './PutBackLines';

const State = styled.div`
  display: flex;
  align-items: center;
  gap: 14px;
  margin-bottom: 12px;
  padding: 14px 18px;
  background: ${colour.card};
  border: 2px solid ${colour.oil};
  border-radius: 8px;
  svg { color: ${colour.oilInk}; flex: none; }
  h2 { font-size: 20px; }
  p { color: ${colour.inkSoft}; }
  &[data-ready] { border-color: ${colour.good}; svg { color: ${colour.good}; } }
  @media print { background: none; }
`;
const Unprinted = styled.div`
  margin-top: 14px;
  @media print { display: none; }
`;

/** What still stands in the way, or that nothing does. */
function describeState(card: JobCard): string {
  const trial = openTrial(card);
  if (trial) return `A trial is under way: ${fixTitle(trial.fix.id, trial.fix.level)}. Keep it or undo it first.`;
  const lines = listPutBack(card).filter(({ when }) => when === 'export');
  const openCount = lines.filter(({ isDone, isOnlyALook }) => !isDone && !isOnlyALook).length;
  if (openCount > 0) return `${formatCount(openCount, 'line')} still open. Tick each once it is done in the editor.`;
  if (!isReadyToExport(card)) return 'One question is open: whether anything still points at small copies.';
  return lines.length === 0
    ? 'Nothing on this card was given up for speed. Export at full quality.'
    : 'Everything is put back. Export at full quality.';
}

/** What was given up for speed and must be put back: before export, and at the end of the day. */
export function ExportCheck() {
  const { card, run } = useOpenCard();
  const lines = listPutBack(card);
  const forExport = lines.filter(({ when }) => when === 'export');
  const forEvening = lines.filter(({ when }) => when === 'end-of-day');
  const isReady = isReadyToExport(card);
  const hasTicks = lines.some(({ isDone }) => isDone) || card.exportCheck.ticked.length > 0;
  const Icon = isReady ? CircleCheckBig : TriangleAlert;
  return (
    <StepPage stepId="export-check">
      <State data-ready={isReady || undefined} role="status">
        <Icon size={30} aria-hidden="true" />
        <div>
          <h2>{isReady ? 'Ready to export' : 'Not ready to export'}</h2>
          <p>{describeState(card)}</p>
        </div>
      </State>
      {openTrial(card) && (
        <Note>
          <LinkButton href={`/card/${encodeURIComponent(card.id)}/fixes`}>To the trial</LinkButton>
        </Note>
      )}
      {forExport.length > 0 && (
        <Stub aria-label="Before export">
          <h2>Before export</h2>
          <PutBackLines lines={forExport} />
        </Stub>
      )}
      {mayPointAtCopies(card) && (
        <Spaced $abovePx={14}>
          <CopiesQuestion card={card} />
        </Spaced>
      )}
      {forEvening.length > 0 && (
        <Stub aria-label="At the end of the day">
          <h2>At the end of the day</h2>
          <PutBackLines lines={forEvening} />
        </Stub>
      )}
      <Spaced $abovePx={14}>
        <ExportSettings card={card} />
      </Spaced>
      <Unprinted>
        <Row>
          <Button onPress={() => window.print()}>Print this list</Button>
          {hasTicks && (
            <Button variant="quiet" onPress={() => run({ type: 'resumeEditing', input: {} })}>
              Exported: go on editing, open all lines again
            </Button>
          )}
        </Row>
      </Unprinted>
    </StepPage>
  );
}

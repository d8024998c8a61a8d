'use client';

import { CircleCheckBig, TriangleAlert } from 'lucide-react';
import styled from 'styled-components';
import { isReadyToExport, listPutBack, openTrial, type PutBackLine } from '@/core/card';
import { findFix } from '@/core/fixes';
import { fixTitle } from '@/messages/fix-titles';
import { fixTexts } from '@/messages/fixes';
import { formatCount } from '@/messages/format';
import { Button } from '@/ui/Button';
import { CheckField } from '@/ui/CheckField';
import { LinkButton } from '@/ui/LinkButton';
import { Note } from '@/ui/Note';
import { Stub } from '@/ui/Stub';
import { colour } from '@/ui/tokens';
import { StepPage } from '../shell/StepPage';
import { useOpenCard } from '../shell/use-open-card';

const State = styled.div`
  display: flex;
  align-items: center;
  gap: 14px;
  padding: 14px 18px;
  background: ${colour.card};
  border: 2px solid ${colour.oil};
  border-radius: 8px;
  svg { color: ${colour.oilInk}; flex: none; }
  h2 { font-size: 20px; }
  p { color: ${colour.inkSoft}; }
  &[data-ready] { border-color: ${colour.good}; svg { color: ${colour.good}; } }
`;
const Line = styled.li`
  padding: 8px 0;
  border-top: 1px solid ${colour.line};
  &:first-child { border-top: 0; }
  small { display: block; font-size: 14.5px; color: ${colour.inkSoft}; }
  &[data-done] .what { text-decoration: line-through; color: ${colour.inkSoft}; }
`;

const textOf = (line: PutBackLine) => {
  const fix = findFix(line.trial.fix.id);
  return (fix && fixTexts[fix.id].putBack) ?? { what: fixTitle(line.trial.fix.id, line.trial.fix.level), why: '' };
};

function Lines({
  lines,
  onTick,
}: {
  readonly lines: readonly PutBackLine[];
  readonly onTick: (trialId: string, isDone: boolean) => void;
}) {
  return (
    <ul>
      {lines.map((line) => {
        const { what, why } = textOf(line);
        return (
          <Line key={line.trial.id} data-done={line.isDone || undefined}>
            <CheckField isSelected={line.isDone} onChange={(isDone) => onTick(line.trial.id, isDone)}>
              <span className="what">{what}</span>
              <small>
                Kept: {fixTitle(line.trial.fix.id, line.trial.fix.level)}. {why}
              </small>
            </CheckField>
          </Line>
        );
      })}
    </ul>
  );
}

/** What was given up for speed and must be put back: before export, and at the end of the day. */
export function ExportCheck() {
  const { card, run } = useOpenCard();
  const lines = listPutBack(card);
  const forExport = lines.filter((line) => line.when === 'export');
  const forEvening = lines.filter((line) => line.when === 'end-of-day');
  const openCount = forExport.filter((line) => !line.isDone).length;
  const trial = openTrial(card);
  const isReady = isReadyToExport(card);
  const tick = (trialId: string, isDone: boolean) => run({ type: 'tickPutBack', input: { trialId, isDone } });
  const Icon = isReady ? CircleCheckBig : TriangleAlert;
  return (
    <StepPage stepId="export-check">
      <State data-ready={isReady || undefined} role="status">
        <Icon size={30} aria-hidden="true" />
        <div>
          <h2>{isReady ? 'Ready to export' : 'Not ready to export'}</h2>
          <p>
            {isReady
              ? forExport.length === 0
                ? 'Nothing on this card was given up for speed. Export at full quality.'
                : 'Everything is put back. Export at full quality.'
              : trial
                ? `A trial is under way: ${fixTitle(trial.fix.id, trial.fix.level)}. Keep it or undo it first.`
                : `${formatCount(openCount, 'line')} still open. Tick each once it is done in the editor.`}
          </p>
        </div>
      </State>
      {trial && (
        <div style={{ marginTop: 12 }}>
          <Note>
            <LinkButton href={`/card/${encodeURIComponent(card.id)}/fixes`}>To the trial</LinkButton>
          </Note>
        </div>
      )}
      {forExport.length > 0 && (
        <Stub aria-label="Before export">
          <h2>Before export</h2>
          <Lines lines={forExport} onTick={tick} />
        </Stub>
      )}
      {forEvening.length > 0 && (
        <Stub aria-label="At the end of the day">
          <h2>At the end of the day</h2>
          <Lines lines={forEvening} onTick={tick} />
        </Stub>
      )}
      {lines.length > 0 && (
        <div style={{ marginTop: 14 }}>
          <Button onPress={() => window.print()}>Print this list</Button>
        </div>
      )}
    </StepPage>
  );
}

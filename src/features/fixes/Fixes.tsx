'use client';

import dynamic from 'next/dynamic';
import styled from 'styled-components';
import { fixesInForce, type JobCard, openTrial, readingInForce, targetFpsOf, workingSetInUse } from '@/core/card';
import { fixTitle } from '@/messages/fix-titles';
import { formatFps, formatRate } from '@/messages/format';
import { LinkButton } from '@/ui/LinkButton';
import { Paragraph } from '@/ui/layout';
import { Note } from '@/ui/Note';
import { Sheet } from '@/ui/Sheet';
import { TakeReading } from '../readings/TakeReading';
import { useGlance } from '../shell/answer/at-a-glance';
import { useDiagnosis } from '../shell/answer/diagnosis-context';
import { useOpenCard } from '../shell/card/use-open-card';
import { SheetBoundary } from '../shell/frame/SheetBoundary';
import { StepPage } from '../shell/frame/StepPage';
import { AllFixes } from './AllFixes';
import { ChosenPlan } from './ChosenPlan';
import { NextStepSheet } from './NextStepSheet';
import { SetAside } from './SetAside';
import { TrialHistory } from './TrialHistory';
import { TrialSheet } from './TrialSheet';
import { useBeginTrial } from './use-begin-trial';
import { WhatChanged } from './WhatChanged';

/** As much room as the step takes that comes in its place. */
const Waiting = styled.div`
  > section { min-height: 288px; }
`;

const ReadingsChart = dynamic(() => import('@/ui/charts/ReadingsChart').then((module) => module.ReadingsChart), {
  ssr: false,
});

const readingPoints = (card: JobCard) =>
  card.readings.flatMap(({ shownFps, fixes }) => {
    const last = fixes.at(-1);
    return shownFps === null ? [] : [{ label: last ? fixTitle(last.id, last.level) : 'before', fps: shownFps }];
  });

/** Where nothing stands in force to compare with. */
function FirstReading({ card }: { readonly card: JobCard }) {
  const isBefore = fixesInForce(card).length === 0;
  return (
    <Sheet title={isBefore ? 'First, a reading of how it is now' : 'A reading of how it is now'} kind="next">
      <Paragraph $belowPx={12}>
        {isBefore
          ? 'Without one there is nothing to compare a fix with.'
          : 'The set-up has changed since the last one, so the next fix would have nothing to be compared with.'}
      </Paragraph>
      <TakeReading buttonLabel="Store this reading" />
    </Sheet>
  );
}

/** The loop: one step at a time, measured, kept or undone; all other fixes stay in reach. */
export function Fixes() {
  const { card } = useOpenCard();
  const begin = useBeginTrial();
  const { diagnosis, before, status } = useDiagnosis();
  const trial = openTrial(card);
  const { overview, conclusion } = useGlance();
  const { move } = conclusion;
  const isMoveShown = move !== null && move.kind !== 'nothing-left';
  const isInSet = workingSetInUse(card) !== null;
  const reading = readingInForce(card);
  const canTry = trial === null && reading !== null && !isInSet;
  const points = readingPoints(card);
  return (
    <StepPage stepId="fixes">
      {isInSet && (
        <Note>
          Another working set is switched to. Switch back to the fixes as you kept them before you try more.{' '}
          <LinkButton href={`/card/${encodeURIComponent(card.id)}/work`}>To the working sets</LinkButton>
        </Note>
      )}
      {trial && <TrialSheet key={trial.id} trial={trial} />}
      {!trial && !reading && !isInSet && <FirstReading card={card} />}
      {overview.isUsable && !trial && (
        <Note kind="good">
          The preview is usable: your last reading meets what you complained of, for a target of{' '}
          {formatFps(overview.targetFps)} a second. Stop here and edit, or try further.
        </Note>
      )}
      {!diagnosis && status === 'running' && !trial && reading && !overview.isUsable && (
        <Waiting>
          <Sheet title="Next: working out what helps most…" kind="next">
            <p>Every cause is weighed against all that is on the card. It takes a second or two.</p>
          </Sheet>
        </Waiting>
      )}
      {isMoveShown && diagnosis && (
        <SheetBoundary title="Next">
          <NextStepSheet card={card} diagnosis={diagnosis} move={move} canTry={canTry} onTry={begin} />
        </SheetBoundary>
      )}
      {before && diagnosis && !trial && <WhatChanged before={before} card={card} diagnosis={diagnosis} move={move} />}
      <ChosenPlan card={card} />
      <TrialHistory />
      {!trial && (
        <SheetBoundary title="Others worth trying">
          <AllFixes
            card={card}
            posterior={card.readings.length > 0 ? (diagnosis?.posterior ?? null) : null}
            shown={isMoveShown && 'fix' in move ? move.fix : null}
            canTry={canTry}
            isUsable={overview.isUsable}
            onTry={begin}
          />
        </SheetBoundary>
      )}
      {!trial && <SetAside card={card} />}
      {points.length > 1 && (
        <Sheet title="Readings so far" aside={`target ${formatFps(targetFpsOf(card))} a second`}>
          <SheetBoundary title="Readings so far">
            <ReadingsChart points={points} targetFps={targetFpsOf(card)} formatFps={formatRate} />
          </SheetBoundary>
        </Sheet>
      )}
    </StepPage>
  );
}

'use client';

import { useMemo } from 'react';
import { fixesInForce, latestReading, readingInForce } from '@/core/card';
import { averageStages } from '@/core/diagnose';
import { isUsable } from '@/core/usable';
import { describeBudget, describeFit } from '@/messages/findings';
import { formatMs } from '@/messages/format';
import { Disclosure } from '@/ui/Disclosure';
import { FrameBudget } from '@/ui/FrameBudget';
import { Spaced } from '@/ui/layout';
import { Note } from '@/ui/Note';
import { Settled } from '@/ui/Settled';
import { Sheet } from '@/ui/Sheet';
import { SideLeads } from '../looks/SideLeads';
import { useGlance } from '../shell/answer/at-a-glance';
import { useDiagnosis } from '../shell/answer/diagnosis-context';
import { useOpenCard } from '../shell/card/use-open-card';
import { SheetBoundary } from '../shell/frame/SheetBoundary';
import { StepPage } from '../shell/frame/StepPage';
import { toBudgetLanes } from '../shell/gauge/budget-lanes';
import { useFrameBelief } from '../shell/gauge/use-frame-time';
import { Causes } from './Causes';
import { Expectations } from './Expectations';
import { NextLook } from './NextLook';
import { Plans } from './Plans';
import { useWhatIf } from './use-what-if';
import { WhatIf } from './WhatIf';

/** What causes the lag, what tells most next, ways out, and where each frame's time goes. */
export function Findings() {
  const { card } = useOpenCard();
  const { overview, conclusion } = useGlance();
  const { findings } = overview;
  const inForce = readingInForce(card);
  const reading = inForce ?? latestReading(card);
  const fit = reading?.shownFps != null ? describeFit(reading.shownFps, findings) : null;
  const diagnosisState = useDiagnosis();
  const { cause } = conclusion;
  const { diagnosis } = diagnosisState;
  const { belief, ofFrame, isByReadings } = useFrameBelief(card);
  const whatIf = useWhatIf(card, belief, ofFrame);
  const beforeFixes = useMemo(
    () => (fixesInForce(card).length === 0 ? null : averageStages(ofFrame, [])),
    [card, ofFrame],
  );
  const stages = useMemo(
    () => ({ now: whatIf.before.stages, before: (beforeFixes ?? whatIf.before).stages }),
    [whatIf.before, beforeFixes],
  );
  const isNamed = cause.kind !== 'unknown';
  return (
    <StepPage stepId="findings">
      <SheetBoundary title="What causes it">
        <Causes card={card} state={diagnosisState} named={cause} stages={stages} />
      </SheetBoundary>
      <Settled isReady={diagnosis !== null || diagnosisState.status === 'failed'} leastPx={330}>
        <SheetBoundary title="What tells most next">
          {diagnosis && <NextLook card={card} diagnosis={diagnosis} />}
        </SheetBoundary>
        <SheetBoundary title="Ways to a usable preview">
          {diagnosis && isNamed && <Plans card={card} diagnosis={diagnosis} />}
        </SheetBoundary>
      </Settled>
      <SheetBoundary title="Where each frame’s time goes">
        <Sheet
          title="Where each frame’s time goes"
          aside={
            whatIf.isChanged ? (
              <b>with the choices below</b>
            ) : (
              `in the heaviest quarter, ${isByReadings ? 'by your readings' : 'only estimated'}`
            )
          }
        >
          <FrameBudget lanes={toBudgetLanes(whatIf.after.stages)} budgetMs={findings.budgetMs} formatMs={formatMs} />
          <p>
            {whatIf.isChanged && 'Without the choices: '}
            {describeBudget({
              ...findings,
              ...whatIf.before,
              bindingCause: isByReadings ? (diagnosis?.causes[0]?.id ?? null) : findings.bindingCause,
              isUsable: inForce !== null && isUsable(card, inForce),
            })}
          </p>
          <WhatIf card={card} state={whatIf} />
          <Spaced $abovePx={12}>
            {fit && !fit.fits && <Note>{fit.text}</Note>}
            {beforeFixes && (
              <Disclosure label="Before any fix it was">
                <FrameBudget
                  lanes={toBudgetLanes(beforeFixes.stages)}
                  budgetMs={findings.budgetMs}
                  formatMs={formatMs}
                />
              </Disclosure>
            )}
            <Disclosure label="Where do these figures come from?">
              {fit?.fits && `${fit.text} `}
              They come from what is on this card and a table of measured costs: decoding and effects were timed on a
              reference machine, and are scaled to yours. Reading, decoding and drawing work side by side, so the
              slowest sets the rate. The range is the middle 80 % over what is not known of your machine and editor.
              Once there is a reading, only what fits your readings and answers counts, and the bars are its average.
            </Disclosure>
          </Spaced>
        </Sheet>
      </SheetBoundary>
      {diagnosisState.explanation && (
        <SheetBoundary title="How well Oil Can understands your machine">
          <Expectations card={card} explanation={diagnosisState.explanation} />
        </SheetBoundary>
      )}
      {diagnosis && <SideLeads card={card} leads={diagnosis.sideLeads} />}
    </StepPage>
  );
}

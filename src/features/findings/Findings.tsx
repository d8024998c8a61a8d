'use client';

import { useMemo } from 'react';
import { fixesInForce, isUsable, latestReading, readingInForce } from '@/core/card';
import { averageStages, computeFindings } from '@/core/diagnose';
import { describeBudget, describeFit } from '@/messages/findings';
import { formatMs } from '@/messages/format';
import { Disclosure } from '@/ui/Disclosure';
import { FrameBudget } from '@/ui/FrameBudget';
import { Note } from '@/ui/Note';
import { Sheet } from '@/ui/Sheet';
import { SideLeads } from '../looks/SideLeads';
import { toBudgetLanes } from '../shell/budget-lanes';
import { useDiagnosis } from '../shell/diagnosis-context';
import { StepPage } from '../shell/StepPage';
import { useFittedSketch } from '../shell/use-frame-time';
import { useOpenCard } from '../shell/use-open-card';
import { Causes } from './Causes';
import { Expectations } from './Expectations';
import { NextLook } from './NextLook';
import { Plans } from './Plans';
import { useWhatIf } from './use-what-if';
import { WhatIf } from './WhatIf';

/** What causes the lag, what tells most next, ways out, and where each frame's time goes. */
export function Findings() {
  const { card } = useOpenCard();
  const findings = useMemo(() => computeFindings(card), [card]);
  const inForce = readingInForce(card);
  const reading = inForce ?? latestReading(card);
  const fit = reading?.shownFps != null ? describeFit(reading.shownFps, findings) : null;
  const diagnosisState = useDiagnosis();
  const { diagnosis } = diagnosisState;
  const sketch = useFittedSketch(card);
  const whatIf = useWhatIf(card, sketch);
  const beforeFixes = useMemo(() => {
    if (fixesInForce(card).length === 0) return null;
    return sketch ? averageStages(sketch, []) : computeFindings({ ...card, trials: [], workingSetId: null });
  }, [card, sketch]);
  const stages = useMemo(
    () => ({ now: whatIf.before.stages, before: (beforeFixes ?? whatIf.before).stages }),
    [whatIf.before, beforeFixes],
  );
  return (
    <StepPage stepId="findings">
      {card.clips.length === 0 && (
        <Note>
          No footage on this card yet: a usual 1080-line phone clip stands in for it. Add your own for figures of your
          project.
        </Note>
      )}
      <Causes card={card} state={diagnosisState} estimateCause={findings.bindingCause} stages={stages} />
      {diagnosis && <NextLook card={card} diagnosis={diagnosis} />}
      {diagnosis && <Plans card={card} diagnosis={diagnosis} />}
      <Sheet
        title="Frame budget"
        aside={
          whatIf.isChanged ? (
            <b>with the choices below</b>
          ) : sketch ? (
            'the heaviest quarter, by your readings'
          ) : (
            'playing the heaviest quarter of the footage'
          )
        }
      >
        <FrameBudget lanes={toBudgetLanes(whatIf.after.stages)} budgetMs={findings.budgetMs} formatMs={formatMs} />
        <p>
          {whatIf.isChanged && 'Without the choices: '}
          {describeBudget({
            ...findings,
            ...whatIf.before,
            bindingCause: sketch ? (diagnosis?.causes[0]?.id ?? null) : findings.bindingCause,
            isUsable: inForce !== null && isUsable(card, inForce),
          })}
        </p>
        {beforeFixes && (
          <div style={{ marginTop: 8 }}>
            <Disclosure label="Before any fix it was">
              <FrameBudget lanes={toBudgetLanes(beforeFixes.stages)} budgetMs={findings.budgetMs} formatMs={formatMs} />
            </Disclosure>
          </div>
        )}
        {fit && (
          <div style={{ marginTop: 12 }}>
            <Note kind={fit.fits ? 'good' : 'info'}>{fit.text}</Note>
          </div>
        )}
        <div style={{ marginTop: 10 }}>
          <Disclosure label="Where do these figures come from?">
            From what is on this card and a table of measured costs: decoding and effects were timed on a reference
            machine, and are scaled to yours. Lanes work side by side like a production line, so the slowest sets the
            rate. The range is the middle 80 % over what is not known of your machine and editor. Once there is a
            reading, only what fits your readings and answers counts, and the bars are its average.
          </Disclosure>
        </div>
      </Sheet>
      <WhatIf card={card} state={whatIf} />
      {diagnosisState.explanation && <Expectations card={card} explanation={diagnosisState.explanation} />}
      {diagnosis && <SideLeads card={card} leads={diagnosis.sideLeads} />}
    </StepPage>
  );
}
